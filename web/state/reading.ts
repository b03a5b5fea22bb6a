import { pagesIn, type Page, type SiteFrame } from '../../core/index.ts';
import type { Pending } from './pending.ts';
import type { Transport } from './transport.ts';

/** Pages of a site at one revision, or why they cannot be read. */
export type ReadPages =
  | { ok: true; frame: SiteFrame; pages: Page[]; revision: number }
  | { ok: false; status: number; sentence: string };

/** The pages that edits were made on or change: all of them are needed to make the edits again. */
export const pagesOf = (edits: readonly Pending[]): string[] =>
  edits.flatMap(({ use, operations }) => [...(use ? [use.page] : []), ...pagesIn(operations)]);

/** Pages of a site as they are at one revision; of those besides the first only the ones that are there. */
export async function pagesAtOnce(
  transport: Transport,
  site: string,
  wanted: readonly string[],
): Promise<ReadPages> {
  const ids = [...new Set(wanted)];
  for (let attempt = 0; attempt < 5; attempt++) {
    const found = await Promise.all(ids.map((id) => transport.page(site, id)));
    const [first] = found;
    if (!first.ok) return first;
    const other = found.find((each) => !each.ok && each.status !== 404);
    if (other && !other.ok) return other;
    const there = found.flatMap((each) => (each.ok ? [each.value] : []));
    const { frame, revision } = first.value;
    if (there.every((each) => each.revision === revision))
      return { ok: true, frame, revision, pages: there.map(({ page }) => page) };
  }
  const sentence = 'The site is being changed faster than it can be loaded. Try again in a moment.';
  return { ok: false, status: 0, sentence };
}
