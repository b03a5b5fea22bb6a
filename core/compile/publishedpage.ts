import { sure } from '../sure.ts';
import equal from 'fast-deep-equal/es6';
import type { MessageForm } from '../elements/content/message.ts';
import type { Asset } from '../theme/resources.ts';
import { fingerprint } from '../fingerprint.ts';
import { memoised } from '../memo.ts';
import type { Family } from '../theme/families.ts';
import { directionOf } from '../markup/direction.ts';
import { element, print } from '../markup/markup.ts';
import { isClosed, pageFor, type Visitor } from '../site/audience.ts';
import { headOf, type Page, type PageHead, type SiteFrame } from '../site/site.ts';
import { linkedPlaces } from '../values/links.ts';
import type { Addresses } from './addresses.ts';
import { bodyMarkup } from './body.ts';
import { atEdges } from './edges.ts';
import { browserBar } from './browserbar.ts';
import { addressOf } from './searchmetadata.ts';
import { openingFonts } from './opening.ts';
import { isItself, isMadeSmaller, type ImageForm } from './images.ts';
import { pageRules } from './rules.ts';
import { sharingHead } from './sharing.ts';
import { iconLinks } from './siteicon.ts';
import { familiesIn, printFontFaces, printKeyframes, printRules } from './stylesheet.ts';

import {
  documentTitle,
  fontPath,
  messagePath,
  madePath,
  mediaPath,
  pagePath,
  PATHS,
  SIGN,
  type PublishedFile,
} from './publishedpaths.ts';

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
/** The images to be made, by where they go. */
export type Made = Map<string, { asset: Asset; form: ImageForm }>;

/** Where a site is published. */
export interface PublishedAt {
  /** Its whole address, which ends with a slash; absent: it may be anywhere. */
  address?: string;
  /** It knows no visitors: what is for some of them only is left out, but what is for those who have not signed in. */
  still?: true;
}

/** px; the width in which an image is given to those who share a page (common practice). */
const SHARED_WIDTH = 1280;

export type Places = ReturnType<typeof linkedPlaces>;

export interface CompiledPage {
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
export function compilePage(
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
  if (known.size > FORMS) known.delete(sure(known.keys().next().value));
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
  const formed = (asset: Asset, form: ImageForm): string => {
    if (isItself(asset, form)) pictures.add(asset.id);
    else made.set(madePath(asset, form), { asset, form });
    return sure(sure(addresses.made, 'made')(asset, form));
  };
  // As the style sheet, which lies among the images, sees them.
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
  const formMessage = (form: MessageForm): string => {
    const text = JSON.stringify(form);
    const name = `${form.id}-${fingerprint(text)}`;
    letters.set(messagePath(name), text);
    return name;
  };
  const own = {
    ...addresses,
    picture: named,
    made: formed,
    formMessage: still ? undefined : formMessage,
    file,
  };
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
