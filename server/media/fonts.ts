import { Worker } from 'node:worker_threads';
import type { Font } from '../../core/index.ts';
import { isWoff2, unpacksWithin } from './fontfile.ts';

/** What a font says of itself. */
export type DescribedFont = Omit<Font, 'id' | 'hash'>;

/** ms and MB that reading one font may take. */
const MOST = { time: 10_000, memory: 128 };

/**
 * What a woff2 file says of itself: its family, its style and its weights. Undefined for anything else, for what is damaged, and for
 * what would take more time or memory than a font does.
 */
export async function describeFont(bytes: unknown): Promise<DescribedFont | undefined> {
  if (!isWoff2(bytes) || !(await unpacksWithin(bytes))) return undefined;
  const worker = new Worker(new URL('./fontworker.mjs', import.meta.url), {
    workerData: new Uint8Array(bytes),
    resourceLimits: { maxOldGenerationSizeMb: MOST.memory, maxYoungGenerationSizeMb: MOST.memory / 4 },
  });
  const timer = setTimeout(() => void worker.terminate(), MOST.time);
  try {
    return await new Promise<DescribedFont | undefined>((resolve) => {
      worker.once('message', resolve);
      worker.once('error', () => resolve(undefined));
      worker.once('exit', () => resolve(undefined));
    });
  } finally {
    clearTimeout(timer);
    void worker.terminate();
  }
}
