import { sure } from '../sure.ts';
import { hasTrait, knownKind } from '../elements/kinds/table.ts';
import type { Arrangeable, Arranged, ArrangeGrid } from '../layout/arrange.ts';
import { heldSpan } from '../layout/spans.ts';
import type { Tidyable, TidiedPart } from '../layout/tidy.ts';
import type { MeasuredBoxes } from '../layout/boxes.ts';
import { same } from '../layered/express.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { knownProperty } from '../elements/propertytable.ts';
import { viewOf, type ViewId } from '../layered/views.ts';
import { takes } from '../site/applies.ts';
import type { Node } from '../site/node.ts';
import { sharedPlaceOf } from '../site/shared.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { subtree } from '../site/sourceorder.ts';
import { curveAt } from '../type/curve.ts';
import { textCurve } from './textcurves.ts';
import { roleOf } from './alternating.ts';
import { partsIn, rowHeightIn, PLACEMENT_PROPERTIES } from './areas.ts';
import { resolve } from './trace.ts';
import { childrenIn, hiddenBy, isShown } from './visibility.ts';
import { lookup } from '../lookup.ts';

/** px; least widths in which things are of use: images are seen, buttons are hit (WCAG 2.2, 2.5.5, target size). */
const LEAST_PICTURE = 120;
const LEAST_SMALL = 44;

/** Lines of fewer characters are hard to read (common practice); a character is about half as wide as it is high. */
const CHARACTERS = 20;
const CHARACTER = 0.5;

/** px; the size of words that say none of their own. */
const USUAL_SIZE = 16;

/** How what stands in a container is laid out: in areas of its own, side by side on lines, or one below another. */
export type Flow = 'areas' | 'lines' | 'stack';

/** A container that is to be arranged for a view. */
export interface ToArrange {
  container: NodeId;
  flow: Flow;
  things: Arrangeable<NodeId>[];
  grid: ArrangeGrid;
}

/** A container as it was measured in the base view, and in the one that it is arranged for. */
export interface MeasuredTwice {
  base: MeasuredBoxes;
  own: MeasuredBoxes;
}

/** What an element gets in a view, by property. */
export interface LaidOut {
  node: NodeId;
  values: Record<string, unknown>;
}

const flowOf = (node: Node): Flow =>
  hasTrait(node, 'overlaying')
    ? 'areas'
    : hasTrait(node, 'stack') || hasTrait(node, 'page')
      ? 'stack'
      : 'lines';

/** Whether the parts of a stack stand side by side in a view. */
const isBeside = (site: SiteFrame, page: Page, node: Node, view: ViewId): boolean =>
  takes(node.kind, knownProperty('direction')) &&
  resolve(site, page, node, knownProperty('direction'), view) === 'beside';

/** Returns what an element is for a layout: text, an image, or something small that stays as it is. */
export function partRoleOf(page: Page, node: Node, flow: Flow): Arrangeable['role'] {
  const { traits, defaults } = knownKind(node.kind);
  if (defaults.heldAcross === 'start') return 'small';
  // In an area an image is cropped; a container with one is not.
  if (flow !== 'areas' && node.children.length > 0)
    return roleOf(page, node) === 'picture' ? 'picture' : 'words';
  return traits.includes('image') && !traits.includes('tiled') ? 'picture' : 'words';
}

/** px; what the words, images and buttons in an element need in a view, one below another. */
function leastOf(site: SiteFrame, page: Page, node: Node, view: ViewId): number {
  if (node.children.length > 0) {
    const shown = node.children.map((id) => page.nodes[id]).filter((each) => isShown(site, page, each, view));
    return Math.max(0, ...shown.map((each) => leastOf(site, page, each, view)));
  }
  const role = partRoleOf(page, node, 'areas');
  if (role !== 'words') return role === 'picture' ? LEAST_PICTURE : LEAST_SMALL;
  const size = knownProperty('size');
  const text = takes(node.kind, size)
    ? curveAt(textCurve(site, page, node), viewOf(site.views, view).sheet.width)
    : USUAL_SIZE;
  return CHARACTERS * CHARACTER * text;
}

