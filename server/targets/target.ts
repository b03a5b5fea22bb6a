import { compileSite, lackedWithoutHost, type PublishedAt, type Site } from '../../core/index.ts';
import { publishedBytes, type OwnBytes } from '../media/bytes.ts';

/** A file of a publication on its way. */
export interface Delivered {
  /** Below the root of the site. */
  path: string;
  type: string;
  bytes: Buffer;
  /** The SHA-256 under which the store has the bytes already; absent: they were made for this publication. */
  kept?: string;
  /** Where the page is now that stood there. */
  movedTo?: string;
  /** Who gets it; absent: everyone. */
  audience?: 'signed-in';
}

/**
 * Where publications go. A target takes all files of one, in whatever order they come; visitors see none of them before it has them all. What
 * it answers is its own matter.
 */
export interface Target<R> {
  take(files: AsyncIterable<Delivered>): Promise<R>;
}

/** A place to which every publication goes besides the host, where the environment of the program says where that is. */
export interface PublishTarget {
  name: string;
  /** The environment variable that says where publications go, and so turns the target on. */
  variable: string;
  /** The place of one site. */
  open(setting: string, site: string): Target<unknown>;
  /** Why a site could not be put there, and what to do, as a sentence. */
  explain(error: unknown, setting: string, site: string): string;
}

/** A name that changes with the content: what has it may be kept for good. */
export const FINGERPRINTED = /-[0-9a-f]{10}\.\w+$/;

/** The file that says what a copy lacks that is only files. */
const LACKS = 'WHAT-IS-NOT-HERE.txt';

/** The files of a site, one after the other, as all together may be too many for the memory. */
export async function* delivered(site: Site, at: PublishedAt, own: OwnBytes): AsyncGenerator<Delivered> {
  const files = compileSite(site, at);
  own.soon?.(files.flatMap((file) => ('made' in file ? [file.made] : [])));
  for (const file of files) {
    const { path, type } = file;
    const kept = 'asset' in file ? file.asset.hash : 'font' in file ? file.font.file.hash : undefined;
    const movedTo = 'text' in file ? file.movedTo : undefined;
    yield {
      ...{ path, type, bytes: await publishedBytes(file, own) },
      ...(kept !== undefined && { kept }),
      ...(movedTo !== undefined && { movedTo }),
      ...(file.audience && { audience: file.audience }),
    };
  }
}

/** The same for who takes files away: without a host there are no visitors and no letters, and where that is missed it says so. */
export async function* deliveredAway(site: Site, own: OwnBytes): AsyncGenerator<Delivered> {
  yield* delivered(site, { still: true }, own);
  const lacks = lackedWithoutHost(site);
  if (lacks) yield { path: LACKS, type: 'text/plain; charset=utf-8', bytes: Buffer.from(`${lacks}\n`) };
}
