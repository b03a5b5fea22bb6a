/** Looks all pages of a site over by every rule, without the rest of the interface: for the command line. */
import { composed, mergedFindings, type Finding, type PageFindings, type Site } from '../../core/index.ts';
import { findingsOf } from './checking.ts';
import { CheckWorker } from './checkworker.ts';
import { Sweeper } from './sweeper.ts';

const send = (address: string, what: unknown) =>
  fetch(address, {
    method: 'POST',
    body: JSON.stringify(what),
    headers: { 'Content-Type': 'application/json' },
  });

async function look(): Promise<PageFindings[]> {
  const site = (await (await fetch('/site')).json()) as Site;
  const { frame } = site;
  const checker = new CheckWorker();
  const pages: PageFindings[] = [];
  for (const { id } of frame.pages) {
    await send('/looking', { page: id });
    const page = composed(frame, site.pages[id]);
    const list = await findingsOf(checker, { site: frame, page, pages: site.pages });
    const measured = await new Promise<readonly Finding[]>((resolve, reject) => {
      const sweeper = new Sweeper((_page, news) => {
        if ('found' in news) resolve(news.found);
        else if ('failed' in news) reject(new Error(`The page ${id} could not be measured.`));
      });
      sweeper.sweep(frame, page);
    });
    pages.push({ page: id, findings: [...list, ...measured] });
  }
  return mergedFindings(pages);
}

look().then(
  (pages) => send('/found', { pages }),
  (fault: unknown) => send('/found', { fault: String(fault) }),
);
