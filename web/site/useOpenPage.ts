import { useCallback, useEffect, useState } from 'react';
import { openPage, type OpenPage } from '../state/documents.ts';
import { closeSite, showPage } from '../state/opening.ts';
import { useAppDispatch, useAppSelector } from '../state/store.ts';

/** Shows a page of a site; what was done on another site before is kept first. */
export function useOpenPage(
  site: string,
  page: string,
): { open: OpenPage | null; failure: string | null; retry(): void } {
  const dispatch = useAppDispatch();
  const open = useAppSelector(openPage);
  const [failure, setFailure] = useState<string | null>(null);
  const [attempt, setAttempt] = useState(0);

  useEffect(() => {
    // Which page it is is not known yet.
    if (page === '') return;
    let current = true;
    void dispatch(showPage(site, page)).then((trouble) => {
      if (current) setFailure(trouble ?? null);
    });
    return () => {
      current = false;
    };
  }, [dispatch, site, page, attempt]);

  useEffect(() => () => void dispatch(closeSite()), [dispatch]);

  const retry = useCallback(() => setAttempt((count) => count + 1), []);
  const gone = useAppSelector(({ documents: { open: opened } }) =>
    opened?.site.frame.id === site && opened.page === page && !opened.site.pages[opened.page]
      ? 'This page has been deleted in another window. The site’s other pages are untouched.'
      : null,
  );
  const wanted = open && open.site.id === site && open.page.id === page ? open : null;
  return { open: wanted, failure: failure ?? gone, retry };
}