/**
 * The containers that are arranged with an element: itself and those in it, as far as they are shown in a view. What other pages share is
 * left alone, unless it is arranged itself.
 */
export const containersIn = (site: SiteFrame, page: Page, root: NodeId, view: ViewId): Node[] =>
  subtree(page, root)
    .map((id) => page.nodes[id])
    .filter(
      (node) =>
        node.children.length > 0 &&
        hasTrait(node, 'container') &&
        sharedPlaceOf(node.id) === sharedPlaceOf(root) &&
        hiddenBy(site, page, node, view) === undefined,
    );

/** What is to be arranged of a container for a view: what is shown of it there, with the boxes that it has in the base view. */
export function toArrange(
  site: SiteFrame,
  page: Page,
  container: Node,
  view: ViewId,
  { base, own }: MeasuredTwice,
): ToArrange {
  const flow = flowOf(container);
  const things = partsIn(site, page, container, view).flatMap(({ id }) => {
    // What is shown in this view only has its box here.
    const box = base.boxes[id] ?? own.boxes[id];
    const node = page.nodes[id];
    if (!box || box.width < 1 || box.height < 1) return [];
    return [{ id, box, role: partRoleOf(page, node, flow), least: leastOf(site, page, node, view) }];
  });
  const { columns, gutter } = viewOf(site.views, view).grid;
  const rowHeight = flow === 'areas' ? rowHeightIn(site, page, container, view) : 0;
  // A stack has one column, or one for each of its parts where they stand side by side.
  const beside = isBeside(site, page, container, view);
  const across = flow === 'stack' ? (beside ? Math.max(1, things.length) : 1) : columns;
  const grid = { columns: across, gutter, width: own.width, rowHeight };
  return { container: container.id, flow, things, grid };
}

/** Whether anything of what an element would get in a view was set there by hand. */
export const isSetByHand = (page: Page, { node, values }: LaidOut, view: ViewId): boolean =>
  Object.keys(values).some((name) => lookup(page.nodes[node].style.self, name)?.at?.[view] !== undefined);

/** Where a part of an overlay would stand, by property. */
function areaValues(
  page: Page,
  { id, area, fills, inset }: Arranged<NodeId>['parts'][number],
): Record<string, unknown> {
  const across = inset === undefined ? 'stretch' : 'start';
  return {
    [PLACEMENT_PROPERTIES.column]: area.column,
    [PLACEMENT_PROPERTIES.span]: area.span,
    [PLACEMENT_PROPERTIES.row]: area.row,
    [PLACEMENT_PROPERTIES.rows]: area.rows,
    ...(partRoleOf(page, page.nodes[id], 'areas') !== 'small' && {
      [PLACEMENT_PROPERTIES.heldAcross]: across,
      [PLACEMENT_PROPERTIES.width]: 'auto',
    }),
    [PLACEMENT_PROPERTIES.heldDown]: fills ? 'stretch' : 'start',
    [PLACEMENT_PROPERTIES.offsetAcross]: { px: inset ?? 0 },
    [PLACEMENT_PROPERTIES.offsetDown]: { px: 0 },
  };
}

/** What of some values is another than what holds; nothing where there is none. */
function changed({ node, values }: LaidOut, holds: (name: string) => unknown): LaidOut[] {
  const other = Object.entries(values).filter(([name, value]) => !same(holds(name), value));
  return other.length > 0 ? [{ node, values: Object.fromEntries(other) }] : [];
}

/** The whole order of a container in which what was arranged follows its new one, and what is not shown keeps its place. */
function orderWith(site: SiteFrame, container: Node, view: ViewId, arranged: readonly NodeId[]): NodeId[] {
  const moved = new Set(arranged);
  const left = [...arranged];
  return childrenIn(site, container, view).map((id) => (moved.has(id) ? sure(left.shift()) : id));
}

