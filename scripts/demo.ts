/** `npm run demo -- EXPORTED.json`: makes an exported site the demo site. Its images stay those of `demo/pictures`. */
import { readFile, writeFile } from 'node:fs/promises';
import { readSiteFile, writtenFrom } from '../core/index.ts';

const read = readSiteFile(await readFile(process.argv[2], 'utf8'));
if (!read.ok) throw new Error(read.faults.map(({ path, sentence }) => `${path} ${sentence}`).join('\n'));
await writeFile(
  new URL('../demo/brindle-hill.json', import.meta.url),
  `${JSON.stringify(writtenFrom(read.value.site), null, 1)}\n`,
);
