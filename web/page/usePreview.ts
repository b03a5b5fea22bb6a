import { useMemo } from 'react';
import { composed, preview, type Page, type Preview, type SiteFrame } from '../../core/index.ts';
import { sheetAddresses } from './addresses.ts';

/** A page compiled to look at. */
export const usePreviewOf = (site: SiteFrame, page: Page): Preview =>
  useMemo(() => preview(site, composed(site, page), sheetAddresses(site)), [site, page]);
