import { withReach, withValue, withoutValue, type EditReach } from '../values/change.ts';
import { isEmpty } from '../values/resolve.ts';
import { same } from '../values/express.ts';
import { resolve } from '../values/trace.ts';
import { schemaFaults } from '../site/faults.ts';
import { knownKind } from '../site/kinds/table.ts';
import type { Layered } from '../site/layered.ts';
import type { Node } from '../site/node.ts';
import type { NodeId } from '../site/nodeid.ts';
import { done, refused, type Outcome } from '../site/outcome.ts';
import type { Property } from '../site/properties/property.ts';
import { applies, propertyOf } from '../site/properties/table.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { viewOf, type Reach, type ViewId } from '../site/views.ts';
import type { Command } from './command.ts';
import { describeNodes, describeReach, describeValue } from './wording.ts';

interface ValueTarget {
  nodes: NodeId[];
  property: string;
  view: ViewId;
}

/** Looks up what a value command is aimed at; refuses what is not there or does not take the property. */
function aim(site: SiteFrame, page: Page, { nodes, property: name, view }: ValueTarget) {
  const property = propertyOf(name);
  if (!property) return refused(`There is no property “${name}”.`);
  if (!site.views.list.some((candidate) => candidate.id === view))
    return refused(`There is no view “${view}”.`);
  if (nodes.length === 0) return refused('Nothing is selected.');
  const found: Node[] = [];
  for (const id of nodes) {
    const node = page.nodes[id];
    if (!node) return refused('The element is not on this page any more.');
    const parent = node.parent === null ? undefined : page.nodes[node.parent];
    if (!applies(property, node.kind, parent?.kind)) {
      return refused(`${property.label} does not apply to ${node.name}.`);
    }
    found.push(node);
  }
  return done({ property, nodes: found });
}

function layeredOf(node: Node, property: Property): Layered<unknown> | undefined {
  return node.style.self?.[property.name];
}

function store(node: Node, property: Property, layered: Layered<unknown>): void {
  if (!isEmpty(layered)) {
    node.style.self ??= {};
    node.style.self[property.name] = layered;
  } else if (node.style.self) delete node.style.self[property.name];
}

/** Why a value cannot be a value of the property, or undefined. */
function valueFault(property: Property, value: unknown, site: SiteFrame): string | undefined {
  const shape = schemaFaults(property.type.schema, value);
  return shape[0]?.sentence ?? property.type.fault?.(value, site);
}

function sentence(site: SiteFrame, page: Page, args: SetValue, property: Property, before: unknown): string {
  const who = describeNodes(page, args.nodes);
  const where = describeReach(site, args.view, args.reach);
  if (property.name === 'shown') return `${who}: ${args.value ? 'shown' : 'hidden'} ${where}`;
  const node = page.nodes[args.nodes[0]];
  const to = describeValue(property, args.value, site, node);
  const change = args.nodes.length > 1 ? to : `${describeValue(property, before, site, node)} → ${to}`;
  return `${who}: ${property.label.toLowerCase()} ${where} ${change}`;
}

export interface SetValue extends ValueTarget {
  value: unknown;
  reach: EditReach;
}

/** Sets a value of one or more elements in a view, with a reach. */
export const setValue: Command<SetValue> = {
  run(site, draft, args): Outcome<string> {
    const aimed = aim(site, draft, args);
    if (!aimed.ok) return aimed;
    const { property, nodes } = aimed.value;
    const fault = valueFault(property, args.value, site);
    if (fault) return refused(`${property.label}: ${fault}`);
    const said = sentence(site, draft, args, property, resolve(site, draft, nodes[0], property, args.view));
    for (const node of nodes) {
      const next = withValue(layeredOf(node, property), site.views, args.view, args.value, args.reach);
      if (!same(next, layeredOf(node, property))) store(node, property, next);
    }
    return done(said);
  },
};

/** Drops what one or more elements have set at a view, so that the value is inherited again. */
export const clearValue: Command<ValueTarget> = {
  run(site, draft, args): Outcome<string> {
    const aimed = aim(site, draft, args);
    if (!aimed.ok) return aimed;
    const { property, nodes } = aimed.value;
    const base = args.view === site.views.base;
    const holding = nodes.filter((node) => {
      const layered = layeredOf(node, property);
      return base ? layered?.base !== undefined : layered?.at?.[args.view] !== undefined;
    });
    if (holding.length === 0) return refused('There is nothing to clear: the value is inherited here.');
    if (base && holding.some((node) => knownKind(node.kind).required?.includes(property.name))) {
      return refused(
        `${property.label} needs a value in the base view; it can be changed there, not cleared.`,
      );
    }
    for (const node of holding)
      store(node, property, withoutValue(layeredOf(node, property), site.views, args.view));
    const view = viewOf(site.views, args.view).name;
    return done(`${describeNodes(draft, args.nodes)}: ${property.label.toLowerCase()} in ${view} cleared`);
  },
};

/** Changes how far the overrides of one or more elements at a view go. */
export const setReach: Command<ValueTarget & { reach: Reach }> = {
  run(site, draft, args): Outcome<string> {
    const aimed = aim(site, draft, args);
    if (!aimed.ok) return aimed;
    const { property, nodes } = aimed.value;
    if (args.view === site.views.base)
      return refused('The base view has no reach: its value is the default for all.');
    const holding = nodes.filter((node) => layeredOf(node, property)?.at?.[args.view]);
    if (holding.length === 0) return refused('There is no override here whose reach could change.');
    for (const node of holding)
      store(node, property, withReach(layeredOf(node, property)!, args.view, args.reach));
    const who = describeNodes(draft, args.nodes);
    return done(
      `${who}: ${property.label.toLowerCase()} now holds ${describeReach(site, args.view, args.reach)}` +
        (args.reach === 'here' ? ' only' : ''),
    );
  },
};
