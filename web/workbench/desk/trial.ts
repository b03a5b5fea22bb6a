import { useMemo } from 'react';
import type { Page, SiteFrame } from '../../../core/index.ts';
import { useAppSelector } from '../../state/store.ts';
import { tryOut } from '../../state/trial.ts';

/** The site and the page as they would be with what is being tried; as they are where nothing is, or where it cannot be done. */
export function useTrial(site: SiteFrame, page: Page): { site: SiteFrame; page: Page } {
  const trial = useAppSelector((state) => state.desk.trial);
  return useMemo(() => {
    const tried = trial && tryOut(site, page, trial);
    return tried?.ok ? tried.value : { site, page };
  }, [site, page, trial]);
}
