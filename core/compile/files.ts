import equal from 'fast-deep-equal/es6';
import type { LetterForm } from '../elements/content/letter.ts';
import type { Asset } from '../theme/stock.ts';
import { fingerprint } from '../fingerprint.ts';
import { memoised } from '../memo.ts';
import type { Family, FontFile } from '../theme/families.ts';
import { directionOf } from '../markup/direction.ts';
import { element, print } from '../markup/markup.ts';
import { hasAudiences, isClosed, pageFor, type Visitor } from '../site/audience.ts';
import { composed } from '../site/shared.ts';
import { SAID_PATH, saidByHost } from '../site/visitorwords.ts';
import { pagesOf, headOf, type Page, type PageHead, type Site, type SiteFrame } from '../site/site.ts';
import { linkedPlaces } from '../values/links.ts';
import type { Addresses } from './addresses.ts';
import { bodyMarkup } from './body.ts';
import { atEdges } from './edges.ts';
import { browserBar } from './browserbar.ts';
import { addressOf, robots, sitemap } from './forsearch.ts';
import { openingFonts } from './opening.ts';
import { isItself, isMadeSmaller, pictureKey, type PictureForm } from './pictures.ts';
import { pageRules } from './rules.ts';
import { sharingHead } from './sharing.ts';
import { iconFiles, iconLinks, type PicturePaths } from './siteicon.ts';
import { familiesIn, printFontFaces, printKeyframes, printRules } from './stylesheet.ts';

