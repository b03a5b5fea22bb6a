import type { Writable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { ZipFile } from 'yazl';
import type { Target } from './target.ts';

/** One file that holds them all, written to a stream; where that ends early, nobody has a whole one. */
export const zipTarget = (to: Writable): Target<void> => ({
  async take(files) {
    const zip = new ZipFile();
    const sent = pipeline(zip.outputStream, to);
    for await (const { path, bytes } of files) zip.addBuffer(bytes, path);
    zip.end();
    await sent;
  },
});
