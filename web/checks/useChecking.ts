import { useEffect, useRef, useState } from 'react';
import { shallowEqual } from 'react-redux';
import { pagesWithLinkedPlaces, type NodeId, type Page, type SiteFrame } from '../../core/index.ts';
import { load } from '../state/edits.ts';
import { checked } from '../state/findings.ts';
import { useAppDispatch, useAppSelector } from '../state/store.ts';
import { Checking } from './checking.ts';
import { CheckWorker } from './checkworker.ts';

/** ms; a page is checked once nothing has been changed for so long: nobody reads findings while typing. */
const STILL = 350;

/** Keeps the findings of the page that is open up to date. */
export function useChecking(site: SiteFrame | undefined, page: Page | undefined): void {
  const dispatch = useAppDispatch();
  // The pages on which links of this one lead to a place: they are read, and looked at as they are now.
  const [followed, setFollowed] = useState<readonly NodeId[]>([]);
  const pages = useAppSelector(({ documents: { open } }) => {
    const known: Partial<Record<NodeId, Page>> = open?.site.pages ?? {};
    return Object.fromEntries(followed.flatMap((id) => (known[id] ? [[id, known[id]]] : [])));
  }, shallowEqual);
  const checking = useRef<Checking | null>(null);
  useEffect(() => {
    const checker = new CheckWorker();
    const made = new Checking(checker, (of, found) =>
      dispatch(checked({ page: of.id, found: found ?? null })),
    );
    checking.current = made;
    return () => {
      made.close();
      checker.close();
    };
  }, [dispatch]);
  useEffect(() => {
    if (!site || !page) return;
    const wait = setTimeout(() => {
      const places = pagesWithLinkedPlaces(page);
      setFollowed((before) => (shallowEqual(before, places) ? before : places));
      // Where one cannot be read, nothing is said of it.
      void dispatch(load(places.filter((id) => site.pages.some((head) => head.id === id))));
      checking.current?.look({ site, page, pages });
    }, STILL);
    return () => clearTimeout(wait);
  }, [dispatch, site, page, pages]);
}
