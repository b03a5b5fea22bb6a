import { applies } from '../site/applies.ts';
import { current, isDraft } from 'immer';
import { withValue } from '../layered/change.ts';
import { countOverrides, overrideCount } from '../values/count.ts';
import { same } from '../layered/express.ts';
import { resolve } from '../values/trace.ts';
import { knownKind } from '../elements/kinds/table.ts';
import type { Layered } from '../layered/layered.ts';
import type { Node, PartStyle, Style } from '../site/node.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { done, refused } from '../outcome.ts';
import { PARTS, type Part } from '../elements/parts.ts';
import type { Property, PropertyGroup } from '../elements/properties/property.ts';
import { knownProperty, propertyOf } from '../elements/properties/table.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { viewOf, type ViewId } from '../layered/views.ts';
import { scopeOf, found, holdersOf, store, valueFault, type Holders } from './aim.ts';
import type { Command } from './command.ts';
import { counted, describeHolders } from './wording.ts';

/** An element and everything in it, in source order. */
export function subtree(page: Page, id: NodeId): NodeId[] {
  return [id, ...page.nodes[id].children.flatMap((child) => subtree(page, child))];
}

/** Every value of a style, with the part and the name it stands under. */
export const valuesOf = (style: Style): { part: Part; name: string; layered: Layered<unknown> }[] =>
  PARTS.flatMap((part) =>
    Object.entries(style[part] ?? {}).map(([name, layered]) => ({ part, name, layered })),
  );

/** Whose overrides go; only those of `view`, or, without one, those of all views. */
export type ClearOverrides = Holders & { view?: ViewId };

/** Drops the overrides of elements or of a text style, so that they are in the view, or everywhere, what the base says. */
export const clearOverrides: Command<ClearOverrides> = {
  on: scopeOf,
  run(site, page, { view, ...holders }) {
    const holding = holdersOf(site, page, holders);
    if (!holding.ok) return holding;
    const where = view ? `in ${viewOf(site.views, view).name}` : 'in every view';
    const count = holding.value.reduce((sum, each) => sum + overrideCount(each, view), 0);
    if (count === 0) return refused(`There are no overrides to clear ${where}.`);
    for (const holder of holding.value) {
      for (const { part, name, layered } of valuesOf(holder.style)) {
        const at = Object.fromEntries(
          Object.entries(layered.at ?? {}).filter(([id]) => view !== undefined && id !== view),
        );
        const next: Layered<unknown> = layered.base === undefined ? {} : { base: layered.base };
        store(holder, part, name, Object.keys(at).length > 0 ? { ...next, at } : next);
      }
    }
    return done(`${describeHolders(holding.value)}: ${counted(count, 'override')} ${where} cleared`);
  },
};

/** Properties that belong to one element alone: the order of its children, the picture it shows. */
const OWN = new Set(['order', 'source']);

/** Which of the values copied from an element are meant; absent fields: all. */
export interface ValueChoice {
  groups?: PropertyGroup[];
  /** Only these properties of these parts. */
  only?: { part: Part; property: string }[];
}

/** The values of a copied style that a choice means. */
export function chosenValues(style: Style, { groups, only }: ValueChoice) {
  return valuesOf(style)
    .flatMap(({ part, name, layered }) => {
      const property = propertyOf(name);
      return property ? [{ part, property, layered }] : [];
    })
    .filter(
      ({ part, property }) =>
        !OWN.has(property.name) &&
        (!groups || groups.includes(property.group)) &&
        (!only || only.some((each) => each.part === part && each.property === property.name)),
    );
}

export interface PasteValues extends ValueChoice {
  nodes: NodeId[];
  /** The values copied from an element. */
  style: Style;
}

/** Gives elements the values copied from another, with their overrides and reach. What does not apply is left out and said. */
export const pasteValues: Command<PasteValues> = {
  run(site, draft, { nodes: ids, style, ...choice }) {
    const nodes = found(draft, ids);
    if (!nodes.ok) return nodes;
    const wanted = chosenValues(style, choice);
    const left = new Set<Property>();
    let count = 0;
    for (const node of nodes.value) {
      const parent = node.parent === null ? undefined : draft.nodes[node.parent];
      for (const { part, property, layered } of wanted) {
        const suits = applies(property, node.kind, parent?.kind, part) && understood(layered, property, site);
        if (!suits) left.add(property);
        else {
          store(node, part, property.name, structuredClone(layered));
          count += 1;
        }
      }
    }
    if (count === 0) return refused(`None of the copied values apply to ${describeHolders(nodes.value)}.`);
    const missing =
      left.size > 0 ? `; left out: ${[...left].map(({ label }) => label.toLowerCase()).join(', ')}` : '';
    return done(`${describeHolders(nodes.value)}: ${counted(count, 'value')} pasted${missing}`);
  },
};

