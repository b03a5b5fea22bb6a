/** Looks a page over beside the interface, which goes on meanwhile. */
import { findings, type Finding, type Page, type Seen, type SiteFrame } from '../../core/index.ts';

/** What is looked over. */
export interface ToLook {
  site: SiteFrame;
  page: Page;
  seen: Seen;
}

self.addEventListener('message', ({ data: { site, page, seen } }: MessageEvent<ToLook>) => {
  const list: Finding[] = findings(site, page, seen);
  self.postMessage(list);
});
