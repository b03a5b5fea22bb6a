import { type Fault, isKeepable, lookup, type ReadSite, readSiteFile, sure } from '../../core/index.ts';
import { runInWorker } from './inworker.ts';
import { faultOfBytes } from './examine.ts';
import { isWoff2 } from './fontfile.ts';
import { describeFont } from './fonts.ts';
import { beginsAs } from './sniff.ts';

/** Reads a site file apart: in the program as it is built, by what was built of it. */
const readApart = runInWorker<SiteFileRead>(
  process.env.DIMORPHE_BUILT
    ? new URL('../../built/server/sitefileworker.js', import.meta.url)
    : new URL('./sitefileworker.ts', import.meta.url),
  { processor: 60_000, memory: 1000 },
);

/** Characters; reading so little takes less time than beginning a thread. */
const SMALL = 1_000_000;

/** How many faults of one file are told; more help nobody. */
const MOST_FAULTS = 50;

export type SiteFileRead = { ok: true; value: ReadSite } | { ok: false; faults: Fault[] };

const tooMuch: SiteFileRead = {
  ok: false,
  faults: [{ path: '', sentence: 'Reading the file takes more time or memory than any site needs.' }],
};

/** Text that cannot be kept, and files that are not what the site says: an image of another type, a font that cannot be read. */
async function faultsOfContent({ site, files }: ReadSite): Promise<Fault[]> {
  const faults: Fault[] = [];
  if (!isKeepable(site))
    faults.push({
      path: '',
      sentence: 'The site contains a character that is not text and cannot be saved.',
    });
  for (const asset of site.frame.assets) {
    const { id, name, type } = asset;
    const bytes = Buffer.from(sure(lookup(files, id)), 'base64');
    const sentence = beginsAs(type, bytes)
      ? await faultOfBytes(asset, bytes)
      : `The file of “${name}” is no ${type}.`;
    if (sentence) faults.push({ path: `/files/${id}`, sentence });
  }
  for (const { id, name } of site.frame.fonts) {
    const bytes = Buffer.from(sure(lookup(files, id)), 'base64');
    if (!isWoff2(bytes) || !(await describeFont(bytes)))
      faults.push({ path: `/files/${id}`, sentence: `The font “${name}” is no woff2 font, or damaged.` });
  }
  return faults;
}

/** Reads a site file that comes from elsewhere, with what is in it. Answers the site, or what is wrong. */
export async function readForeignSite(text: string): Promise<SiteFileRead> {
  const read = text.length <= SMALL ? readSiteFile(text) : ((await readApart(text)) ?? tooMuch);
  const faults = read.ok ? await faultsOfContent(read.value) : read.faults;
  return faults.length > 0 ? { ok: false, faults: faults.slice(0, MOST_FAULTS) } : read;
}
