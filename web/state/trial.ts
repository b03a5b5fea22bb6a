import {
  performCall,
  type Call,
  type NodeId,
  type Outcome,
  type Page,
  type SiteFrame,
} from '../../core/index.ts';

/** A page as a command would leave it, and what its step would say. Nothing is kept of it. */
export interface Trial {
  site: SiteFrame;
  page: Page;
  sentence: string;
}

/** Tries a command on a page that holds what it shares. */
export function tryOut(site: SiteFrame, page: Page, call: Call): Outcome<Trial> {
  // The page holds what it shares already.
  const { shared, ...alone } = site;
  const only = {
    frame: { ...alone, pages: site.pages.filter(({ id }) => id === page.id) },
    pages: { [page.id]: page } as Record<NodeId, Page>,
  };
  const tried = performCall(only, page.id, call);
  if (!tried.ok) return tried;
  const { frame, pages } = tried.value.site;
  return {
    ok: true,
    value: {
      site: { ...frame, pages: site.pages, shared },
      page: pages[page.id],
      sentence: tried.value.sentence,
    },
  };
}
