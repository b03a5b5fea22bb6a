import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { format, resolveConfig } from 'prettier';
import { describedApi } from './describedapi.ts';

// Writes `api/openapi.json`: what `api/endpoints.ts`, the request classes and the types of responses say, for other programs.
const file = join(import.meta.dirname, '..', 'api', 'openapi.json');
await writeFile(
  file,
  await format(JSON.stringify(describedApi()), { ...(await resolveConfig(file)), parser: 'json' }),
);
console.log(`Written: ${file}`);
