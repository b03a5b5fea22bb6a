/** Writes the site file's JSON Schema to docs/: `npm run schema`. */
import { writeFile } from 'node:fs/promises';
import { SiteFileSchema } from '../core/index.ts';

await writeFile(
  new URL('../docs/site-file.schema.json', import.meta.url),
  `${JSON.stringify(SiteFileSchema, null, 1)}\n`,
);
