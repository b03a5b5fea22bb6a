import {
  ARRANGE_WAYS,
  type ArrangeWay,
  containersIn,
  hasTrait,
  knownIn,
  type LaidOut,
  layoutValues,
  type MeasuredBoxes,
  type Mend,
  type Node,
  type NodeId,
  type Page,
  perform,
  saidOnce,
  same,
  onPageOf,
  sharedPlaceOf,
  type SiteFrame,
  subtree,
  tidyValues,
  toArrange,
  toTidy,
  type View,
  viewOf,
} from '../../../core/index.ts';
import { hiddenSheet, measuredIn, type HiddenSheet } from '../../page/measuringviews.ts';
import type { Asked, Work } from './worker.ts';

/** A layout that a block could have in a view; `now` is the one that it has. */
export interface Proposal {
  way: ArrangeWay | 'now' | 'tidy';
  /** Only what would change. */
  laid: LaidOut[];
  /** What is mended, where it is tidied. */
  mends?: Mend<NodeId>[];
  /** The page with nothing but the section of the block, as it would be. */
  page: Page;
  /** px; how high the block would be. */
  height: number;
}

export interface Proposals {
  /** The first is the one that is there. */
  proposals: Proposal[];
  /** Why a layout that was worked out cannot be taken; of the last such one. */
  refusal?: string;
}

/** Layouts are worked out beside the interface. */
class Working {
  private readonly worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });

  ask<W extends keyof Work>(work: W, request: Work[W]['request']): Promise<Work[W]['answer']> {
    return new Promise((resolve, reject) => {
      this.worker.onmessage = ({ data }) => resolve(data as Work[W]['answer']);
      this.worker.onerror = () => reject(new Error('The layouts could not be calculated.'));
      this.worker.postMessage({ work, request });
    });
  }

  close(): void {
    this.worker.terminate();
  }
}

/** A page with nothing on it but the section that an element stands in; all of it where that is the page. */
function sectionAlone(page: Page, node: Node): Page {
  const section = onPageOf(page, node.id);
  if (section === undefined) return page;
  const root = { ...page.nodes[page.root], children: [section] };
  return { ...page, nodes: { ...page.nodes, [page.root]: root } };
}

/** What is arranged, and where that is tried. */
interface Trial {
  site: SiteFrame;
  page: Page;
  root: Node;
  containers: Node[];
  view: View;
  hidden: HiddenSheet;
  working: Working;
}

type Measured = ReadonlyMap<NodeId, MeasuredBoxes>;

/** The containers of a page as they are laid out in a view. */
function measured({ containers, hidden }: Trial, page: Page, view: View): Measured {
  hidden.update(page);
  const sheet = hidden.show(view);
  return new Map(containers.map(({ id }) => [id, measuredIn(sheet, page.nodes[id])]));
}

/** The page with what a layout changes; nothing where that cannot be. */
function changedBy({ site, root, view }: Trial, page: Page, laid: LaidOut[]): Page | { refusal: string } {
  const { shared: _shared, ...frame } = site;
  const step = perform({ frame, pages: { [page.id]: page } }, page.id, 'arrange', {
    node: root.id,
    laid,
    view: view.id,
    reach: 'here',
    done: 'arranged',
  });
  return step.ok ? step.value.site.pages[page.id] : { refusal: step.sentence };
}

/** A layout and what comes of it change one another, as words get higher in narrower boxes: it is worked out so many times at most. */
const TIMES = 4;

/** How high things are in the widths that they get. */
const withHeights = (request: Asked, { boxes }: MeasuredBoxes): Asked => ({
  ...request,
  things: request.things.map((thing) =>
    thing.role === 'picture' || !boxes[thing.id] ? thing : { ...thing, height: boxes[thing.id].height },
  ),
});

/** Some changes, and others made on top of them. */
function together(laid: readonly LaidOut[], next: readonly LaidOut[]): LaidOut[] {
  const all = new Map(laid.map((each) => [each.node, each]));
  for (const { node, values } of next)
    all.set(node, { node, values: { ...all.get(node)?.values, ...values } });
  return [...all.values()];
}

