import type { Family } from '../theme/families.ts';
import { element, print } from '../markup/markup.ts';
import { hasAudiences } from '../site/audience.ts';
import { composed } from '../site/shared.ts';
import { MESSAGES_PATH, hostMessages } from '../site/systemmessages.ts';
import { pagesOf, type Page, type PageHead, type Site, type SiteFrame } from '../site/site.ts';
import { linkedPlaces } from '../values/links.ts';
import { robots, sitemap } from './searchmetadata.ts';
import { iconFiles } from './siteicon.ts';

import { compilePage, type Made, type PublishedAt } from './publishedpage.ts';
import {
  documentTitle,
  fontPath,
  madePath,
  mediaPath,
  PATHS,
  signedInPath,
  type PublishedFile,
} from './publishedpaths.ts';

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

/** Compiles a valid site to the files of its publication: pages, style sheets, the images and the fonts they use. */
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
  const hostMessagesNow = at.still ? undefined : hostMessages(site.frame);
  if (hostMessagesNow)
    files.push({ path: MESSAGES_PATH, type: 'application/json', text: JSON.stringify(hostMessagesNow) });
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
