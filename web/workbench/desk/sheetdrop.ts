import {
  canBeOverlay,
  hasTrait,
  misplaced,
  opens,
  overlayFault,
  ordinal,
  partsOfRowIn,
  rowOfPart,
  sequenceIn,
  subtree,
  sure,
  type Node,
  type NodeId,
  type Page,
  type Sequence,
  type SiteFrame,
  type ViewId,
  viewOf,
} from '../../../core/index.ts';
import { boxIn, nodeAt, type SheetDocument } from '../../page/sheetdocument.ts';
import type { TreePlace } from '../../state/structure.ts';
import { insertionAt, type Box } from './insertion.ts';
import { placeWithin, shownOf } from './sheetplace.ts';
import { directionIn } from './tracks.ts';

/** A place among what an element stands among in a view already. */
interface InOrder {
  sequence: Sequence;
  place: number;
}

/** A place among the parts of the row around, which would be interleaved in the view for that. */
interface Interleaved {
  row: NodeId;
  after: NodeId | null;
}

/** Where an element that is dragged in a sheet would go. */
export interface SheetDrop {
  /** px of the page. */
  line: Box;
  /** In the order of the view; absent: it goes elsewhere. */
  order?: InOrder;
  /** In another container, or among others in the source; in every view. */
  move?: TreePlace;
  interleave?: Interleaved;
  /** Anywhere in its container, which becomes an overlay; px of the page. */
  free?: { across: number; down: number };
  /** Why it cannot be; then `move` is what was meant. */
  fault?: string;
  sentence: string;
}

/** An element in a sheet that is dragged. */
export interface Dragged {
  site: SiteFrame;
  page: Page;
  node: Node;
  view: ViewId;
  sheet: SheetDocument;
}

type Point = { x: number; y: number };

/** The elements around a point that hold others, nearest first, and what is dragged is not in. */
function holdersAt({ page, node, sheet }: Dragged, { x, y }: Point): Node[] {
  const within = new Set(subtree(page, node.id));
  const found: Node[] = [];
  for (
    let at: NodeId | null = nodeAt(sheet.document.elementFromPoint(x, y)) ?? page.root;
    at !== null;
    at = page.nodes[at].parent
  )
    if (!within.has(at) && (hasTrait(page.nodes[at], 'container') || at === page.root))
      found.push(page.nodes[at]);
  return found;
}

/** The share of a neighbour at each of its sides over which a place beside it is meant, and not one in it. */
const EDGE = 0.2;

/** Whether a place beside a container is meant, which stands where what is dragged does: over its edges, and always for what holds others too. */
function isBeside({ node, sheet }: Dragged, holder: Node, { x, y }: Point): boolean {
  if (holder.parent !== node.parent) return false;
  const box = boxIn(sheet.elementOf(holder.id));
  if (!box || hasTrait(node, 'container')) return true;
  const [across, down] = [(x - box.left) / box.width, (y - box.top) / box.height];
  return [across, down].some((share) => share < EDGE || share > 1 - EDGE);
}

/** Where among what it stands among already an element would go. */
function inOrder({ site, page, node, view, sheet }: Dragged, point: Point): SheetDrop | undefined {
  const sequence = sequenceIn(site, page, node, view);
  if (!sequence) return undefined;
  const others = shownOf(sheet.document, sequence.order, node.id);
  const found = insertionAt(
    others.map(({ box }) => box),
    point,
  );
  if (!found) return undefined;
  const rest = sequence.order.filter((id) => id !== node.id);
  const next = others.at(found.place);
  const place = found.place < others.length && next ? rest.indexOf(next.id) : rest.length;
  const sentence = `${ordinal(place + 1)} of ${sequence.order.length} in ${sequence.holder.name}`;
  return { line: found.line, order: { sequence, place }, sentence };
}

/** Where among the parts of its row an element would go, if these were interleaved. */
function interleavedAt({ site, page, node, view, sheet }: Dragged, row: Node, point: Point) {
  const parts = shownOf(sheet.document, partsOfRowIn(site, page, row, view), node.id);
  const found = insertionAt(
    parts.map(({ box }) => box),
    point,
  );
  return (
    found && { line: found.line, interleave: { row: row.id, after: parts[found.place - 1]?.id ?? null } }
  );
}

/**
 * The place that a pointer means for what is dragged: among what it stands among already, in the order of the view; in another container,
 * where the nearest around the pointer that takes it holds it then; in a row around both, also between the parts of its columns, in views
 * other than the base alone.
 */
export function dropAt(dragged: Dragged, point: Point): SheetDrop | undefined {
  const { site, page, node, view, sheet } = dragged;
  const holders = holdersAt(dragged, point);
  const own = sequenceIn(site, page, node, view);
  const inSheet = { site, page, view, document: sheet.document, without: node.id };
  const faults = new Map(holders.map((holder) => [holder.id, misplaced(page, [node], holder)]));
  const holder = holders.find(
    (each) =>
      (faults.get(each.id) === undefined || each.id === node.parent) && !isBeside(dragged, each, point),
  );
  if (!holder) {
    const [nearest] = holders;
    const place = placeWithin(inSheet, nearest.id, point);
    const fault = sure(faults.get(nearest.id));
    return place && { line: place.line, move: place.place, fault, sentence: fault };
  }
  const row = rowOfPart(page, node);
  const inRow = row !== undefined && (holder.id === row.id || (holder.parent === row.id && opens(holder)));
  if (!own || holder.id === node.parent || (own.by === 'interleave' && inRow)) return inOrder(dragged, point);
  const place = placeWithin(inSheet, holder.id, point);
  if (!place) return undefined;
  const mixed = inRow && view !== site.views.base ? interleavedAt(dragged, row, point) : undefined;
  const into = `into ${holder.name} in every view`;
  const sentence = mixed
    ? `Interleave columns in ${viewOf(site.views, view).name}, or move ${into}`
    : `Move ${into}`;
  return { line: place.line, move: place.place, ...mixed, sentence };
}

/** Where an element stands that is put anywhere in its container, which becomes an overlay for that; undefined where that cannot be one. */
export function freelyAt({ site, page, node, view, sheet }: Dragged, by: Point): SheetDrop | undefined {
  const container = node.parent === null ? undefined : page.nodes[node.parent];
  const box = boxIn(sheet.elementOf(node.id));
  if (!box || !container || !canBeOverlay(container.kind)) return undefined;
  const fault = overlayFault(site, page, container);
  const way = directionIn(sheet.document.documentElement);
  return {
    line: { left: box.left + by.x, top: box.top + by.y, width: box.width, height: box.height },
    free: { across: way * by.x, down: by.y },
    ...(fault !== undefined && { fault }),
    sentence:
      fault ??
      `Placed freely in ${viewOf(site.views, view).name} only; ${container.name} becomes an overlay, in every view`,
  };
}