/** Whether a site knows what a copied value speaks of: its views, its colours. */
function understood(layered: Layered<unknown>, property: Property, site: SiteFrame): boolean {
  const known = new Set<string>(site.views.list.map((view) => view.id));
  const overrides = Object.entries(layered.at ?? {});
  const values = [
    ...(layered.base === undefined ? [] : [layered.base]),
    ...overrides.map(([, { value }]) => value),
  ];
  return (
    overrides.every(([view]) => known.has(view) && view !== site.views.base) &&
    values.every((value) => valueFault(property, value, site) === undefined)
  );
}

/** The other children of an element's parent that are of its kind. */
export function siblingsLike(page: Page, id: NodeId): NodeId[] {
  const node = page.nodes[id];
  if (node.parent === null) return [];
  return page.nodes[node.parent].children.filter(
    (other) => other !== id && page.nodes[other].kind === node.kind,
  );
}

const plain = (value: Layered<unknown>['at']): Layered<unknown>['at'] =>
  isDraft(value) ? current(value) : value;

function matchOverrides(sibling: Node, node: Node, part: Part): void {
  const names = new Set([node, sibling].flatMap((each) => Object.keys(each.style[part] ?? {})));
  for (const name of names) {
    if (OWN.has(name)) continue;
    const base = sibling.style[part]?.[name]?.base;
    const at = (node.style[part] as PartStyle | undefined)?.[name]?.at;
    store(sibling, part, name, { ...(base !== undefined && { base }), ...(at && { at: plain(at) }) });
  }
}

/** Gives all siblings of an element's kind its overrides; their base values stay. */
export const matchSiblings: Command<{ node: NodeId }> = {
  run(_site, draft, { node: id }) {
    const nodes = found(draft, [id]);
    if (!nodes.ok) return nodes;
    const [node] = nodes.value;
    const siblings = siblingsLike(draft, id);
    if (siblings.length === 0) return refused(`${node.name} has no siblings of its kind.`);
    for (const sibling of siblings) {
      for (const part of PARTS) matchOverrides(draft.nodes[sibling], node, part);
    }
    return done(`${node.name}: overrides given to ${counted(siblings.length, 'sibling')}`);
  },
};

export interface CarryOver {
  nodes: NodeId[];
  from: ViewId;
  to: ViewId;
}

/** What carrying over would put at a view in place of what is there. */
export interface Carried {
  node: Node;
  part: Part;
  property: Property;
  now: unknown;
  then: unknown;
  same: boolean;
}

/** Each override of a view among elements, with what it would replace in another view. */
export function carriedOver(site: SiteFrame, page: Page, { nodes, from, to }: CarryOver): Carried[] {
  return nodes.flatMap((id) => {
    const node = page.nodes[id];
    return valuesOf(node.style).flatMap(({ part, name, layered }) => {
      const override = layered.at?.[from];
      if (!override) return [];
      const property = knownProperty(name);
      const now = resolve(site, page, node, property, to, part);
      const then = override.value;
      return [{ node, part, property, now, then, same: same(now, then) }];
    });
  });
}

/** Copies the overrides of one view to another, where they hold as far as they did; what stood there is replaced. */
export const carryOver: Command<CarryOver> = {
  run(site, draft, { nodes: ids, from, to }) {
    const nodes = found(draft, ids);
    if (!nodes.ok) return nodes;
    const [source, target] = [viewOf(site.views, from), viewOf(site.views, to)];
    if (from === to) return refused('Overrides are carried over from one view to another.');
    if (from === site.views.base) return refused('The base view has no overrides to carry over.');
    const count = countOverrides(draft, ids, from);
    if (count === 0) return refused(`There are no overrides in ${source.name} to carry over.`);
    for (const node of nodes.value) {
      for (const { part, name, layered } of valuesOf(node.style)) {
        const override = layered.at?.[from];
        if (!override) continue;
        store(node, part, name, withValue(layered, site.views, to, override.value, override.reach));
      }
    }
    const what = counted(count, 'override');
    return done(
      `${describeHolders(nodes.value)}: ${what} carried over from ${source.name} to ${target.name}`,
    );
  },
};

/** Gives elements a text style, or, without one, the style that their kind takes by itself. */
export const setTextStyle: Command<{ nodes: NodeId[]; textStyle?: string }> = {
  run(site, draft, { nodes: ids, textStyle }) {
    const nodes = found(draft, ids);
    if (!nodes.ok) return nodes;
    const style = site.textStyles.find(({ id }) => id === textStyle);
    if (textStyle !== undefined && !style) return refused(`The site has no text style “${textStyle}”.`);
    const other = nodes.value.find(({ kind }) => !knownKind(kind).textStyle);
    if (other) return refused(`${other.name} has no words that could take a text style.`);
    for (const node of nodes.value) {
      if (textStyle === undefined) delete node.textStyle;
      else node.textStyle = textStyle;
    }
    return done(
      `${describeHolders(nodes.value)}: text style ${style?.name ?? 'as its kind has it'} in every view`,
    );
  },
};
