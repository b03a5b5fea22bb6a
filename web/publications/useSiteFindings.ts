import { useEffect, useState } from 'react';
import { composed, mergedFindings, type PageFindings, type Site } from '../../core/index.ts';
import { findingsOf } from '../checks/checking.ts';
import { CheckWorker } from '../checks/checkworker.ts';

/** What the checks find on the pages of a site, but for what is dismissed. */
export type SiteFindings =
  { state: 'looking' } | { state: 'failed' } | { state: 'looked'; pages: PageFindings[] };

const LOOKING: SiteFindings = { state: 'looking' };

async function look(checker: CheckWorker, { frame, pages }: Site): Promise<PageFindings[]> {
  const found: PageFindings[] = [];
  for (const { id } of frame.pages) {
    const page = composed(frame, pages[id]);
    const list = await findingsOf(checker, { site: frame, page, pages });
    found.push({ page: id, findings: list.filter(({ aside }) => aside === undefined) });
  }
  return mergedFindings(found);
}

/** Looks all pages of a site over, one after the other, beside the interface. */
export function useSiteFindings(site: Site): SiteFindings {
  const [found, setFound] = useState<{ site: Site; is: SiteFindings }>({ site, is: LOOKING });
  useEffect(() => {
    const checker = new CheckWorker();
    let current = true;
    look(checker, site).then(
      (pages) => current && setFound({ site, is: { state: 'looked', pages } }),
      (fault: unknown) => {
        console.error(fault);
        if (current) setFound({ site, is: { state: 'failed' } });
      },
    );
    return () => {
      current = false;
      checker.close();
    };
  }, [site]);
  return found.site === site ? found.is : LOOKING;
}
