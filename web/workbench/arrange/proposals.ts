import {
  ARRANGE_WAYS,
  perform,
  same,
  setStanding,
  standingsOf,
  toArrange,
  viewOf,
  type Arranged,
  type ArrangeWay,
  type Arguments,
  type Node,
  type NodeId,
  type Page,
  type SiteFrame,
  type Standing,
  type ViewId,
} from '../../../core/index.ts';
import { hiddenSheet, measuredIn, measuredInViews } from '../../page/measuringviews.ts';
import type { Asked } from './worker.ts';

export type PlacedPart = Arguments<'placeParts'>['parts'][number];

/** A layout that an overlay could have in a view; `now` is the one that it has. */
export interface Proposal {
  way: ArrangeWay | 'now';
  /** Only what would change. */
  parts: PlacedPart[];
  rows: number;
  /** The page with nothing but the section of the overlay, as it would be. */
  page: Page;
  /** px; how high the overlay would be. */
  height: number;
}

/** Layouts, worked out beside the interface. */
function workedOut(asked: Asked[]): Promise<Arranged<NodeId>[]> {
  const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
  return new Promise<Arranged<NodeId>[]>((resolve, reject) => {
    worker.addEventListener('message', ({ data }) => resolve(data as Arranged<NodeId>[]));
    worker.addEventListener('error', () => reject(new Error('The layouts could not be worked out.')));
    worker.postMessage(asked);
  }).finally(() => worker.terminate());
}

/** What of the standings is another than what was set. */
function changing(site: SiteFrame, page: Page, view: ViewId, parts: readonly PlacedPart[]): PlacedPart[] {
  return parts.flatMap(({ node, ...wanted }) => {
    const before = setStanding(site, page, page.nodes[node], view);
    const changed = Object.entries(wanted).filter(
      ([name, value]) => !same(before[name as keyof Standing], value),
    );
    return changed.length > 0 ? [{ node, ...Object.fromEntries(changed) } as PlacedPart] : [];
  });
}

/** A page with nothing on it but the section that an element stands in. */
function sectionAlone(page: Page, node: Node): Page {
  let section = node;
  while (section.parent !== null && section.parent !== page.root) section = page.nodes[section.parent];
  const root = { ...page.nodes[page.root], children: [section.id] };
  return { ...page, nodes: { ...page.nodes, [page.root]: root } };
}

/** How an overlay with some of its parts placed anew would be asked for. */
export const placing = (
  { parts, rows }: Pick<Proposal, 'parts' | 'rows'>,
  overlay: NodeId,
  view: ViewId,
  least: number,
): Arguments<'placeParts'> => ({
  parts,
  rows: [{ node: overlay, least: Math.min(least, rows) }],
  view,
  reach: 'here',
  done: 'arranged',
});

/** An overlay in a view, to be arranged. */
interface Subject {
  site: SiteFrame;
  /** The page with nothing but the section of the overlay. */
  page: Page;
  overlay: Node;
  view: ViewId;
  /** The rows that it has at least. */
  least: number;
}

/** The page with a layout that is tried, and the overlay as it is laid out then; nothing where it changes nothing. */
async function tried({ site, page, overlay, view, least }: Subject, layout: Arranged<NodeId>) {
  const parts = changing(site, page, view, standingsOf(layout, page));
  const { shared: _shared, ...frame } = site;
  const asked = placing({ parts, rows: layout.rows }, overlay.id, view, least);
  const step =
    parts.length > 0 && perform({ frame, pages: { [page.id]: page } }, page.id, 'placeParts', asked);
  if (!step || !step.ok) return undefined;
  const next = step.value.site.pages[page.id];
  const hidden = await hiddenSheet(site, next);
  const measured = measuredIn(hidden.show(viewOf(site.views, view)), next.nodes[overlay.id]);
  hidden.close();
  return { parts, rows: layout.rows, page: next, measured };
}

/**
 * The layouts that an overlay could have in a view, beside the one that it has; those that are the same are there once. Each is laid out
 * twice: how high words are is seen once they have their width.
 */
export async function proposalsFor(
  site: SiteFrame,
  whole: Page,
  overlay: Node,
  view: ViewId,
  least: number,
): Promise<Proposal[]> {
  const measured = await measuredInViews(site, whole, overlay);
  const { things, grid } = toArrange(site, whole, overlay, view, measured);
  const page = sectionAlone(whole, overlay);
  const subject: Subject = { site, page, overlay, view, least };
  const first = await workedOut(ARRANGE_WAYS.map((way) => ({ things, grid, way })));
  const asked = await Promise.all(
    ARRANGE_WAYS.map(async (way, index): Promise<Asked> => {
      const boxes = (await tried(subject, first[index]))?.measured.boxes ?? measured[view].boxes;
      const heights = (thing: Asked['things'][number]) =>
        thing.kind === 'picture' || !boxes[thing.id] ? {} : { height: boxes[thing.id].height };
      return { things: things.map((thing) => ({ ...thing, ...heights(thing) })), grid, way };
    }),
  );
  const made: Proposal[] = [{ way: 'now', parts: [], rows: 0, page, height: measured[view].height }];
  for (const [index, layout] of (await workedOut(asked)).entries()) {
    const next = await tried(subject, layout);
    if (!next || made.some((each) => same(each.parts, next.parts))) continue;
    const { measured: laid, ...proposal } = next;
    made.push({ way: ARRANGE_WAYS[index], ...proposal, height: laid.height });
  }
  return made;
}
