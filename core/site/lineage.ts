import { sure } from '../sure.ts';
import type { NodeId } from '../elements/nodeid.ts';
import type { Page } from './site.ts';

/** What a page was made from, and which of its nodes are other ones. */
interface Origin {
  from: WeakRef<Page>;
  nodes: readonly NodeId[];
}

const origins = new WeakMap<Page, Origin>();

/** How many edits back a page is looked for. */
const FAR = 50;

/** Remembers what an edit changed, so that nobody who follows the page has to look through all of it. */
export function remember(page: Page, from: Page, nodes: readonly NodeId[]): void {
  origins.set(page, { from: new WeakRef(from), nodes });
}

/** The nodes in which a page differs, or may differ, from an earlier one; undefined when that is not known. */
export function changedSince(earlier: Page, page: Page): readonly NodeId[] | undefined {
  if (page === earlier) return [];
  const changed = new Set<NodeId>();
  let at: Page | undefined = page;
  for (let steps = 0; at && steps < FAR; steps++) {
    const origin = origins.get(at);
    if (!origin) return undefined;
    origin.nodes.forEach((id) => changed.add(id));
    at = origin.from.deref();
    if (at === earlier) return [...changed];
  }
  return undefined;
}

/**
 * A fact about a page that is worked out from the same fact about an earlier page, where it is known what has changed
 * since, and from the whole page otherwise. The last answer is remembered.
 */
export function followed<R>(
  whole: (page: Page) => R,
  update: (before: R, earlier: Page, page: Page, changed: readonly NodeId[]) => R,
): (page: Page) => R {
  let last: { page: WeakRef<Page>; result: R } | undefined;
  return (page) => {
    const earlier = last?.page.deref();
    const changed = earlier && changedSince(earlier, page);
    const result = changed
      ? changed.length === 0
        ? sure(last, 'last').result
        : update(sure(last, 'last').result, earlier, page, changed)
      : whole(page);
    last = { page: new WeakRef(page), result };
    return result;
  };
}
