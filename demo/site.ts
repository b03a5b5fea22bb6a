import { readFile } from 'node:fs/promises';
import { canonicalSite, siteFrom, type ReadSite, type SiteFile } from '../core/index.ts';

/** The demo site without its files. It is changed in the program and written back with `npm run demo -- EXPORTED.json`. */
const written = async (): Promise<Omit<SiteFile, 'files'>> =>
  JSON.parse(await readFile(new URL('./brindle-hill.json', import.meta.url), 'utf8')) as SiteFile;

/** Every page, in the order of the site; the comet's has no overrides yet, to be practised on. */
export const DEMO_PAGES: readonly string[] = (await written()).pages.map(({ id }) => id);

interface MenuLink {
  link: string;
}

/** Some of the pages, and a menu without the others. */
function withPages(site: Omit<SiteFile, 'files'>, ids: readonly string[]): Omit<SiteFile, 'files'> {
  const missing = site.pages.flatMap(({ id }) => (ids.includes(id) ? [] : `page:${id}`));
  for (const { kind, content } of Object.values(site.shared?.head?.nodes ?? {}))
    if (kind === 'navigation')
      content.links = (content.links as MenuLink[]).filter(({ link }) => !missing.includes(link));
  return { ...site, pages: site.pages.filter(({ id }) => ids.includes(id)) };
}

/** The demo site: Brindle Hill Observatory, with its images; all of its pages, or some of them. */
export async function demoSite(only: readonly string[] = DEMO_PAGES): Promise<ReadSite> {
  const site = withPages(await written(), only);
  const files: Record<string, string> = {};
  for (const { id, type } of site.assets) {
    const file = `./pictures/${id}.${type === 'video/webm' ? 'webm' : 'webp'}`;
    files[id] = (await readFile(new URL(file, import.meta.url))).toString('base64');
  }
  return { site: canonicalSite(siteFrom(site)), files };
}
