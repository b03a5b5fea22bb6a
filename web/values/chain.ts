import {
  held,
  kindOf,
  lookup,
  type NodeId,
  type Page,
  type Part,
  partStyleOf,
  same,
  type SiteFrame,
  type Source,
  sure,
  textStyleOf,
  type Traced,
  type View,
  type ViewId,
  viewOf,
  withoutValue,
} from '../../core/index.ts';
import { contextOf, layeredIn, tracedIn, type ValueCell } from './cells.ts';
import { isNode, leading, propertyOfRow, type ValueRow } from './rows.ts';

/** One link of a trace: words, and the cell they lead to, where there is one. */
export interface ChainLink {
  text: string;
  to?: { node?: NodeId; textStyle?: string; part: Part; property: string; view: ViewId };
}

const NOWHERE = 'set nowhere';

function linkTo(site: SiteFrame, page: Page, row: ValueRow, source: Source, value: string): ChainLink {
  const property = propertyOfRow(row).name;
  const holder = leading(row.holders);
  const viewName = (view: ViewId) => viewOf(site.views, view).name;
  switch (source.from) {
    case 'element': {
      const layered = isNode(holder) ? lookup(holder.style[row.part], property) : undefined;
      const reach = layered?.at?.[source.view]?.reach;
      const how = reach === 'onward' ? ' (onward)' : reach === 'here' ? ' (only here)' : '';
      return {
        text: `${value} from ${viewName(source.view)}${how}`,
        to: { node: source.node, part: row.part, property, view: source.view },
      };
    }
    case 'text style': {
      const name = site.textStyles.find(({ id }) => id === source.style)?.name ?? source.style;
      return {
        text: `${value} from the ${name} style, ${viewName(source.view)}`,
        to: { textStyle: source.style, part: 'self', property, view: source.view },
      };
    }
    case 'kind':
      return {
        text: `${value}, default of ${(kindOf(source.kind)?.label ?? source.kind).toLowerCase()}`,
      };
    case 'picture': {
      const name = site.assets.find(({ id }) => id === source.asset)?.name ?? source.asset;
      return { text: `${value}, from the shelf, for ${name}` };
    }
    case 'parent': {
      const inner = source.source;
      const view = inner.from === 'element' ? inner.view : site.views.base;
      return {
        text: `${value} inherited from ${page.nodes[source.node].name}`,
        to: { node: source.node, part: 'self', property, view },
      };
    }
    case 'initial':
      return { text: `${value}, ${NOWHERE}` };
  }
}

/** What the text style of the row's element says, where the value does not come from it. */
function styleLink(
  site: SiteFrame,
  row: ValueRow,
  view: View,
  format: (value: unknown) => string,
): ChainLink[] {
  const holder = leading(row.holders);
  if (!isNode(holder)) return [];
  const style =
    row.part === 'self' ? textStyleOf(holder, site) : partStyleOf(sure(kindOf(holder.kind)), row.part, site);
  const property = propertyOfRow(row).name;
  const says = held(lookup(style?.style.self, property), site.views, view.id);
  if (!style || !says) return [];
  return [
    {
      text: `${style.name} style says ${format(says.value)}`,
      to: { textStyle: style.id, part: 'self', property, view: says.view },
    },
  ];
}

/** What would stand in a cell if what is set there were cleared. */
function cleared(site: SiteFrame, page: Page, row: ValueRow, cell: ValueCell): Traced<unknown> | undefined {
  const holder = leading(row.holders);
  if (!isNode(holder)) return undefined;
  const property = propertyOfRow(row);
  const rest = withoutValue(layeredIn(row, holder, property), site.views, cell.view.id);
  const style = { ...holder.style, [row.part]: { ...holder.style[row.part], [property.name]: rest } };
  return tracedIn(site, page, row, { ...holder, style }, property, cell.view);
}

/**
 * A cell's trace as a short chain: where the value comes from, what would stand there without it, what it stands instead of, what
 * the text style says.
 */
export function traceChain(site: SiteFrame, page: Page, row: ValueRow, cell: ValueCell): ChainLink[] {
  const property = propertyOfRow(row);
  if (cell.mixed) {
    const what = row.holders.length > 1 ? `${row.holders.length} elements` : `${row.properties.length} sides`;
    return [{ text: `different values of ${what}` }];
  }
  const says = (value: unknown, view: View) =>
    property.type.format(value, contextOf(site, page, row, view, 'here'));
  const chain = [linkTo(site, page, row, cell.source, cell.text)];
  const without =
    cell.state === 'own' && cell.source.from === 'element' ? cleared(site, page, row, cell) : undefined;
  if (without) {
    const { text, to } = linkTo(site, page, row, without.source, says(without.value, cell.view));
    chain.push({ text: `if cleared: ${text}`, to });
  }
  const base = viewOf(site.views, site.views.base);
  const holder = leading(row.holders);
  if (cell.state === 'own' || cell.state === 'reached') {
    const instead = tracedIn(site, page, row, holder, property, base);
    const said = [cell.value, ...(without ? [without.value] : [])];
    if (!said.some((value) => same(value, instead.value))) {
      const target = isNode(holder) ? { node: holder.id } : { textStyle: holder.id };
      chain.push({
        text: `instead of ${says(instead.value, base)} in ${base.name}`,
        to: { ...target, part: row.part, property: property.name, view: base.id },
      });
    }
  }
  if (cell.source.from === 'element' && without?.source.from !== 'text style')
    chain.push(...styleLink(site, row, cell.view, (value) => says(value, cell.view)));
  return chain;
}
