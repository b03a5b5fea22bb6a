import { useMemo } from 'react';
import { perform, type Page, type SiteFrame } from '../../../core/index.ts';
import { useAppSelector } from '../../state/store.ts';

/** The site as it would be with the limit that is being moved; as it is where none is, or where it cannot be there. */
export function useTrial(site: SiteFrame, page: Page): SiteFrame {
  const limit = useAppSelector((state) => state.desk.limit);
  return useMemo(() => {
    if (!limit) return site;
    // The page holds what it shares already.
    const { shared, ...alone } = site;
    const only = {
      frame: { ...alone, pages: site.pages.filter(({ id }) => id === page.id) },
      pages: { [page.id]: page },
    };
    const tried = perform(only, page.id, 'changeView', limit);
    return tried.ok ? { ...tried.value.site.frame, pages: site.pages, shared } : site;
  }, [site, page, limit]);
}
