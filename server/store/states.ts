import { promisify } from 'node:util';
import { gunzip, gzip } from 'node:zlib';
import { FORMAT_VERSION, upgraded, type Site } from '../../core/index.ts';
import type { FileStore } from './files.ts';

const packed = promisify(gzip);
const unpacked = promisify(gunzip);

/** How a gzip file begins (RFC 1952, §2.3.1); what was stored before states were compressed begins with a brace. */
const isPacked = (bytes: Buffer): boolean => bytes[0] === 0x1f && bytes[1] === 0x8b;

/** A site as it was published by a later version of the program. */
export class StateOfLaterVersion extends Error {
  constructor() {
    super(
      'This publication was made by a later version of Dimorphe, which this one cannot read. What is live stays live.',
    );
  }
}

/** Sites as they were when they were published, each a compressed file of JSON. */
export function publishedStates(files: Pick<FileStore, 'put' | 'get'>) {
  return {
    /** Stores a site; answers the SHA-256 under which it is. The same site has the same one. */
    put: async (site: Site): Promise<string> => files.put(await packed(Buffer.from(JSON.stringify(site)))),

    /** Reads a site in the present form, whichever version has stored it. Throws `StateOfLaterVersion`. */
    async get(hash: string): Promise<Site> {
      const bytes = await files.get(hash);
      const text = (isPacked(bytes) ? await unpacked(bytes) : bytes).toString();
      const site = upgraded.state(JSON.parse(text) as Site);
      if (site.frame.version > FORMAT_VERSION) throw new StateOfLaterVersion();
      return site;
    },
  };
}

export type PublishedStates = ReturnType<typeof publishedStates>;
