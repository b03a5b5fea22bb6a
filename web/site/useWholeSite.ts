import { useEffect, useState } from 'react';
import type { OpenSite } from '../state/documents.ts';
import { load } from '../state/edits.ts';
import { sentenceOf } from '../state/request.ts';
import { useSiteQuery } from '../state/server.ts';
import { useAppDispatch, useAppSelector } from '../state/store.ts';
import { useOpenPage } from './useOpenPage.ts';

/** The open site with all of its pages, and which of them is open: the one that was, else the first. */
export function useWholeSite(siteId: string): {
  open: OpenSite | null;
  whole: boolean;
  failure: string | null;
  retry(): void;
} {
  const dispatch = useAppDispatch();
  const open = useAppSelector(({ documents }) =>
    documents.open?.site.frame.id === siteId ? documents.open : null,
  );
  const { data, error, refetch } = useSiteQuery(siteId, { skip: open !== null });
  const unread = open === null && error ? sentenceOf(error) : null;
  const pages = (open?.site.frame ?? data?.frame)?.pages ?? [];
  // The page that was open may be gone.
  const first = (pages.find(({ id }) => id === open?.page) ?? pages.at(0))?.id ?? '';
  // Which page was open when the screen came up stays so, also while others are chosen here.
  const [page, setPage] = useState('');
  if (page === '' && first !== '') setPage(first);
  const opened = useOpenPage(siteId, page);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [attempt, setAttempt] = useState(0);
  const missing = open?.site.frame.pages.filter(({ id }) => !open.site.pages[id]).map(({ id }) => id) ?? [];
  const wanted = missing.join(' ');
  useEffect(() => {
    if (wanted === '') return;
    let current = true;
    void dispatch(load(wanted.split(' '))).then((why) => {
      if (current) setTrouble(why ?? null);
    });
    return () => {
      current = false;
    };
  }, [dispatch, wanted, attempt]);
  return {
    open,
    whole: open !== null && missing.length === 0,
    failure: opened.failure ?? trouble ?? unread,
    retry() {
      if (unread !== null) void refetch();
      opened.retry();
      setAttempt((count) => count + 1);
    },
  };
}
