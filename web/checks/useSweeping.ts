import { useEffect, useRef } from 'react';
import { withDismissal, type NodeId, type Page, type SiteFrame } from '../../core/index.ts';
import { sweepAged, sweepNews } from '../state/findings.ts';
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
  // What was measured of another state of the page may not hold any more; what it was about may be gone.
  const measured = useAppSelector((state) => state.findings.measured);
  const before = useRef({ site, page });
  useEffect(() => {
    const { site: siteBefore, page: pageBefore } = before.current;
    before.current = { site, page };
    const changed = siteBefore !== site || pageBefore !== page;
    if (!site || !page || !changed || wanted || measured.length === 0 || pageBefore?.id !== page.id) return;
    const left = measured.filter(({ of }) => 'textStyle' in of || page.nodes[of.node]);
    dispatch(sweepAged(left.map((finding) => withDismissal(site, page, finding))));
  }, [wanted, site, page, measured, dispatch]);
}
