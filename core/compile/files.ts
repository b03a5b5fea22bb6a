import type { Asset } from '../theme/stock.ts';
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import type { Family, FontFile } from '../theme/families.ts';
import { directionOf } from '../markup/direction.ts';
import { element, print } from '../markup/markup.ts';
import { pagesOf, headOf, type Page, type PageHead, type Site, type SiteFrame } from '../site/site.ts';
import { bodyMarkup, type Addresses } from './body.ts';
import { openingFonts } from './opening.ts';
import { pageRules } from './rules.ts';
import { familiesIn, printFontFaces, printRules } from './stylesheet.ts';

/** A file of a published site. Text is given whole; pictures and fonts are named for the caller to supply their bytes. */
export type PublishedFile = { path: string; type: string } & (
  { text: string } | { asset: Asset } | { font: { family: Family; file: FontFile } }
);

/** A pledge that a name changes with the content: the first characters of its SHA-256. */
const fingerprint = (text: string): string => bytesToHex(sha256(utf8ToBytes(text))).slice(0, 10);

const EXTENSIONS: Record<Asset['type'], string> = {
  'image/webp': 'webp',
  'image/png': 'png',
  'image/jpeg': 'jpg',
  'image/avif': 'avif',
  'video/webm': 'webm',
  'video/mp4': 'mp4',
};

const mediaPath = (asset: Asset): string =>
  `assets/${asset.id}-${asset.hash.slice(0, 10)}.${EXTENSIONS[asset.type]}`;
const fontPath = (file: FontFile): string => `assets/fonts/${file.publishedAs}`;

export const pagePath = (page: Pick<PageHead, 'slug'>): string =>
  page.slug === '' ? 'index.html' : `${page.slug}/index.html`;

/** The addresses that a page of the published site uses: all relative, so that the site can be served from any folder. */
function relativeAddresses(site: SiteFrame, head: PageHead): Addresses {
  const up = head.slug === '' ? '' : '../';
  const pictures = new Map(site.assets.map((asset) => [asset.id, mediaPath(asset)]));
  return {
    page: (id) => {
      const target = site.pages.find((candidate) => candidate.id === id);
      return target && (`${up}${target.slug === '' ? '' : `${target.slug}/`}` || './');
    },
    picture: (id) => `${up}${pictures.get(id) ?? ''}`,
  };
}

/** The title in the browser's tab. */
export const documentTitle = (siteName: string, page: Pick<PageHead, 'title'>): string =>
  page.title === siteName ? siteName : `${page.title} · ${siteName}`;

function compilePage(
  site: SiteFrame,
  page: Page,
): { files: PublishedFile[]; families: Family[]; pictures: string[] } {
  const pictures = new Set<string>();
  const head = headOf(site, page.id);
  const addresses = relativeAddresses(site, head);
  const named = (id: string) => {
    pictures.add(id);
    return addresses.picture(id);
  };
  // As the style sheet, which lies among the pictures, sees them.
  const rules = pageRules(site, page, (id) => named(id).replace(/^.*\//, ''));
  const families = familiesIn(rules, site);
  const css = `${printFontFaces(families, (_family, file) => `fonts/${file.publishedAs}`)}\n${printRules(rules)}\n`;
  const cssPath = `assets/${head.slug || 'index'}-${fingerprint(css)}.css`;
  const up = head.slug === '' ? '' : '../';
  const body = bodyMarkup(site, page, { ...addresses, picture: named });
  const documentHead = element(
    'head',
    {},
    element('meta', { charset: 'utf-8' }),
    element('meta', { name: 'viewport', content: 'width=device-width, initial-scale=1' }),
    element('title', {}, documentTitle(site.name, head)),
    ...(head.description ? [element('meta', { name: 'description', content: head.description })] : []),
    element('link', { rel: 'stylesheet', href: `${up}${cssPath}` }),
    ...openingFonts(site, page).map((file) =>
      element('link', {
        rel: 'preload',
        as: 'font',
        type: 'font/woff2',
        // Fonts are fetched without credentials; what is fetched otherwise would be fetched twice (HTML Standard, §4.6.7.7).
        crossorigin: '',
        href: `${up}${fontPath(file)}`,
      }),
    ),
  );
  const dir = directionOf(site.lang) === 'rtl' ? 'rtl' : undefined;
  const html = `<!DOCTYPE html>\n${print(element('html', { lang: site.lang, dir }, documentHead, body))}\n`;
  return {
    files: [
      { path: pagePath(head), type: 'text/html; charset=utf-8', text: html },
      { path: cssPath, type: 'text/css; charset=utf-8', text: css },
    ],
    families,
    pictures: [...pictures],
  };
}

/** Compiles a valid site to the files of its publication: pages, style sheets, the pictures and the fonts they use. */
export function compileSite(site: Site): PublishedFile[] {
  const files: PublishedFile[] = [];
  const families = new Set<Family>();
  const pictures = new Set<string>();
  for (const page of pagesOf(site)) {
    const compiled = compilePage(site.frame, page);
    files.push(...compiled.files);
    compiled.families.forEach((family) => families.add(family));
    compiled.pictures.forEach((id) => pictures.add(id));
  }
  for (const asset of site.frame.assets) {
    if (pictures.has(asset.id)) files.push({ path: mediaPath(asset), type: asset.type, asset });
  }
  for (const family of families) {
    for (const file of family.files)
      files.push({ path: fontPath(file), type: 'font/woff2', font: { family, file } });
  }
  return files;
}
