import type { Layered } from '../../layered/layered.ts';
import type { Style } from '../../site/node.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { done, refused } from '../../outcome.ts';
import type { Part } from '../../elements/parts.ts';
import type { Property, PropertyGroup } from '../../elements/properties/property.ts';
import { propertyOf } from '../../elements/propertytable.ts';
import { applies } from '../../site/applies.ts';
import type { SiteFrame } from '../../site/site.ts';
import { found, store, valueFault } from './aim.ts';
import type { Command } from '../command.ts';
import { isShared, valuesOf } from './stylevalues.ts';
import { counted } from '../../plural.ts';
import { describeHolders } from './textbyview.ts';

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
        isShared(property) &&
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
