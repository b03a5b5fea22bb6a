import type { Asset } from '../theme/resources.ts';
import { fingerprint } from '../fingerprint.ts';
import { memoised } from '../memo.ts';
import type { Family, FontFile } from '../theme/families.ts';
import { type PageHead } from '../site/site.ts';
import { imageKey, type ImageForm } from './images.ts';
import { type ImagePaths } from './siteicon.ts';

/** A file of a published site. Text is given whole, with where the page is now that stood there;  images and fonts are named for the caller to supply their bytes. */
export type PublishedFile = { path: string; type: string; audience?: 'signed-in' } & (
  | { text: string; movedTo?: string }
  | { asset: Asset }
  | { made: { asset: Asset; form: ImageForm } }
  | { font: { family: Family; file: FontFile } }
);

const EXTENSIONS: Record<Asset['type'], string> = {
  'image/webp': 'webp',
  'image/png': 'png',
  'image/jpeg': 'jpg',
  'image/avif': 'avif',
  'image/gif': 'gif',
  'image/svg+xml': 'svg',
  'video/webm': 'webm',
  'video/mp4': 'mp4',
  'application/pdf': 'pdf',
  'text/vtt': 'vtt',
};

/** Where a file of the shelf is published. */
export const mediaPath = (asset: Asset): string =>
  `assets/${asset.id}-${asset.hash.slice(0, 10)}.${EXTENSIONS[asset.type]}`;
/** The fingerprints of the forms of an image by their keys: pages name the same form often. */
const fingerprintsOf = memoised((_asset: Asset) => new Map<string, string>());

/** Where an image that is made of another is published, relative to the site. */
export function madePath(asset: Asset, form: ImageForm): string {
  const known = fingerprintsOf(asset);
  const key = imageKey(asset, form);
  let made = known.get(key);
  if (made === undefined) known.set(key, (made = fingerprint(key)));
  return `assets/${asset.id}-${form.width}-${made}.${EXTENSIONS[form.type]}`;
}

export const PATHS: ImagePaths = { picture: mediaPath, made: madePath };

/** Where a font file is published. */
export const fontPath = (file: FontFile): string => `assets/fonts/${file.publishedAs}`;

/** Where a page is published; the home page at the root. */
export const pagePath = (page: Pick<PageHead, 'slug'>): string =>
  page.slug === '' ? 'index.html' : `${page.slug}/index.html`;

/** The folders below a site where its host lets visitors sign in and out. */
export const SIGN = { in: 'sign-in', out: 'sign-out' } as const;

/** Where the host finds what stands at a path for visitors who have signed in, where that is something else. */
export const signedInPath = (path: string): string => `signed-in:${path}`;

/** Where the host finds what a form asks, by the name that the page says. */
export const messagePath = (name: string): string => `letters/${name}.json`;
/** The title in the browser's tab. */
export const documentTitle = (siteName: string, page: Pick<PageHead, 'title'>): string =>
  page.title === siteName ? siteName : `${page.title} · ${siteName}`;
