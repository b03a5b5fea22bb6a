import { useEffect, useRef } from 'react';
import type { Finding, Page, SiteFrame } from '../../core/index.ts';
import { looked } from '../state/findings.ts';
import { useAppDispatch } from '../state/store.ts';
import { Seeing } from './seeing.ts';
import type { ToLook } from './worker.ts';

/** ms; a page is looked over once nothing has been changed for so long: nobody reads findings while typing. */
const STILL = 350;

/** Looks pages over, one at a time: what is asked meanwhile waits, and only the last of it. */
class Checking {
  private readonly worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
  private readonly seeing = new Seeing();
  private busy = false;
  private next: { site: SiteFrame; page: Page } | undefined;
  private closed = false;

  constructor(private readonly found: (page: Page, list: Finding[]) => void) {}

  look(site: SiteFrame, page: Page): void {
    this.next = { site, page };
    if (!this.busy) void this.go();
  }

  close(): void {
    this.closed = true;
    this.worker.terminate();
    this.seeing.close();
  }

  private async go(): Promise<void> {
    this.busy = true;
    while (this.next && !this.closed) {
      const { site, page } = this.next;
      this.next = undefined;
      const seen = await this.seeing.see(site, page);
      // Meanwhile there may be something newer.
      if (this.next || this.closed) continue;
      const list = await this.ask({ site, page, seen });
      if (!this.closed) this.found(page, list);
    }
    this.busy = false;
  }

  private ask(looked: ToLook): Promise<Finding[]> {
    return new Promise((resolve) => {
      this.worker.onmessage = ({ data }: MessageEvent<Finding[]>) => resolve(data);
      // A fault of a rule is no reason to have no workbench: what was found before stays.
      this.worker.onerror = (event) => {
        event.preventDefault();
        console.error(event.message);
        resolve([]);
      };
      this.worker.postMessage(looked);
    });
  }
}

/** Keeps the findings of the page that is open up to date. */
export function useChecking(site: SiteFrame | undefined, page: Page | undefined): void {
  const dispatch = useAppDispatch();
  const checking = useRef<Checking | null>(null);
  useEffect(() => {
    const made = new Checking((of, list) => dispatch(looked({ page: of.id, list })));
    checking.current = made;
    return () => made.close();
  }, [dispatch]);
  useEffect(() => {
    if (!site || !page) return;
    const wait = setTimeout(() => checking.current?.look(site, page), STILL);
    return () => clearTimeout(wait);
  }, [site, page]);
}
