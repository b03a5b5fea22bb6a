import { useEffect, useState } from 'react';
import { composed, toldOnce, type PageFindings, type Site } from '../../core/index.ts';
import { findingsOf } from '../checks/checking.ts';
import { Looking } from '../checks/looking.ts';

/** What the checks find on the pages of a site, but for what is set aside. */
export type SiteFindings =
  { state: 'looking' } | { state: 'failed' } | { state: 'looked'; pages: PageFindings[] };

const LOOKING: SiteFindings = { state: 'looking' };

async function look(looking: Looking, { frame, pages }: Site): Promise<PageFindings[]> {
  const found: PageFindings[] = [];
  for (const { id } of frame.pages) {
    const page = composed(frame, pages[id]);
    const list = await findingsOf(looking, { site: frame, page, pages });
    found.push({ page: id, findings: list.filter(({ aside }) => aside === undefined) });
  }
  return toldOnce(found);
}

/** Looks all pages of a site over, one after the other, beside the interface. */
export function useSiteFindings(site: Site): SiteFindings {
  const [found, setFound] = useState<{ site: Site; is: SiteFindings }>({ site, is: LOOKING });
  useEffect(() => {
    const looking = new Looking();
    let current = true;
    look(looking, site).then(
      (pages) => current && setFound({ site, is: { state: 'looked', pages } }),
      (fault: unknown) => {
        console.error(fault);
        if (current) setFound({ site, is: { state: 'failed' } });
      },
    );
    return () => {
      current = false;
      looking.close();
    };
  }, [site]);
  return found.site === site ? found.is : LOOKING;
}
