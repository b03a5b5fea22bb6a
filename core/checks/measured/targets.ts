import { hasTrait } from '../../elements/kinds/table.ts';
import { callOf } from '../../edits/perform.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { knownProperty } from '../../elements/propertytable.ts';
import { takes } from '../../site/applies.ts';
import type { Fix } from '../finding.ts';
import { commonAcross, commonDown, heightOf, pairs, widthOf } from '../edges.ts';
import type { LaidTarget } from './textlayout.ts';
import { AS_PRACTICE, type Detected, type LaidPage, type MeasuredRule } from './rule.ts';

/** px; https://www.w3.org/TR/WCAG22/#target-size-minimum */
const LEAST = 24;

/** px; common practice for what a thumb presses, and https://www.w3.org/TR/WCAG22/#target-size-enhanced. */
const COMFORTABLE = 44;

type Owned = LaidTarget & { node: NodeId };

const ownedTargets = ({ laid }: LaidPage): Owned[] =>
  laid.elements.flatMap(({ node, targets }) => targets.map((target) => ({ ...target, node })));

const smaller = (target: LaidTarget, than: number): boolean =>
  Math.min(widthOf(target), heightOf(target)) < than - 0.5;

const centre = ({ left, right, top, bottom }: LaidTarget) => ({
  x: (left + right) / 2,
  y: (top + bottom) / 2,
});

/** px from a point to the nearest point of a target. */
function distance({ x, y }: { x: number; y: number }, { left, right, top, bottom }: LaidTarget): number {
  return Math.hypot(Math.max(left - x, 0, x - right), Math.max(top - y, 0, y - bottom));
}

/**
 * Whether a target may be small, as others keep clear of it: a circle of 24 px around its middle meets no other target, nor the circle of
 * another small one.
 */
function keptClear(target: Owned, all: readonly Owned[]): boolean {
  const at = centre(target);
  return all.every((other) => {
    if (other === target) return true;
    if (distance(at, other) < LEAST / 2) return false;
    const middle = centre(other);
    return !smaller(other, LEAST) || Math.hypot(at.x - middle.x, at.y - middle.y) >= LEAST;
  });
}

/** Targets that are too small by the standard. Links in lines of words, and what the browser draws by itself, are left out. */
function tooSmall(page: LaidPage): Owned[] {
  const all = ownedTargets(page);
  return all.filter(
    (target) => !target.inWords && !target.native && smaller(target, LEAST) && !keptClear(target, all),
  );
}

function heightened({ page, view }: LaidPage, id: NodeId, least: number): Fix[] {
  if (!takes(page.nodes[id].kind, knownProperty('minHeight')) || !hasTrait(page.nodes[id], 'action'))
    return [];
  const call = callOf('setValue', {
    ...{ nodes: [id], property: 'minHeight', view: view.id },
    ...{ value: least, reach: 'here' as const },
  });
  return [{ label: `Make it ${least} px high in ${view.name}`, call }];
}

/** The smallest target of each element, told once. */
function smallest(page: LaidPage, targets: readonly Owned[], least: number): Detected[] {
  const worst = new Map<NodeId, Owned>();
  const side = (target: Owned) => Math.min(widthOf(target), heightOf(target));
  for (const target of targets) {
    const before = worst.get(target.node);
    if (!before || side(target) < side(before)) worst.set(target.node, target);
  }
  return [...worst.values()].map((target): Detected => {
    const count = targets.filter(({ node }) => node === target.node).length;
    const size = `${Math.round(widthOf(target))} × ${Math.round(heightOf(target))} px`;
    const others = count > 1 ? `, and ${count - 1} more in it are small` : '';
    return {
      ...{ node: target.node, amount: least - side(target) },
      sentence: `“${target.name}” in {name} is ${size} to press {widths}${others}.`,
      cure: `Make it ${least} px or more in width and height.`,
      fixes: heightOf(target) < least ? heightened(page, target.node, least) : [],
    };
  });
}

/** What is pressed is 24 px each way, or keeps clear of others. */
export const smallTargets: MeasuredRule = {
  name: 'target too small',
  clauses: { 'as it is': 'WCAG 2.2, 2.5.8' },
  severity: 'barrier',
  find: (page) => smallest(page, tooSmall(page), LEAST),
};

/** In views that are narrower than the base, what is pressed has the room that a thumb needs. */
export const tightTargets: MeasuredRule = {
  name: 'target small for a thumb',
  clauses: AS_PRACTICE,
  severity: 'advice',
  find(page) {
    if (!page.narrow) return [];
    const reported = new Set(tooSmall(page).map(({ node }) => node));
    const small = ownedTargets(page).filter(
      (target) => !target.inWords && !target.native && heightOf(target) < COMFORTABLE - 0.5,
    );
    return smallest(
      page,
      small.filter(({ node }) => !reported.has(node)),
      COMFORTABLE,
    );
  },
};

/** px between what a thumb presses, where it is not large itself (common practice). */
const APART = 8;

/** In views that are narrower than the base, what is pressed keeps clear of what else is, unless it is large. */
export const closeTargets: MeasuredRule = {
  name: 'targets close together',
  clauses: AS_PRACTICE,
  severity: 'advice',
  find(page) {
    if (!page.narrow) return [];
    const worst = new Map<NodeId, Detected>();
    const all = ownedTargets(page).filter(({ inWords, native }) => !inWords && !native);
    for (const [one, other] of pairs(all, APART)) {
      const [across, down] = [commonAcross(one, other), commonDown(one, other)];
      const beside = down > 0 && across <= 0 && Math.min(widthOf(one), widthOf(other)) < COMFORTABLE;
      const below = across > 0 && down <= 0 && Math.min(heightOf(one), heightOf(other)) < COMFORTABLE;
      const room = beside ? -across : below ? -down : APART;
      if (room >= APART - 0.5 || (worst.get(one.node)?.amount ?? 0) >= APART - room) continue;
      worst.set(one.node, {
        ...{ node: one.node, other: other.node, amount: APART - room },
        sentence: `“${one.name}” in {name} is ${Math.round(room)} px from “${other.name}” {widths}.`,
        cure: `Put ${APART} px between them there, or make both ${COMFORTABLE} px large.`,
      });
    }
    return [...worst.values()];
  },
};