/** A file of a published site. Text is given whole, with where the page is now that stood there;  pictures and fonts are named for the caller to supply their bytes. */
export type PublishedFile = { path: string; type: string; audience?: 'signed-in' } & (
  | { text: string; movedTo?: string }
  | { asset: Asset }
  | { made: { asset: Asset; form: PictureForm } }
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

const mediaPath = (asset: Asset): string =>
  `assets/${asset.id}-${asset.hash.slice(0, 10)}.${EXTENSIONS[asset.type]}`;
/** The fingerprints of the forms of a picture by their keys: pages name the same form often. */
const fingerprintsOf = memoised((_asset: Asset) => new Map<string, string>());

function madePath(asset: Asset, form: PictureForm): string {
  const known = fingerprintsOf(asset);
  const key = pictureKey(asset, form);
  let made = known.get(key);
  if (made === undefined) known.set(key, (made = fingerprint(key)));
  return `assets/${asset.id}-${form.width}-${made}.${EXTENSIONS[form.type]}`;
}

const PATHS: PicturePaths = { picture: mediaPath, made: madePath };

const fontPath = (file: FontFile): string => `assets/fonts/${file.publishedAs}`;

export const pagePath = (page: Pick<PageHead, 'slug'>): string =>
  page.slug === '' ? 'index.html' : `${page.slug}/index.html`;

/** The folders below a site where its host lets visitors sign in and out. */
export const SIGN = { in: 'sign-in', out: 'sign-out' } as const;

/** Where the host finds what stands at a path for visitors who have signed in, where that is something else. */
export const signedInPath = (path: string): string => `signed-in:${path}`;

/** Where the host finds what a form asks, by the name that the page says. */
export const letterPath = (name: string): string => `letters/${name}.json`;

/** The addresses that a page of the published site uses, as seen from `up`, which leads to the site. */
function addressesFrom(site: SiteFrame, up: string, places: Places, still?: true): Addresses {
  const pictures = new Map(site.assets.map((asset) => [asset.id, mediaPath(asset)]));
  return {
    page: (id, place) => {
      const target = site.pages.find((candidate) => candidate.id === id);
      if (!target) return undefined;
      const address = `${up}${target.slug === '' ? '' : `${target.slug}/`}` || './';
      return place !== undefined && places.get(id)?.has(place) ? `${address}#${place}` : address;
    },
    visitor: still ? undefined : (way) => `${up}${SIGN[way]}/`,
    places: (page) => places.get(page),
    picture: (id) => `${up}${pictures.get(id) ?? ''}`,
    made: (asset, form) => `${up}${isItself(asset, form) ? mediaPath(asset) : madePath(asset, form)}`,
  };
}

/** The title in the browser's tab. */
export const documentTitle = (siteName: string, page: Pick<PageHead, 'title'>): string =>
  page.title === siteName ? siteName : `${page.title} · ${siteName}`;

/** The pictures to be made, by where they go. */
type Made = Map<string, { asset: Asset; form: PictureForm }>;

/** Where a site is published. */
export interface PublishedAt {
  /** Its whole address, which ends with a slash; absent: it may be anywhere. */
  address?: string;
  /** It knows no visitors: what is for some of them only is left out, but what is for those who have not signed in. */
  still?: true;
}

/** px; the width in which a picture is given to those who share a page (common practice). */
const SHARED_WIDTH = 1280;

type Places = ReturnType<typeof linkedPlaces>;

interface CompiledPage {
  files: PublishedFile[];
  families: Family[];
  pictures: string[];
  made: Made;
}

/** What pages were compiled to, by who gets them and where; the last few of each. */
const compiledOf = memoised(
  (_page: Page) => new Map<string, { site: SiteFrame; places: Places; compiled: CompiledPage }>(),
);
/** For everyone and for those who have signed in, at a site's own address and as a preview. */
const FORMS = 4;

/** A page compiled, or what it was compiled to before, where nothing it is made from is another since. */
function compilePage(
  site: SiteFrame,
  whole: Page,
  visitor: Visitor,
  at: PublishedAt & { places: Places },
  as?: { path: string; up: string },
): CompiledPage {
  const known = compiledOf(whole);
  const form = JSON.stringify([visitor, at.address, at.still, as]);
  const before = known.get(form);
  if (before?.site === site && equal(before.places, at.places)) return before.compiled;
  const compiled = compilePageAnew(site, whole, visitor, at, as);
  known.set(form, { site, places: at.places, compiled });
  if (known.size > FORMS) known.delete(known.keys().next().value!);
  return compiled;
}

/** `up`: how the page leads to the site; absent: by its own place. */
function compilePageAnew(
  site: SiteFrame,
  whole: Page,
  visitor: Visitor,
  { address = '', places, still }: PublishedAt & { places: Places },
  as?: { path: string; up: string },
): CompiledPage {
  const pictures = new Set<string>();
  const made: Made = new Map();
  const letters = new Map<string, string>();
  const page = pageFor(whole, visitor);
  // What is not for who gets it says nothing of what is on it.
  const closed = isClosed(page, visitor);
  const known = headOf(site, page.id);
  const head: PageHead = closed ? { ...known, description: '', picture: undefined } : known;
  const up = as?.up ?? (head.slug === '' ? '' : '../');
  const addresses = addressesFrom(site, up, places, still);
  const named = (id: string) => {
    pictures.add(id);
    return addresses.picture(id);
  };
  const formed = (asset: Asset, form: PictureForm): string => {
    if (isItself(asset, form)) pictures.add(asset.id);
    else made.set(madePath(asset, form), { asset, form });
    return addresses.made!(asset, form)!;
  };
  // As the style sheet, which lies among the pictures, sees them.
  const beside = (path: string) => path.replace(/^.*\//, '');
  const rules = pageRules(
    site,
    page,
    {
      picture: (id) => beside(named(id)),
      made: (asset, form) => beside(formed(asset, form)),
    },
    visitor,
  );
  const families = familiesIn(rules, site);
  const css = `${printFontFaces(families, (_family, file) => `fonts/${file.publishedAs}`)}\n${printRules(rules)}\n${printKeyframes(page)}`;
  const cssPath = `assets/${head.slug || 'index'}-${fingerprint(css)}.css`;
  const file = (id: string) => (site.assets.some((asset) => asset.id === id) ? named(id) : undefined);
  const letter = (form: LetterForm): string => {
    const text = JSON.stringify(form);
    const name = `${form.id}-${fingerprint(text)}`;
    letters.set(letterPath(name), text);
    return name;
  };
  const own = { ...addresses, picture: named, made: formed, letter: still ? undefined : letter, file };
  const body = bodyMarkup(site, page, own, visitor);
  // Who is told of a page from elsewhere needs the whole address, where that is known.
  const pictureAt = (asset: Asset): string => {
    const path = isMadeSmaller(asset)
      ? formed(asset, { type: 'image/webp', width: Math.min(SHARED_WIDTH, asset.width) })
      : named(asset.id);
    return address ? new URL(path.slice(up.length), address).href : path;
  };
  const documentHead = element(
    'head',
    {},
    element('meta', { charset: 'utf-8' }),
    element('meta', {
      name: 'viewport',
      content: `width=device-width, initial-scale=1${atEdges(page).length > 0 ? ', viewport-fit=cover' : ''}`,
    }),
    element('title', {}, documentTitle(site.name, head)),
    ...browserBar(site, page),
    ...(head.description ? [element('meta', { name: 'description', content: head.description })] : []),
    ...(head.missing || closed ? [element('meta', { name: 'robots', content: 'noindex' })] : []),
    ...(address && !head.missing
      ? [element('link', { rel: 'canonical', href: addressOf(address, head) })]
      : []),
    ...sharingHead(site, page, head, pictureAt, address),
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
    ...iconLinks(site, up, PATHS),
  );
  const lang = head.lang ?? site.lang;
  const dir = directionOf(lang) === 'rtl' ? 'rtl' : undefined;
  const html = `<!DOCTYPE html>\n${print(element('html', { lang, dir }, documentHead, body))}\n`;
  return {
    files: [
      { path: as?.path ?? pagePath(head), type: 'text/html; charset=utf-8', text: html },
      { path: cssPath, type: 'text/css; charset=utf-8', text: css },
      ...[...letters].map(([path, text]) => ({ path, type: 'application/json', text })),
    ],
    families,
    pictures: [...pictures],
    made,
  };
}

/** What stands at an address that a page had before: it leads on to the page, also where a host knows nothing of it. */
function movedFile(site: SiteFrame, slug: string, head: PageHead): PublishedFile {
  const to = `../${head.slug === '' ? '' : `${head.slug}/`}`;
  const html = element(
    'html',
    { lang: head.lang ?? site.lang },
    element(
      'head',
      {},
      element('meta', { charset: 'utf-8' }),
      element('title', {}, documentTitle(site.name, head)),
      element('meta', { name: 'robots', content: 'noindex' }),
      element('link', { rel: 'canonical', href: to }),
      element('meta', { 'http-equiv': 'refresh', content: `0; url=${to}` }),
    ),
    element('body', {}, element('a', { href: to }, head.title)),
  );
  return {
    path: `${slug}/index.html`,
    type: 'text/html; charset=utf-8',
    text: `<!DOCTYPE html>\n${print(html)}\n`,
    movedTo: head.slug === '' ? '' : `${head.slug}/`,
  };
}

/** The addresses that pages had before and that no page has now. */
function movedFiles(site: SiteFrame): PublishedFile[] {
  const taken = new Set(site.pages.map(({ slug }) => slug));
  return site.pages.flatMap((head) =>
    (head.earlier ?? []).filter((slug) => !taken.has(slug)).map((slug) => movedFile(site, slug, head)),
  );
}

/** The name under which hosts look for what they show where there is no page (common practice). */
export const MISSING_PATH = '404.html';

/** Compiles a valid site to the files of its publication: pages, style sheets, the pictures and the fonts they use. */
export function compileSite(site: Site, at: PublishedAt = {}): PublishedFile[] {
  const files: PublishedFile[] = [];
  const families = new Set<Family>();
  const missing = site.frame.pages.find((head) => head.missing);
  // It is shown at any address: what it refers to is named from the root of the site.
  const up = at.address ? new URL(at.address).pathname : '/';
  const all = { ...at, places: linkedPlaces(site) };
  const wholes = pagesOf(site).map((page) => composed(site.frame, page));
  const compilePublic = (page: Page, as?: { path: string; up: string }) =>
    compilePage(site.frame, page, 'signed-out', all, as);
  const everyones = [
    ...wholes.map((page) => compilePublic(page)),
    ...(missing
      ? [
          compilePublic(composed(site.frame, site.pages[missing.id]), {
            path: MISSING_PATH,
            up,
          }),
        ]
      : []),
  ];
  // What is for those who have signed in is sent to nobody else: neither pages nor what only these refer to.
  const members = at.still
    ? []
    : wholes.filter(hasAudiences).map((page) => compilePage(site.frame, page, 'signed-in', all));
  const collected = (compiled: typeof everyones) => {
    const pictures = new Set<string>();
    const made: Made = new Map();
    for (const each of compiled) {
      each.families.forEach((family) => families.add(family));
      each.pictures.forEach((id) => pictures.add(id));
      each.made.forEach((one, path) => made.set(path, one));
    }
    return [
      ...compiled.flatMap((each) => each.files),
      ...site.frame.assets
        .filter(({ id }) => pictures.has(id))
        .map((asset): PublishedFile => ({ path: mediaPath(asset), type: asset.type, asset })),
      ...[...made].map(([path, each]): PublishedFile => ({ path, type: each.form.type, made: each })),
    ];
  };
  files.push(...collected(everyones));
  const known = new Set(files.map(({ path }) => path));
  for (const file of collected(members)) {
    const page = 'text' in file && file.type.startsWith('text/html');
    if (page || !known.has(file.path))
      files.push({ ...file, path: page ? signedInPath(file.path) : file.path, audience: 'signed-in' });
  }
  files.push(...movedFiles(site.frame));
  const icon = iconFiles(site, PATHS);
  files.push(
    ...icon.texts,
    ...icon.pictures
      .map((asset): PublishedFile => ({ path: mediaPath(asset), type: asset.type, asset }))
      .filter(({ path }) => !known.has(path)),
    ...icon.made.map((made): PublishedFile => ({
      ...{ path: madePath(made.asset, made.form), type: made.form.type, made },
    })),
  );
  // Where no host says anything, it needs no words.
  const said = at.still ? undefined : saidByHost(site.frame);
  if (said) files.push({ path: SAID_PATH, type: 'application/json', text: JSON.stringify(said) });
  files.push({ path: 'robots.txt', type: 'text/plain; charset=utf-8', text: robots(at.address) });
  if (at.address) {
    const text = sitemap(site, at.address);
    files.push({ path: 'sitemap.xml', type: 'application/xml; charset=utf-8', text });
  }
  for (const family of families) {
    for (const file of family.files)
      files.push({ path: fontPath(file), type: 'font/woff2', font: { family, file } });
  }
  return files;
}
