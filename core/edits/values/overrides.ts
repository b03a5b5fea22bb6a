import { current, isDraft } from 'immer';
import { countOverrides, overrideCount } from '../../values/count.ts';
import { same } from '../../layered/express.ts';
import { resolve } from '../../values/trace.ts';
import type { Layered } from '../../layered/layered.ts';
import type { Node } from '../../site/node.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { done, refused } from '../../outcome.ts';
import { PARTS, type Part } from '../../elements/parts.ts';
import type { Property } from '../../elements/properties/property.ts';
import { knownProperty } from '../../elements/propertytable.ts';
import type { Page, SiteFrame } from '../../site/site.ts';
import { viewOf, type ViewId } from '../../layered/views.ts';
import { scopeOf, found, holdersOf, store, type Holders, setIn } from './aim.ts';
import type { Command } from '../command.ts';
import { isShared, valuesOf } from './stylevalues.ts';
import { siblingsLike } from '../../site/tree.ts';
import { counted } from '../../plural.ts';
import { describeHolders } from './textbyview.ts';
import { lookup } from '../../lookup.ts';

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

const plain = (value: Layered<unknown>['at']): Layered<unknown>['at'] =>
  isDraft(value) ? current(value) : value;

function matchOverrides(sibling: Node, node: Node, part: Part): void {
  const names = new Set([node, sibling].flatMap((each) => Object.keys(each.style[part] ?? {})));
  for (const name of names) {
    if (!isShared(knownProperty(name))) continue;
    const base = lookup(sibling.style[part], name)?.base;
    const at = lookup(node.style[part], name)?.at;
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
    if (from === to) return refused('Overrides are copied from one view to another.');
    if (from === site.views.base) return refused('The base view has no overrides to copy.');
    const count = countOverrides(draft, ids, from);
    if (count === 0) return refused(`There are no overrides in ${source.name} to copy.`);
    for (const node of nodes.value) {
      for (const { part, name, layered } of valuesOf(node.style)) {
        const override = layered.at?.[from];
        if (!override) continue;
        const { value, reach } = override;
        setIn(site, draft, node, part, knownProperty(name), { view: to, value, reach });
      }
    }
    const what = counted(count, 'override');
    return done(`${describeHolders(nodes.value)}: ${what} copied from ${source.name} to ${target.name}`);
  },
};
