import { useEffect, useRef } from 'react';
import type { NodeId, Page, SiteFrame } from '../../core/index.ts';
import { sweepForgotten, sweepNews } from '../state/findings.ts';
import { useAppDispatch, useAppSelector } from '../state/store.ts';
import { Sweeper } from './sweeper.ts';

/** ms; a page is swept once nothing has been changed for so long. */
const STILL = 1000;

/** Sweeps the page that is open while that is wanted, and again after each edit what it can have changed. */
export function useSweeping(site: SiteFrame | undefined, page: Page | undefined): void {
  const dispatch = useAppDispatch();
  const wanted = useAppSelector((state) => state.findings.sweeping);
  const sweeper = useRef<Sweeper | null>(null);
  const first = useRef(true);
  const shown = useRef<NodeId | undefined>(undefined);
  useEffect(() => {
    shown.current = page?.id;
  }, [page]);
  useEffect(
    () => () => {
      sweeper.current?.close();
      sweeper.current = null;
    },
    [],
  );
  useEffect(() => {
    if (!site || !page) return;
    if (!wanted) {
      first.current = true;
      sweeper.current?.stop();
      return;
    }
    // Whoever asks for it does not wait; an edit is hardly ever the last one.
    const wait = setTimeout(
      () => {
        sweeper.current ??= new Sweeper((of, news) => {
          // Another page may have been opened meanwhile.
          if (of.id === shown.current) dispatch(sweepNews(news));
        });
        sweeper.current.sweep(site, page);
      },
      first.current ? 0 : STILL,
    );
    first.current = false;
    return () => clearTimeout(wait);
  }, [wanted, site, page, dispatch]);
  // What was measured of another state of the page is no finding of this one.
  const seen = useRef<[SiteFrame | undefined, Page | undefined]>([undefined, undefined]);
  useEffect(() => {
    const [siteBefore, pageBefore] = seen.current;
    if (!wanted && (siteBefore !== site || pageBefore !== page)) dispatch(sweepForgotten());
    seen.current = [site, page];
  }, [wanted, site, page, dispatch]);
}
