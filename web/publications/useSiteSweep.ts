import { useEffect, useMemo, useRef, useState } from 'react';
import { composed, sure, type Finding, type NodeId, type PageFindings, type Site } from '../../core/index.ts';
import { Sweeper } from '../checks/sweeper.ts';
import { rememberedSweep } from '../checks/swept.ts';

/** What sweeps of the pages of a site have found, and how far the one that is going is. */
export interface SiteSweep {
  /** `none`: no page was swept as it is now; `some`: some pages were, here or in the workbench; `stopped` in the middle of one. */
  state: 'none' | 'some' | 'stopped' | 'going' | 'all' | 'failed';
  /** From 0 to 1. */
  done: number;
  pages: readonly PageFindings[];
  start(): void;
  stop(): void;
}

type Going = Pick<SiteSweep, 'done'> & { state: 'going' | 'stopped' | 'failed' | 'ended' };

const open = (findings: readonly Finding[]) => findings.filter(({ aside }) => aside === undefined);

/** What is known of the pages that were swept as they are now. */
const knownOf = ({ frame, pages }: Site): PageFindings[] =>
  frame.pages.flatMap(({ id: page }) => {
    const found = rememberedSweep(frame, composed(frame, pages[page]));
    return found ? [{ page, findings: open(found) }] : [];
  });

/** Sweeps the pages of a site that were not swept as they are, one after the other, where that is asked for. */
export function useSiteSweep(site: Site): SiteSweep {
  const [swept, setSwept] = useState<{ of: Site; is: Going }>();
  const sweeper = useRef<Sweeper | null>(null);
  const end = () => {
    sweeper.current?.close();
    sweeper.current = null;
  };
  useEffect(() => end, [site]);
  const is = swept?.of === site ? swept.is : undefined;
  // Each page that is swept to the end is remembered before it is said.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const pages = useMemo(() => knownOf(site), [site, swept]);
  const count = site.frame.pages.length;
  const start = () => {
    end();
    const known = new Set(pages.map(({ page }) => page));
    const left = site.frame.pages.map(({ id }) => id).filter((id) => !known.has(id));
    let at = 0;
    const say = (state: Going['state'], done: number) => setSwept({ of: site, is: { state, done } });
    const pageOf = (id: NodeId) => composed(site.frame, site.pages[id]);
    const made = new Sweeper((_page, news) => {
      if (sweeper.current !== made) return;
      if ('progress' in news) {
        const { measured, of } = news.progress;
        say('going', (at + measured / Math.max(1, of)) / left.length);
        return;
      }
      if ('failed' in news) {
        end();
        say('failed', 0);
        return;
      }
      at++;
      const next = left.at(at);
      say(next === undefined ? 'ended' : 'going', at / left.length);
      if (next === undefined) end();
      else made.sweep(site.frame, pageOf(next));
    });
    sweeper.current = made;
    say('going', 0);
    made.sweep(site.frame, pageOf(sure(left[0], 'page')));
  };
  const stop = () => {
    end();
    setSwept({ of: site, is: { state: 'stopped', done: 0 } });
  };
  const rest = pages.length === count ? 'all' : pages.length > 0 ? 'some' : 'none';
  const state = is && is.state !== 'ended' ? is.state : rest;
  return { state, done: is?.done ?? 0, pages, start, stop };
}
