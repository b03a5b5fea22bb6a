import { useEffect, useRef } from 'react';
import type { Page, SiteFrame } from '../../core/index.ts';
import { looked } from '../state/findings.ts';
import { useAppDispatch } from '../state/store.ts';
import { Checking, type Eyes } from './checking.ts';
import { Seeing } from './seeing.ts';
import type { Asks, Message } from './worker.ts';

/** ms; a page is looked over once nothing has been changed for so long: nobody reads findings while typing. */
const STILL = 350;

/** The rules in a worker, and what the browser sees. */
class Looking implements Eyes {
  private readonly worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
  private readonly seeing = new Seeing();

  words = (site: SiteFrame, page: Page) => this.ask('words', { site, page });
  see: Eyes['see'] = (site, page, words) => this.seeing.see(site, page, words);
  findings: Eyes['findings'] = (seen) => this.ask('findings', seen);

  close(): void {
    this.worker.terminate();
    this.seeing.close();
  }

  private ask<A extends keyof Asks>(ask: A, asked: Asks[A]['asked']): Promise<Asks[A]['answer']> {
    return new Promise((resolve, reject) => {
      this.worker.onmessage = ({ data }) => resolve(data as Asks[A]['answer']);
      this.worker.onerror = ({ message }) => reject(new Error(message));
      this.worker.postMessage({ ask, asked } as Message);
    });
  }
}

/** Keeps the findings of the page that is open up to date. */
export function useChecking(site: SiteFrame | undefined, page: Page | undefined): void {
  const dispatch = useAppDispatch();
  const checking = useRef<Checking | null>(null);
  useEffect(() => {
    const looking = new Looking();
    const made = new Checking(looking, (of, list) => dispatch(looked({ page: of.id, list: list ?? null })));
    checking.current = made;
    return () => {
      made.close();
      looking.close();
    };
  }, [dispatch]);
  useEffect(() => {
    if (!site || !page) return;
    const wait = setTimeout(() => checking.current?.look(site, page), STILL);
    return () => clearTimeout(wait);
  }, [site, page]);
}