/** What a layout of a container changes in a view. */
export function layoutValues(
  site: SiteFrame,
  page: Page,
  container: Node,
  view: ViewId,
  { parts, rows }: Arranged<NodeId>,
): LaidOut[] {
  const flow = flowOf(container);
  const change = (node: NodeId, values: Record<string, unknown>) =>
    changed({ node, values }, (name) => resolve(site, page, page.nodes[node], knownProperty(name), view));
  if (flow === 'areas') {
    const least = resolve(site, page, container, knownProperty('leastRows'), view);
    return [
      ...change(container.id, { leastRows: Math.min(least, rows) }),
      ...parts.flatMap((each) => change(each.id, areaValues(page, each))),
    ];
  }
  const order = orderWith(
    site,
    container,
    view,
    parts.map(({ id }) => id),
  );
  const ordered = same(order, childrenIn(site, container, view)) ? {} : { order };
  const first = (values: Record<string, unknown>): LaidOut[] =>
    Object.keys(values).length > 0 ? [{ node: container.id, values }] : [];
  if (flow === 'stack') {
    const stacks = rows > 1 && isBeside(site, page, container, view) ? { direction: 'stacked' } : {};
    return first({ ...ordered, ...stacks });
  }
  const { columns } = viewOf(site.views, view).grid;
  const takesNow = (id: NodeId, name: string) => {
    const value = resolve(site, page, page.nodes[id], knownProperty(name), view);
    return name === 'span' ? heldSpan(value as number, columns) : value;
  };
  return [
    ...first(ordered),
    ...parts.flatMap(({ id, area: { span } }) =>
      // What takes all columns stands at the first, whatever is set.
      changed({ node: id, values: { span, ...(span < columns && { start: 'auto' }) } }, (name) =>
        takesNow(id, name),
      ),
    ),
  ];
}

/** An overlay that is to be tidied in a view. */
export interface ToTidy {
  things: Tidyable<NodeId>[];
  grid: ArrangeGrid;
}

/** What is to be tidied of an overlay in a view: the parts that are shown there, as they stand. */
export function toTidy(
  site: SiteFrame,
  page: Page,
  overlay: Node,
  view: ViewId,
  { base, own }: MeasuredTwice,
): ToTidy {
  const things = partsIn(site, page, overlay, view).flatMap(({ id, at }): Tidyable<NodeId>[] => {
    const box = own.boxes[id];
    if (!box || box.width < 1 || box.height < 1) return [];
    const { column, span, row, rows, heldDown, offsetDown } = at;
    return [
      {
        id,
        box,
        base: base.boxes[id],
        area: { column, span, row, rows },
        offset: heldDown === 'start' && 'px' in offsetDown ? offsetDown.px : undefined,
        small: partRoleOf(page, page.nodes[id], 'areas') === 'small',
      },
    ];
  });
  const { columns, gutter } = viewOf(site.views, view).grid;
  return {
    things,
    grid: { columns, gutter, width: own.width, rowHeight: rowHeightIn(site, page, overlay, view) },
  };
}

/** What tidying an overlay changes in a view. */
export const tidyValues = (
  site: SiteFrame,
  page: Page,
  view: ViewId,
  parts: readonly TidiedPart<NodeId>[],
): LaidOut[] =>
  parts.flatMap(({ id, area, inside }) => {
    const node = page.nodes[id];
    const whole = partRoleOf(page, node, 'areas') === 'small' ? {} : { heldAcross: 'stretch', width: 'auto' };
    const values = {
      [PLACEMENT_PROPERTIES.row]: area.row,
      [PLACEMENT_PROPERTIES.rows]: area.rows,
      ...(inside && { ...whole, offsetAcross: { px: 0 }, offsetDown: { px: 0 } }),
    };
    return changed({ node: id, values }, (name) => resolve(site, page, node, knownProperty(name), view));
  });
