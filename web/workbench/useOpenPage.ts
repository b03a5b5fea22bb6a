import { useCallback, useEffect, useState } from 'react';
import { closed, opened, type OpenPage } from '../state/editor.ts';
import { keep } from '../state/edits.ts';
import { server, troubleOf } from '../state/server.ts';
import { useAppDispatch, useAppSelector } from '../state/store.ts';

/** Loads a page with its site into the editor; what was open before is kept first. */
export function useOpenPage(
  site: string,
  page: string,
): { open: OpenPage | null; failure: string | null; retry(): void } {
  const dispatch = useAppDispatch();
  const open = useAppSelector((state) => state.editor.open);
  const [failure, setFailure] = useState<string | null>(null);
  const [attempt, setAttempt] = useState(0);

  useEffect(() => {
    let current = true;
    const load = async () => {
      await dispatch(keep());
      const [frame, document] = await Promise.all([
        dispatch(server.endpoints.site.initiate(site, { forceRefetch: true, subscribe: false })),
        dispatch(server.endpoints.page.initiate({ site, page }, { forceRefetch: true, subscribe: false })),
      ]);
      if (!current) return;
      if (!frame.data || !document.data) setFailure(troubleOf(frame.error ?? document.error).sentence);
      else {
        setFailure(null);
        const { page: opening, revision, steps } = document.data;
        const { frame: theme, pages, revision: siteRevision } = frame.data;
        dispatch(
          opened({
            site: theme,
            pages,
            page: opening,
            revision: { page: revision, site: siteRevision },
            steps,
          }),
        );
      }
    };
    void load();
    return () => {
      current = false;
    };
  }, [dispatch, site, page, attempt]);

  useEffect(() => () => void dispatch(keep()).then(() => dispatch(closed())), [dispatch]);

  const retry = useCallback(() => setAttempt((count) => count + 1), []);
  const wanted = open && open.site.id === site && open.page.id === page ? open : null;
  return { open: wanted, failure, retry };
}
