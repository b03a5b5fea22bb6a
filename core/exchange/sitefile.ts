import { sure } from '../sure.ts';
import { type Fault, schemaFaults } from '../faults.ts';
import { pointer } from '../pointer.ts';
import type { ContentType } from '../elements/content/contenttypes.ts';
import { withMappedText } from '../values/textbyview.ts';
import { kindOf } from '../elements/kinds/table.ts';
import { FORMAT, FORMAT_VERSION } from '../site/format.ts';
import { siteFrom, writtenFrom, type Site, type SiteFile } from '../site/site.ts';
import { treesBeside } from '../site/shared.ts';
import { canonicalSite } from '../site/canonical.ts';
import { siteFileFaults } from '../site/validate.ts';
import { areBytesOf } from './bytes.ts';
import { isNestedTooDeep } from './nesting.ts';
import { upgraded } from './upgrade.ts';
import { lookup } from '../lookup.ts';

/** A site read from a file, and the bytes of its images, videos and fonts as base64 by their id. */
export interface ReadSite {
  site: Site;
  files: Record<string, string>;
}

/** Writes text content in the form it is kept in, so that a file made by hand need not know that form. */
function cleanContent(file: SiteFile): void {
  for (const page of [...file.pages, ...treesBeside(file)]) {
    for (const node of Object.values(page.nodes)) {
      if (!kindOf(node.kind)) continue;
      const clean =
        ({ schema, clean: cleaned }: ContentType) =>
        (value: unknown) =>
          schemaFaults(schema, value).length === 0 ? (cleaned(value) as unknown) : value;
      Object.assign(node, withMappedText(node, clean));
    }
  }
}

/** Where words stand in a file: in the content, and in what views say in their place. */
const IN_WORDS = /\/content\/|\/style\/self\/\w+\.\w+\/at\/[^/]+\/value(\/|$)/;

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null;

/** Reads the text of a site file. Answers the site, or every fault with its path. */
export function readSiteFile(text: string): { ok: true; value: ReadSite } | { ok: false; faults: Fault[] } {
  const refuse = (sentence: string, path = '') => ({ ok: false as const, faults: [{ path, sentence }] });
  if (isNestedTooDeep(text)) return refuse('The file is nested too deeply.');
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return refuse('This is not JSON: the file is incomplete or isn’t a site file.');
  }
  if (!isObject(data) || data.format !== FORMAT)
    return refuse(`This isn’t a site file: its format is not “${FORMAT}”.`, '/format');
  data = upgraded.file(data);
  const { version } = data as { version?: unknown };
  if (version !== FORMAT_VERSION) {
    return refuse(
      `This program reads site files up to version ${FORMAT_VERSION}, not ${JSON.stringify(version)}.`,
      '/version',
    );
  }
  const shape = siteFileFaults(data);
  const onlyUnclean = shape.length > 0 && shape.every(({ path }) => IN_WORDS.test(path));
  if (shape.length > 0 && !onlyUnclean) return { ok: false, faults: shape };
  cleanContent(data as SiteFile);
  const faults = onlyUnclean ? siteFileFaults(data) : [];
  const { files, ...site } = data as SiteFile;
  for (const { id, name, hash } of [...site.assets, ...site.fonts]) {
    if (!Object.hasOwn(files, id))
      faults.push({ path: pointer('/files', id), sentence: `“${name}” has no file.` });
    else if (!areBytesOf(sure(lookup(files, id)), hash)) {
      faults.push({
        path: pointer('/files', id),
        sentence: `The file of “${name}” is damaged: its bytes are not those that its SHA-256 names.`,
      });
    }
  }
  return faults.length > 0
    ? { ok: false, faults }
    : { ok: true, value: { site: canonicalSite(siteFrom(site)), files } };
}

/** The text of a site file. */
export const writeSiteFile = (site: Site, files: Record<string, string>): string =>
  `${JSON.stringify({ ...writtenFrom(site), files } satisfies SiteFile, null, 1)}\n`;
