import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { FAMILIES, type Family, type FontFile, type PublishedFile } from '../../core/index.ts';
import type { Wanted } from './imagemaker.ts';

const require = createRequire(import.meta.url);

/** The bytes of a font file that ships with the application. */
export function fontBytes(family: Family, file: FontFile): Promise<Buffer> {
  if (!family.package) throw new RangeError(`${family.name} does not ship with the application.`);
  return readFile(join(dirname(require.resolve(`${family.package}/package.json`)), 'files', file.file));
}

/** A shipped font file by its name, or undefined. */
export function findFont(name: string): { family: Family; file: FontFile } | undefined {
  for (const family of FAMILIES) {
    const file = family.files.find((candidate) => candidate.file === name);
    if (file) return { family, file };
  }
  return undefined;
}

/** Where the bytes of a site's own files come from, and of the images that are made of them. */
export interface OwnBytes {
  /** Given the SHA-256 of what is wanted, its id and its name. */
  kept(hash: string, id: string, name: string): Promise<Buffer>;
  made(wanted: Wanted): Promise<Buffer>;
  /** Told of all images that will be asked for, so that they can be made meanwhile. */
  soon?(wanted: readonly Wanted[]): void;
}

/** The bytes of a file of a published site. */
export async function publishedBytes(file: PublishedFile, own: OwnBytes): Promise<Buffer> {
  if ('text' in file) return Buffer.from(file.text, 'utf8');
  if ('asset' in file) return own.kept(file.asset.hash, file.asset.id, file.asset.name);
  if ('made' in file) return own.made(file.made);
  const { family, file: font } = file.font;
  return font.hash ? own.kept(font.hash, family.id, family.name) : fontBytes(family, font);
}
