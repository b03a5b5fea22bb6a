import { fingerprint } from '../fingerprint.ts';
import { escapeAttribute } from '../markup/fragment.ts';
import type { SiteFrame } from '../site/site.ts';

/** A site's sign in the browser's tab: two of its colours, without letters, which every machine would draw in another font. */
export function siteIcon({ colours }: SiteFrame): { path: string; text: string } {
  const [ground, sign] = [colours[0]?.value ?? 'black', colours[1]?.value ?? 'white'].map(escapeAttribute);
  const text = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 32 32"><rect width="32" height="32" rx="7" fill="${ground}"/><path d="M7 22a9 9 0 0 1 18 0z" fill="${sign}"/></svg>\n`;
  return { path: `assets/icon-${fingerprint(text)}.svg`, text };
}
