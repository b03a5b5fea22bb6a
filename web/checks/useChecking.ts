import { useEffect, useRef } from 'react';
import type { Page, SiteFrame } from '../../core/index.ts';
import { looked } from '../state/findings.ts';
import { useAppDispatch } from '../state/store.ts';
import { Checking } from './checking.ts';
import { Looking } from './looking.ts';

/** ms; a page is looked over once nothing has been changed for so long: nobody reads findings while typing. */
const STILL = 350;

/** Keeps the findings of the page that is open up to date. */
export function useChecking(site: SiteFrame | undefined, page: Page | undefined): void {
  const dispatch = useAppDispatch();
  const checking = useRef<Checking | null>(null);
  useEffect(() => {
    const looking = new Looking();
    const made = new Checking(looking, (of, list) => dispatch(looked({ page: of.id, list: list ?? null })));
    checking.current = made;
    return () => {
      made.close();
      looking.close();
    };
  }, [dispatch]);
  useEffect(() => {
    if (!site || !page) return;
    const wait = setTimeout(() => checking.current?.look(site, page), STILL);
    return () => clearTimeout(wait);
  }, [site, page]);
}
