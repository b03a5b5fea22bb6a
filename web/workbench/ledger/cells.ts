import {
  applies,
  held,
  ownLayered,
  PROPERTIES,
  same,
  trace,
  viewOf,
  widthsOf,
  childrenIn,
  type Node,
  type NodeId,
  type Page,
  type Property,
  type SiteFrame,
  type Source,
  type ValueContext,
  type View,
  type ViewId,
  type EditReach,
} from '../../../core/index.ts';
import { columnsOf } from './columns.ts';

/** A row of the values table: a property, and the element that holds it (for a place in a row, the parent). */
export interface ValueRow {
  key: string;
  label: string;
  property: Property;
  holder: Node;
  /** The child whose place among the holder's children is meant. */
  child?: NodeId;
}

const FEWEST_TO_ORDER = 2;

/** The rows of an element's values, in the order of the property table. */
export function valueRows(page: Page, node: Node): ValueRow[] {
  const parent = node.parent === null ? undefined : page.nodes[node.parent];
  return PROPERTIES.flatMap((property): ValueRow[] => {
    const rows: ValueRow[] = [];
    if (property.onChildren) {
      if (parent && parent.children.length >= FEWEST_TO_ORDER && property.kinds.includes(parent.kind)) {
        rows.push({
          key: `${property.name} of parent`,
          label: property.childLabel ?? property.label,
          property,
          holder: parent,
          child: node.id,
        });
      }
      if (node.children.length < FEWEST_TO_ORDER) return rows;
    }
    if (applies(property, node.kind, parent?.kind)) {
      rows.push({ key: property.name, label: property.label, property, holder: node });
    }
    return rows;
  });
}

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
export function contextOf(site: SiteFrame, row: ValueRow, view: View, reach: EditReach): ValueContext {
  return {
    site,
    columns: view.grid.columns,
    fluidWidths: fluidWidths(site, view.id, reach),
    siblings: row.property.onChildren
      ? { order: childrenIn(site, row.holder, view.id), source: row.holder.children, child: row.child }
      : undefined,
  };
}

/** A cell of the values table, ready to be drawn. */
export interface ValueCell {
  view: View;
  value: unknown;
  text: string;
  /** `base`: the value of the base view; `own`: an override here; `reached`: under another override; `inherited`: the rest. */
  state: 'base' | 'own' | 'reached' | 'inherited';
  /** The override holds only here. */
  bounded: boolean;
  /** The neighbouring columns under the same override. */
  joinsLeft: boolean;
  joinsRight: boolean;
  /** The value is written although it is inherited: it differs from the neighbour towards the base, or stands in the base. */
  written: boolean;
  source: Source;
}

/** The cells of a row, in the order of the columns. */
export function valueCells(site: SiteFrame, page: Page, row: ValueRow): ValueCell[] {
  const { property, holder } = row;
  const { views } = site;
  const columns = columnsOf(site);
  const layered = ownLayered(holder, 'self', property);
  const from = (view: ViewId | undefined) =>
    view === undefined ? undefined : held(layered, views, view)?.view;
  const texts = columns.map((view) => {
    const { value, source } = trace(site, page, holder, 'self', property, view.id);
    const text = property.type.format(value, contextOf(site, row, view, 'here'));
    return { value, source, text };
  });
  const baseColumn = columns.findIndex((view) => view.id === views.base);
  return columns.map((view, index): ValueCell => {
    const own = layered?.at?.[view.id];
    const origin = from(view.id);
    const overridden = origin !== undefined && origin !== views.base;
    const isBase = view.id === views.base;
    const state =
      isBase && layered?.base !== undefined ? 'base' : own ? 'own' : overridden ? 'reached' : 'inherited';
    const towardsBase = index < baseColumn ? index + 1 : index - 1;
    const joins = (other: number) =>
      overridden && columns[other] !== undefined && from(columns[other].id) === origin;
    return {
      view,
      ...texts[index],
      state,
      bounded: own?.reach === 'here',
      joinsLeft: joins(index - 1),
      joinsRight: joins(index + 1),
      written:
        state === 'base' || state === 'own' || isBase || texts[index].text !== texts[towardsBase]?.text,
    };
  });
}

function describeSource(site: SiteFrame, page: Page, source: Source): string {
  switch (source.from) {
    case 'element':
      return source.view === site.views.base
        ? `set in ${viewOf(site.views, source.view).name}, the base`
        : `set in ${viewOf(site.views, source.view).name}`;
    case 'text style': {
      const style = site.textStyles.find((candidate) => candidate.id === source.style)?.name ?? source.style;
      return source.view === site.views.base
        ? `from the text style ${style}`
        : `from the text style ${style}, ${viewOf(site.views, source.view).name}`;
    }
    case 'kind':
      return `what a ${source.kind} has by itself`;
    case 'parent':
      return `inherited from ${page.nodes[source.node].name}`;
    case 'initial':
      return 'set nowhere';
  }
}

/** A cell's trace in words: the value, where it comes from, and what it stands instead of. */
export function describeTrace(site: SiteFrame, page: Page, row: ValueRow, cell: ValueCell): string {
  const { property, holder } = row;
  const layered = ownLayered(holder, 'self', property);
  const own = layered?.at?.[cell.view.id];
  const says = (value: unknown, view: View) =>
    property.type.format(value, contextOf(site, row, view, 'here'));
  let words = `${row.label} in ${cell.view.name}: ${cell.text}, ${describeSource(site, page, cell.source)}`;
  if (own) words += own.reach === 'onward' ? ' and onward' : ', only here';
  const base = viewOf(site.views, site.views.base);
  if (own || cell.state === 'reached') {
    const instead = trace(site, page, holder, 'self', property, base.id);
    if (!same(instead.value, cell.value))
      words += ` · instead of ${says(instead.value, base)} in ${base.name}`;
  }
  return words;
}
