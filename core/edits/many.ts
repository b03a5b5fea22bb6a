import { current } from 'immer';
import { withValue } from '../values/change.ts';
import { isEmpty } from '../values/resolve.ts';
import { same } from '../values/express.ts';
import type { Layered } from '../site/layered.ts';
import type { Node, PartStyle } from '../site/node.ts';
import type { NodeId } from '../site/nodeid.ts';
import { done, refused, type Outcome } from '../site/outcome.ts';
import type { Property, PropertyGroup } from '../site/properties/property.ts';
import { applies, knownProperty } from '../site/properties/table.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { viewOf, type ViewId } from '../site/views.ts';
import type { Command } from './command.ts';
import { describeNodes } from './wording.ts';

/** An element and everything in it, in source order. */
export function subtree(page: Page, id: NodeId): NodeId[] {
  return [id, ...page.nodes[id].children.flatMap((child) => subtree(page, child))];
}

/** How many overrides a command over these elements would concern: in one view, or in all. */
export function countOverrides(page: Page, nodes: readonly NodeId[], view?: ViewId): number {
  return nodes.reduce(
    (sum, id) =>
      sum +
      Object.values(page.nodes[id].style.self ?? {}).reduce(
        (inner, { at = {} }) => inner + (view ? (at[view] ? 1 : 0) : Object.keys(at).length),
        0,
      ),
    0,
  );
}

const counted = (count: number, one: string) => `${count} ${count === 1 ? one : `${one}s`}`;

/** The elements by id; refused when one is not there or none is given. */
function found(page: Page, ids: readonly NodeId[]): Outcome<Node[]> {
  if (ids.length === 0) return refused('Nothing is selected.');
  const nodes = ids.map((id) => page.nodes[id]);
  return nodes.every(Boolean) ? done(nodes) : refused('The element is not on this page any more.');
}

function put(node: Node, name: string, layered: Layered<unknown>): void {
  node.style.self ??= {};
  if (isEmpty(layered)) delete node.style.self[name];
  else if (!same(layered, node.style.self[name])) node.style.self[name] = layered;
}

export interface ClearOverrides {
  nodes: NodeId[];
  /** Only the overrides of this view; absent: those of all views. */
  view?: ViewId;
}

/** Drops the overrides of elements, so that they are in the view, or everywhere, what the base says. */
export const clearOverrides: Command<ClearOverrides> = {
  run(site, draft, { nodes: ids, view }) {
    const nodes = found(draft, ids);
    if (!nodes.ok) return nodes;
    const count = countOverrides(draft, ids, view);
    const where = view ? `in ${viewOf(site.views, view).name}` : 'in every view';
    if (count === 0) return refused(`There are no overrides to clear ${where}.`);
    for (const node of nodes.value) {
      for (const [name, layered] of Object.entries(node.style.self ?? {})) {
        const at = Object.fromEntries(
          Object.entries(layered.at ?? {}).filter(([id]) => view !== undefined && id !== view),
        );
        const next: Layered<unknown> = layered.base === undefined ? {} : { base: layered.base };
        put(node, name, Object.keys(at).length > 0 ? { ...next, at } : next);
      }
    }
    return done(`${describeNodes(draft, ids)}: ${counted(count, 'override')} ${where} cleared`);
  },
};

/** Properties that belong to one element alone: the order of its children, the picture it shows. */
const OWN = new Set(['order', 'source']);

export interface PasteValues {
  nodes: NodeId[];
  /** The values copied from an element. */
  style: PartStyle;
  /** Only these groups; absent: all. */
  groups?: PropertyGroup[];
}

/** Gives elements the values copied from another, with their overrides and reach. What does not apply is left out and said. */
export const pasteValues: Command<PasteValues> = {
  run(site, draft, { nodes: ids, style, groups }) {
    const nodes = found(draft, ids);
    if (!nodes.ok) return nodes;
    const wanted = Object.entries(style)
      .map(([name, layered]) => ({ property: knownProperty(name), layered }))
      .filter(({ property }) => !OWN.has(property.name) && (!groups || groups.includes(property.group)));
    const left = new Set<Property>();
    let count = 0;
    for (const node of nodes.value) {
      const parent = node.parent === null ? undefined : draft.nodes[node.parent];
      for (const { property, layered } of wanted) {
        if (!applies(property, node.kind, parent?.kind) || !understood(layered, property, site))
          left.add(property);
        else {
          put(node, property.name, structuredClone(layered));
          count += 1;
        }
      }
    }
    if (count === 0) return refused(`None of the copied values apply to ${describeNodes(draft, ids)}.`);
    const missing =
      left.size > 0 ? `; left out: ${[...left].map(({ label }) => label.toLowerCase()).join(', ')}` : '';
    return done(`${describeNodes(draft, ids)}: ${counted(count, 'value')} pasted${missing}`);
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
    values.every((value) => property.type.fault?.(value, site) === undefined)
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

/** Gives all siblings of an element's kind its overrides; their base values stay. */
export const matchSiblings: Command<{ node: NodeId }> = {
  run(_site, draft, { node: id }) {
    const nodes = found(draft, [id]);
    if (!nodes.ok) return nodes;
    const [node] = nodes.value;
    const siblings = siblingsLike(draft, id);
    if (siblings.length === 0) return refused(`${node.name} has no siblings of its kind.`);
    const names = new Set(
      [node, ...siblings.map((sibling) => draft.nodes[sibling])].flatMap((each) =>
        Object.keys(each.style.self ?? {}),
      ),
    );
    for (const sibling of siblings.map((each) => draft.nodes[each])) {
      for (const name of names) {
        if (OWN.has(name)) continue;
        const base = sibling.style.self?.[name]?.base;
        const at = node.style.self?.[name]?.at;
        put(sibling, name, { ...(base !== undefined && { base }), ...(at && { at: current(at) }) });
      }
    }
    return done(`${node.name}: overrides given to ${counted(siblings.length, 'sibling')}`);
  },
};

export interface CarryOver {
  nodes: NodeId[];
  from: ViewId;
  to: ViewId;
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
      for (const [name, layered] of Object.entries(node.style.self ?? {})) {
        const override = layered.at?.[from];
        if (override) put(node, name, withValue(layered, site.views, to, override.value, override.reach));
      }
    }
    const what = counted(count, 'override');
    return done(`${describeNodes(draft, ids)}: ${what} carried over from ${source.name} to ${target.name}`);
  },
};
