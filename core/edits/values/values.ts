import { withReach, withoutValue, type EditReach } from '../../layered/change.ts';
import { knownKind } from '../../elements/kinds/table.ts';
import { schemaFaults } from '../../faults.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import { same } from '../../layered/express.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { propertyOf } from '../../elements/propertytable.ts';
import { resolve } from '../../values/trace.ts';
import type { Page, SiteFrame } from '../../site/site.ts';
import { adjusted, type Adjustment } from '../../elements/valuetypes/adjust.ts';
import { viewOf, type Reach, type ViewId } from '../../layered/views.ts';
import {
  aim,
  scopeOf,
  layeredOf,
  setIn,
  settled,
  store,
  valueFault,
  type Aim,
  type ValueTarget,
} from './aim.ts';
import type { Command } from '../command.ts';
import { describeHolders, describeReach, describeProperty, describeValue } from './textbyview.ts';

export type SetValue = ValueTarget & { value: unknown; reach: EditReach };

function sentence(site: SiteFrame, args: SetValue, aimed: Aim): string {
  const { property, holders, nodes } = aimed;
  const who = describeHolders(holders);
  const where = describeReach(site, args.view, args.reach);
  if (property.name === 'shown') return `${who}: ${args.value ? 'shown' : 'hidden'} ${where}`;
  const to = describeValue(property, args.value, site, nodes[0]);
  const before = aimed.valueOf(holders[0], property);
  const from = describeValue(property, before, site, nodes[0]);
  if (property.wording && from === to) return `${who}: ${describeProperty(aimed)} ${where} changed`;
  const change = holders.length > 1 ? to : `${from} → ${to}`;
  return `${who}: ${describeProperty(aimed, args.linked)} ${where} ${change}`;
}

/** Sets a value of one or more elements in a view, with a reach. */
export const setValue: Command<SetValue> = {
  on: scopeOf,
  run(site, page, args): Outcome<string> {
    const aimed = aim(site, page, args);
    if (!aimed.ok) return aimed;
    const { property, properties, part, holders } = aimed.value;
    const { reach, view } = args;
    const shape = schemaFaults(property.type.schema, args.value)[0]?.sentence;
    if (shape) return refused(`${property.label}: ${shape}`);
    const value = settled(holders[0], property, args.value);
    const fault = valueFault(property, value, site);
    if (fault) return refused(`${property.label}: ${fault}`);
    const said = sentence(site, { ...args, value }, aimed.value);
    for (const holder of holders) {
      for (const each of properties) {
        const own = settled(holder, each, args.value);
        setIn(site, page, holder, part, each, { view, value: own, reach });
      }
    }
    return done(said);
  },
};

export interface SetDiffering {
  node: NodeId;
  /** By the names of properties. */
  values: Readonly<Record<string, unknown>>;
  view: ViewId;
  reach: EditReach;
}

/** Sets those of several values of an element that it does not have in the view already. Answers how many; refused where one does not fit. */
export function setDiffering(
  site: SiteFrame,
  page: Page,
  { node, values, view, reach }: SetDiffering,
  pages: Record<NodeId, Page>,
): Outcome<number> {
  let count = 0;
  for (const [name, value] of Object.entries(values)) {
    const property = propertyOf(name);
    if (property && same(resolve(site, page, page.nodes[node], property, view), value)) continue;
    const set = setValue.run(site, page, { nodes: [node], property: name, view, value, reach }, pages);
    if (!set.ok) return refused(`${page.nodes[node].name}: ${set.sentence}`);
    count += 1;
  }
  return done(count);
}

export type AdjustValue = ValueTarget & { adjustment: Adjustment; reach: EditReach };

/** Changes what elements have in a view by a number or a share, each from its own value. What has no number stays. */
export const adjustValue: Command<AdjustValue> = {
  on: scopeOf,
  run(site, page, args): Outcome<string> {
    const aimed = aim(site, page, args);
    if (!aimed.ok) return aimed;
    const { property, properties, part, holders } = aimed.value;
    let count = 0;
    for (const holder of holders) {
      for (const each of properties) {
        const value = adjusted(each.type, aimed.value.valueOf(holder, each), args.adjustment);
        if (value === undefined || valueFault(each, value, site) !== undefined) continue;
        setIn(site, page, holder, part, each, { view: args.view, value, reach: args.reach });
        count += 1;
      }
    }
    if (count === 0) return refused(`${property.label} has no number here that can be changed.`);
    const { adjustment } = args;
    const change =
      'by' in adjustment
        ? `${adjustment.by > 0 ? '+' : '−'}${Math.abs(adjustment.by)}`
        : `× ${adjustment.percent} %`;
    const what = describeProperty(aimed.value, args.linked);
    const where = describeReach(site, args.view, args.reach);
    return done(`${describeHolders(holders)}: ${what} ${where} ${change}`);
  },
};

/** Drops what one or more elements have set at a view, so that the value is inherited again. */
export const clearValue: Command<ValueTarget> = {
  on: scopeOf,
  run(site, page, args): Outcome<string> {
    const aimed = aim(site, page, args);
    if (!aimed.ok) return aimed;
    const { property, properties, part, holders } = aimed.value;
    const base = args.view === site.views.base;
    const holding = holders.flatMap((holder) =>
      properties
        .filter((each) => {
          const layered = layeredOf(holder, part, each);
          return base ? layered?.base !== undefined : layered?.at?.[args.view] !== undefined;
        })
        .map((each) => ({ holder, each })),
    );
    if (holding.length === 0) return refused('There is nothing to clear: the value is inherited here.');
    if (
      base &&
      part === 'self' &&
      (property.wording ||
        aimed.value.nodes.some(({ kind }) => knownKind(kind).required?.includes(property.name)))
    ) {
      return refused(
        `${property.label} needs a value in the base view; it can be changed there, not cleared.`,
      );
    }
    const what = describeProperty(aimed.value, args.linked);
    for (const { holder, each } of holding) {
      store(holder, part, each.name, withoutValue(layeredOf(holder, part, each), site.views, args.view));
    }
    const view = viewOf(site.views, args.view).name;
    return done(`${describeHolders(holders)}: ${what} in ${view} cleared`);
  },
};

/** Changes how far the overrides of one or more elements at a view go. */
export const setReach: Command<ValueTarget & { reach: Reach }> = {
  on: scopeOf,
  run(site, page, args): Outcome<string> {
    const aimed = aim(site, page, args);
    if (!aimed.ok) return aimed;
    const { properties, part, holders } = aimed.value;
    if (args.view === site.views.base)
      return refused('The base view has no reach: its value is the default for all.');
    let count = 0;
    for (const holder of holders) {
      for (const each of properties) {
        const layered = layeredOf(holder, part, each);
        if (!layered?.at?.[args.view]) continue;
        store(holder, part, each.name, withReach(layered, args.view, args.reach));
        count += 1;
      }
    }
    if (count === 0) return refused('There is no override here whose reach could change.');
    const what = describeProperty(aimed.value, args.linked);
    return done(
      `${describeHolders(holders)}: ${what} now holds ${describeReach(site, args.view, args.reach)}` +
        (args.reach === 'here' ? ' only' : ''),
    );
  },
};
