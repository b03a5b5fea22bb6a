import { useEffect, useRef, useState } from 'react';
import { composed, sure, type NodeId, type PageFindings, type Site } from '../../core/index.ts';
import { Sweeper } from '../checks/sweeper.ts';

/** What the sweep of all pages of a site has found, and how far it is. */
export interface SiteSweep {
  /** `none`: it was not asked for, or the site has changed since; `some`: it was stopped. */
  state: 'none' | 'going' | 'some' | 'all' | 'failed';
  /** From 0 to 1. */
  done: number;
  pages: readonly PageFindings[];
  start(): void;
  stop(): void;
}

type Swept = Pick<SiteSweep, 'state' | 'done' | 'pages'>;

const NOTHING: Swept = { state: 'none', done: 0, pages: [] };

/** Sweeps the pages of a site over all widths, one after the other, where that is asked for. */
export function useSiteSweep(site: Site): SiteSweep {
  const [swept, setSwept] = useState<{ of: Site; is: Swept }>({ of: site, is: NOTHING });
  const sweeper = useRef<Sweeper | null>(null);
  const end = () => {
    sweeper.current?.close();
    sweeper.current = null;
  };
  useEffect(() => end, [site]);
  const is = swept.of === site ? swept.is : NOTHING;
  const start = () => {
    end();
    const ids = site.frame.pages.map(({ id }) => id);
    const found: PageFindings[] = [];
    const say = (next: Partial<Swept>) =>
      setSwept((before) => ({ of: site, is: { ...(before.of === site ? before.is : NOTHING), ...next } }));
    const pageOf = (id: NodeId) => composed(site.frame, site.pages[id]);
    const made = new Sweeper((page, news) => {
      if (sweeper.current !== made) return;
      const at = found.length;
      if ('progress' in news) {
        const { measured, of } = news.progress;
        say({ done: (at + measured / Math.max(1, of)) / ids.length });
        return;
      }
      if ('failed' in news) {
        end();
        say({ state: 'failed' });
        return;
      }
      found.push({ page: page.id, findings: news.found.filter(({ aside }) => aside === undefined) });
      const next = ids.at(found.length);
      say({
        pages: [...found],
        done: found.length / ids.length,
        state: next === undefined ? 'all' : 'going',
      });
      if (next === undefined) end();
      else made.sweep(site.frame, pageOf(next));
    });
    sweeper.current = made;
    say({ ...NOTHING, state: 'going' });
    made.sweep(site.frame, pageOf(sure(ids[0], 'page')));
  };
  const stop = () => {
    end();
    setSwept({ of: site, is: { ...is, state: 'some' } });
  };
  return { ...is, start, stop };
}
