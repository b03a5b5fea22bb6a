/** Writes the site file's JSON Schema to docs/: `npm run schema`. */
import { writeFile } from 'node:fs/promises';
import { siteFileSchema } from '../core/exchange/schema.ts';

await writeFile(
  new URL('../docs/site-file.schema.json', import.meta.url),
  `${JSON.stringify(siteFileSchema(), null, 1)}\n`,
);