async function proposed(
  trial: Trial,
  way: ArrangeWay,
  base: Measured,
  now: Measured,
): Promise<Proposal | { refusal: string } | undefined> {
  const { site, page, containers, view, root, working } = trial;
  let laid: LaidOut[] = [];
  let next = page;
  let own = now;
  for (let time = 0; time < TIMES; time += 1) {
    const request = containers.map((container): Asked => {
      const there = { base: knownIn(base, container.id), own: knownIn(own, container.id) };
      const plain = { ...toArrange(site, page, container, view.id, there), way };
      return time === 0 ? plain : withHeights(plain, there.own);
    });
    const layouts = await working.ask('arrange', request);
    // A row in a row gets something as one and as the other.
    const wanted = together(
      [],
      containers.flatMap((container, index) => layoutValues(site, page, container, view.id, layouts[index])),
    );
    if (same(wanted, laid)) break;
    laid = wanted;
    if (laid.length === 0) break;
    const made = changedBy(trial, page, laid);
    if ('refusal' in made) return made;
    next = made;
    own = measured(trial, next, view);
  }
  return laid.length === 0 ? undefined : { way, laid, page: next, height: knownIn(own, root.id).height };
}

/** The layout that is there, but for what is wrong in it. As rows grow with what is in them, it is looked at again once it is mended. */
async function tidy(
  trial: Trial,
  base: Measured,
  now: Measured,
): Promise<Proposal | { refusal: string } | undefined> {
  const { site, page, containers, view, root, working } = trial;
  const overlays = containers.filter((node) => hasTrait(node, 'overlaying'));
  let laid: LaidOut[] = [];
  let next = page;
  let own = now;
  const mends: Mend<NodeId>[] = [];
  for (let time = 0; time < TIMES; time += 1) {
    const request = overlays.map((overlay) => {
      const there = { base: knownIn(base, overlay.id), own: knownIn(own, overlay.id) };
      return toTidy(site, next, overlay, view.id, there);
    });
    const made = await working.ask('tidy', request);
    const values = made.flatMap(({ parts }) => tidyValues(site, next, view.id, parts));
    if (values.length === 0) break;
    mends.push(...made.flatMap((each) => each.mends));
    laid = together(laid, values);
    const changed = changedBy(trial, page, laid);
    if ('refusal' in changed) return changed;
    next = changed;
    own = measured(trial, next, view);
  }
  if (laid.length === 0) return undefined;
  return { way: 'tidy', laid, mends: saidOnce(mends), page: next, height: knownIn(own, root.id).height };
}

/**
 * The layouts that a block, a section or a page could have in a view, beside the one that it has; those that are the same are there once.
 * Tidied, it is the one that it has, mended.
 */
export async function proposalsFor(
  site: SiteFrame,
  whole: Page,
  root: Node,
  view: View,
  tidying: boolean,
): Promise<Proposals> {
  const page = sectionAlone(whole, root);
  const containers = containersIn(site, page, root.id, view.id);
  const hidden = await hiddenSheet(site, page);
  const working = new Working();
  try {
    const trial: Trial = { site, page, root, containers, view, hidden, working };
    const base = measured(trial, page, viewOf(site.views, site.views.base));
    const now = measured(trial, page, view);
    const height = now.get(root.id)?.height ?? 0;
    const made: Proposals = { proposals: [{ way: 'now', laid: [], page, height }] };
    const take = (next: Proposal | { refusal: string } | undefined) => {
      if (next && 'refusal' in next) made.refusal = next.refusal;
      else if (next && !made.proposals.some((each) => same(each.laid, next.laid))) made.proposals.push(next);
    };
    if (tidying) take(await tidy(trial, base, now));
    else for (const way of ARRANGE_WAYS) take(await proposed(trial, way, base, now));
    return made;
  } finally {
    working.close();
    hidden.close();
  }
}

/** Whether there is something in an element that can be tidied. */
export const canTidy = (page: Page, root: Node): boolean =>
  subtree(page, root.id).some(
    (id) => hasTrait(page.nodes[id], 'overlaying') && page.nodes[id].children.length > 0,
  );

/** Whether something on a page is left out as other pages share it. */
export const leavesShared = (root: Node): boolean =>
  sharedPlaceOf(root.id) === undefined && root.children.some((id) => sharedPlaceOf(id) !== undefined);
