import { createHash } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { canonicalSite, sharedOf, siteFrom, type Asset, type ReadSite } from '../core/index.ts';
import { frame } from './frame.ts';
import { hire } from './hire.ts';
import { home } from './home.ts';
import { siteFoot, siteHead } from './parts.ts';
import { findUs, visits } from './visits.ts';

/** The pictures that `draw.ts` makes: id, name on screen, width and height in px. */
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

/** The film that `scripts/film.ts` records. */
const FILMS: typeof PICTURES = [['turning-sky', 'Turning sky', 640, 360]];

/** The demo site: Brindle Hill Observatory, with its pictures. */
export async function demoSite(): Promise<ReadSite> {
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
  const shared = { head: sharedOf('head', siteHead()), foot: sharedOf('foot', siteFoot()) };
  const written = { ...frame(assets), shared, pages: [home, visits, hire, findUs] };
  return { site: canonicalSite(siteFrom(written)), files };
}
