import type { Font } from '../../core/index.ts';
import { runInWorker } from './inworker.ts';
import { isWoff2, unpacksWithin } from './fontfile.ts';

/** What a font says of itself. */
export type DescribedFont = Omit<Font, 'id' | 'hash'>;

const described = runInWorker<DescribedFont>(new URL('./fontworker.mjs', import.meta.url), {
  processor: 5000,
  memory: 128,
});

/**
 * What a woff2 file says of itself: its family, its style and its weights. Undefined for anything else, for what is damaged, and for
 * what would take more time or memory than a font does.
 */
export async function describeFont(bytes: unknown): Promise<DescribedFont | undefined> {
  if (!isWoff2(bytes) || !(await unpacksWithin(bytes))) return undefined;
  return described(new Uint8Array(bytes));
}
