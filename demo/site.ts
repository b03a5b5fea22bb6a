import { createHash } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { canonicalSite, sharedOf, siteFrom, type Asset, type ReadSite } from '../core/index.ts';
import { frame } from './frame.ts';
import { hire } from './hire.ts';
import { comet, journal, shutter } from './journal.ts';
import { home } from './home.ts';
import { siteFoot, siteHead } from './parts.ts';
import { tonight } from './tonight.ts';
import { findUs, visits } from './visits.ts';

/** The images that `draw.ts` makes: id, name on screen, width and height in px. */
const PICTURES: [string, string, number, number][] = [
  ['dome-at-dusk', 'Dome at dusk', 1400, 1200],
  ['dome-close', 'Dome, close', 1080, 810],
  ['milky-way', 'Milky Way', 1400, 1050],
  ['telescope', 'Telescope', 1400, 1050],
  ['star-chart', 'Star chart', 1400, 1050],
  ['moon-phases', 'Moon phases', 2000, 240],
  ['saturn', 'Saturn', 900, 600],
  ['crescent', 'Crescent', 900, 600],
  ['cluster', 'Cluster', 900, 600],
];

/** The video that `scripts/video.ts` records. */
const FILMS: typeof PICTURES = [['turning-sky', 'Turning sky', 640, 360]];

/** Every page, in the order of the site; the comet's is left unrepaired, to be practised on. */
const PAGES = [home, tonight, visits, hire, journal, shutter, comet, findUs];

export const DEMO_PAGES: readonly string[] = PAGES.map(({ id }) => id);

/** The demo site: Brindle Hill Observatory, with its images; all of its pages, or some of them. */
export async function demoSite(only?: readonly string[]): Promise<ReadSite> {
  const pages = PAGES.filter(({ id }) => !only || only.includes(id));
  const ids = pages.map(({ id }) => id as string);
  const files: Record<string, string> = {};
  const assets: Asset[] = [];
  for (const [id, name, width, height] of [...PICTURES, ...FILMS]) {
    const film = FILMS.some(([each]) => each === id);
    const bytes = await readFile(new URL(`./pictures/${id}.${film ? 'webm' : 'webp'}`, import.meta.url));
    files[id] = bytes.toString('base64');
    assets.push({
      id,
      name,
      type: film ? 'video/webm' : 'image/webp',
      width,
      height,
      hash: createHash('sha256').update(bytes).digest('hex'),
    });
  }
  const shared = { head: sharedOf('head', siteHead(ids)), foot: sharedOf('foot', siteFoot()) };
  const written = { ...frame(assets), shared, pages };
  return { site: canonicalSite(siteFrom(written)), files };
}
