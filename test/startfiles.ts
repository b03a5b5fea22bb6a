import { readFileSync } from 'node:fs';
import { lookup, LOOK_PICTURES, sure } from '../core/index.ts';

/** The bytes of the images that a new site begins with in a look, as a site file has them. */
export const startFiles = (look: string): Record<string, string> =>
  Object.fromEntries(
    sure(lookup(LOOK_PICTURES, look)).map(({ id }) => [
      id,
      readFileSync(new URL(`../web/public/starts/${id}.webp`, import.meta.url)).toString('base64'),
    ]),
  );
