/**
 * Draws the images that new sites begin with, three for each look in its own colours: `npm run pictures`. Like those of the demo they are
 * vectors made from seeded random numbers, turned into WebP files; what the shelf says of them is written to core/starts/pictures.ts.
 */
import { createHash } from 'node:crypto';
import { mkdir, rm, writeFile } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import sharp from 'sharp';
import { format, resolveConfig } from 'prettier';
import { sure } from '../core/index.ts';
import { LOOKS } from '../core/starts/looks.ts';
import { almanac } from './looks/almanac.ts';
import { broadsheet } from './looks/broadsheet.ts';
import { kiln } from './looks/kiln.ts';
import { lantern } from './looks/lantern.ts';
import { loom } from './looks/loom.ts';
import { orchard } from './looks/orchard.ts';
import { quarry } from './looks/quarry.ts';
import { seaside } from './looks/seaside.ts';

const FOLDER = new URL('../web/public/starts/', import.meta.url);
const TABLE = new URL('../core/starts/pictures.ts', import.meta.url);

/** Three drawings a look: one to open with, two for what follows. */
const DRAWINGS = new Map(
  Object.entries({ quarry, orchard, broadsheet, kiln, lantern, seaside, loom, almanac }),
);

await rm(FOLDER, { recursive: true, force: true });
await mkdir(FOLDER, { recursive: true });
const table: Record<string, object[]> = {};
for (const { id, colours } of LOOKS) {
  table[id] = [];
  for (const [index, { name, alt, width, height, draw }] of sure(DRAWINGS.get(id)).entries()) {
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">${draw({ w: width, h: height }, colours)}</svg>`;
    const bytes = await sharp(Buffer.from(svg)).webp({ quality: 82 }).toBuffer();
    const { channels } = await sharp(bytes).stats();
    const colour = `#${channels
      .slice(0, 3)
      .map(({ mean }) => Math.round(mean).toString(16).padStart(2, '0'))
      .join('')}`;
    const hash = createHash('sha256').update(bytes).digest('hex');
    const file = `${id}-${index + 1}`;
    await writeFile(fileURLToPath(new URL(`${file}.webp`, FOLDER)), bytes);
    table[id].push({ id: file, name, type: 'image/webp', width, height, hash, alt, colour });
  }
}
const text = `/** Written by \`npm run pictures\` (scripts/drawlooks.ts): the images that a new site begins with, by its look. */
import type { MediaAsset } from '../theme/resources.ts';

export const LOOK_PICTURES: Readonly<Record<string, readonly MediaAsset[]>> = ${JSON.stringify(table)};
`;
const tablePath = fileURLToPath(TABLE);
await writeFile(tablePath, await format(text, { ...(await resolveConfig(tablePath)), filepath: tablePath }));
console.log(`${Object.values(table).flat().length} images`);
