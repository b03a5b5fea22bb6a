import type { Writable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { ZipFile } from 'yazl';
import type { Target } from './target.ts';

/** The time that every file in a zip has, so that the same files give the same bytes: the first one that the format can express. */
const TIMELESS = { mtime: new Date(1980, 0, 1), forceDosTimestamp: true };

/**
 * One zip file of all files, written to a stream. Rejects where the stream closes early or a file cannot be made; the stream is destroyed
 * then, so that nobody takes a part for the whole.
 */
export const zipTarget = (to: Writable): Target<void> => ({
  async take(files) {
    const zip = new ZipFile();
    const output = zip.outputStream as NodeJS.ReadableStream & { destroy(error?: Error): void };
    const fill = async () => {
      try {
        for await (const { path, bytes } of files) {
          if (to.destroyed) return;
          zip.addBuffer(bytes, path, TIMELESS);
        }
        zip.end();
      } catch (error) {
        output.destroy(error as Error);
        throw error;
      }
    };
    // Both are awaited from the start: either may be the first to fail.
    await Promise.all([fill(), pipeline(output, to)]);
  },
});
