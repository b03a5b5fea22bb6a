import {
  type EditReach,
  held,
  type Holders,
  inRow,
  inRowIn,
  isEmpty,
  type Layered,
  lookup,
  type Node,
  nodeId,
  ownLayered,
  type Page,
  partsOfRow,
  partsOfRowIn,
  type Property,
  same,
  type SiteFrame,
  type Source,
  staleTexts,
  trace,
  type Traced,
  type ValueContext,
  type View,
  type ViewId,
  viewOf,
  widthsOf,
} from '../../core/index.ts';
import { columnsOf } from './columns.ts';
import { isLinked, isNode, leading, propertyOfRow, type StyleTarget, type ValueRow } from './rows.ts';

/** What a command on a row's values is aimed at. */
export function targetOf(row: ValueRow, view: ViewId) {
  const holder = leading(row.holders);
  const holders: Holders = isNode(holder)
    ? { nodes: row.holders.map((each) => nodeId(each.id)) }
    : { textStyle: holder.id };
  return { ...holders, part: row.part, property: propertyOfRow(row).name, view, linked: isLinked(row) };
}

export const layeredIn = (
  row: ValueRow,
  holder: StyleTarget,
  property: Property,
): Layered<unknown> | undefined =>
  isNode(holder) ? ownLayered(holder, row.part, property) : lookup(holder.style[row.part], property.name);

/** px; a fluid size typed in a cell grows across the widths that its reach covers, from a small telephone's width on. */
const SMALLEST_WINDOW = 320;

export function fluidWidths(
  site: SiteFrame,
  view: ViewId,
  reach: EditReach,
): { fromWidth: number; toWidth: number } {
  const { views } = site;
  const shape = viewOf(views, view);
  const { from = 0, below } = widthsOf(views, view);
  const narrower = views.list.indexOf(shape) < views.list.indexOf(viewOf(views, views.base));
  const whole = reach === 'everywhere' || view === views.base || (reach === 'onward' && narrower);
  const fromWidth = Math.max(SMALLEST_WINDOW, whole ? 0 : from);
  const toWidth = Math.max(
    fromWidth + 1,
    below !== undefined && view !== views.base ? below : shape.sheet.width,
  );
  return { fromWidth, toWidth };
}

/** What reading and writing the values of a row depends on in a view. */
export function contextOf(
  site: SiteFrame,
  page: Page,
  row: ValueRow,
  view: View,
  reach: EditReach,
): ValueContext {
  const holder = leading(row.holders);
  return {
    site,
    columns: view.grid.columns,
    fluidWidths: fluidWidths(site, view.id, reach),
    siblings: isNode(holder) ? siblingsOf(site, page, row, holder, view.id) : undefined,
  };
}

/** What the value of a row puts into order, where it is an order. */
function siblingsOf(site: SiteFrame, page: Page, row: ValueRow, holder: Node, view: ViewId) {
  const { onChildren, sequence } = propertyOfRow(row);
  if (sequence) return { order: partsOfRowIn(site, page, holder, view), source: partsOfRow(page, holder) };
  return onChildren
    ? { order: inRowIn(site, page, holder, view), source: inRow(page, holder), child: row.child }
    : undefined;
}

/** What a property of a holder is in a view, and where that comes from. */
export function tracedIn(
  site: SiteFrame,
  page: Page,
  row: ValueRow,
  holder: StyleTarget,
  property: Property,
  view: View,
): Traced<unknown> {
  if (isNode(holder)) return trace(site, page, holder, row.part, property, view.id);
  const own = held(layeredIn(row, holder, property), site.views, view.id);
  if (own) return { value: own.value, source: { from: 'text style', style: holder.id, view: own.view } };
  return { value: property.initial(view), source: { from: 'initial' } };
}

/** A row of what is here by now, made from one that was drawn before an edit; what is gone stays as it was drawn. */
export const rowOf = (site: SiteFrame, page: Page, row: ValueRow): ValueRow => ({
  ...row,
  holders: row.holders.map((holder) =>
    isNode(holder)
      ? (lookup(page.nodes, holder.id) ?? holder)
      : (site.textStyles.find(({ id }) => id === holder.id) ?? holder),
  ),
});

/** A cell of the values table, ready to be drawn. */
export interface ValueCell {
  view: View;
  /** The value of what leads. */
  value: unknown;
  text: string;
  /** Not all that the row stands for has this value. */
  mixed: boolean;
  /** `base`: the value of the base view; `own`: an override here; `reached`: under another override; `inherited`: the rest. */
  state: 'base' | 'own' | 'reached' | 'inherited';
  /** Words that may have to follow what the base says now. */
  stale: boolean;
  /** The override holds only here. */
  bounded: boolean;
  /** The neighbouring columns under the same override. */
  joinsLeft: boolean;
  joinsRight: boolean;
  /** The value is written although it is inherited: it differs from the neighbour towards the base, or stands in the base. */
  written: boolean;
  source: Source;
}

/** The layered value that a row draws: that of what leads, or of the first side that holds anything. */
function drawn(row: ValueRow): Layered<unknown> | undefined {
  const holder = leading(row.holders);
  const own = row.properties.map((property) => layeredIn(row, holder, property));
  return own.find((layered) => !isEmpty(layered)) ?? own[0];
}

/** The cells of a row, in the order of the columns. */
export function valueCells(site: SiteFrame, page: Page, row: ValueRow): ValueCell[] {
  const property = propertyOfRow(row);
  const { views } = site;
  const columns = columnsOf(site);
  const layered = drawn(row);
  const others = row.holders.flatMap((holder) => row.properties.map((each) => layeredIn(row, holder, each)));
  const from = (view: ViewId | undefined) =>
    view === undefined ? undefined : held(layered, views, view)?.view;
  const texts = columns.map((view) => {
    const { value, source } = tracedIn(site, page, row, leading(row.holders), property, view);
    const mixed =
      (row.holders.length > 1 || row.properties.length > 1) &&
      row.holders.some((holder) =>
        row.properties.some((each) => !same(tracedIn(site, page, row, holder, each, view).value, value)),
      );
    const text = mixed ? 'mixed' : property.type.format(value, contextOf(site, page, row, view, 'here'));
    return { value, source, mixed, text };
  });
  const baseColumn = columns.findIndex((view) => view.id === views.base);
  return columns.map((view, index): ValueCell => {
    const own = layered?.at?.[view.id] ?? others.find((each) => each?.at?.[view.id])?.at?.[view.id];
    const origin = from(view.id);
    const overridden = origin !== undefined && origin !== views.base;
    const isBase = view.id === views.base;
    const based = others.some((each) => each?.base !== undefined);
    const state = isBase && based ? 'base' : own ? 'own' : overridden ? 'reached' : 'inherited';
    const towardsBase = index < baseColumn ? index + 1 : index - 1;
    const joins = (other: number) =>
      overridden && columns[other] !== undefined && from(columns[other].id) === origin;
    return {
      view,
      ...texts[index],
      state,
      stale: row.holders.some(
        (holder) =>
          property.wording &&
          isNode(holder) &&
          staleTexts(holder).some((each) => each.property === property && each.view === view.id),
      ),
      bounded: own?.reach === 'here',
      joinsLeft: joins(index - 1),
      joinsRight: joins(index + 1),
      written:
        state === 'base' || state === 'own' || isBase || texts[index].text !== texts[towardsBase]?.text,
    };
  });
}
