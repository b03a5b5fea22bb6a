import type { Finding, Page, SiteFrame } from '../../core/index.ts';

/** What sweeps of whole pages found in this window. The model is never changed in place, so the same object is the same page. */
const swept = new WeakMap<Page, { site: SiteFrame; found: readonly Finding[] }>();

export function rememberSweep(site: SiteFrame, page: Page, found: readonly Finding[]): void {
  swept.set(page, { site, found });
}

/** What a sweep found on a page; undefined if the page, or what it shares with others, was not swept as it is now. */
export function rememberedSweep(site: SiteFrame, page: Page): readonly Finding[] | undefined {
  const known = swept.get(page);
  return known?.site === site ? known.found : undefined;
}
