import { callOf } from '../../edits/perform.ts';
import { knownProperty } from '../../elements/propertytable.ts';
import { takes } from '../../site/applies.ts';
import { resolve } from '../../values/trace.ts';
import type { Fix } from '../finding.ts';
import { distanceText } from '../edges.ts';
import type { LaidElement } from './textlayout.ts';
import type { Detected, LaidPage, MeasuredRule } from './rule.ts';

/** px; browsers round. */
const SAME = 0.5;

/** How far what is seen of an element reaches from the edge at which lines begin, and before that edge; px. */
function reach({ laid }: LaidPage, { box, uncut, lines }: LaidElement): { end: number; before: number } {
  const areas = [uncut ?? box, ...lines.filter(({ cutAcross }) => cutAcross === 0)];
  const left = Math.min(...areas.map((area) => area.left));
  const right = Math.max(...areas.map((area) => area.right));
  return laid.rightToLeft
    ? { end: laid.width - left, before: right - laid.width }
    : { end: right, before: -left };
}

/** Returns the innermost elements of some: those that hold no other of them. */
function innermost(page: LaidPage, elements: readonly LaidElement[]): LaidElement[] {
  const outer = new Set(elements.flatMap(({ node }) => page.around(node)));
  return elements.filter(({ node }) => !outer.has(node));
}

/** A least width that is wider than the window is given up. */
function fixesOf({ site, page, view, laid }: LaidPage, { node: id }: LaidElement): Fix[] {
  const node = page.nodes[id];
  return (['minWidth', 'width'] as const).flatMap((name): Fix[] => {
    const property = knownProperty(name);
    if (!takes(node.kind, property)) return [];
    const value = resolve(site, page, node, property, view.id);
    if (value === 'auto' || !('px' in value) || value.px <= laid.width) return [];
    const call = callOf('setValue', {
      ...{ nodes: [id], property: name, view: view.id },
      ...{ value: 'auto', reach: 'here' as const },
    });
    return [{ label: `Remove its ${property.label.toLowerCase()} in ${view.name}`, call }];
  });
}

/**
 * Nothing makes the page wider than its window, from 320 px on (https://www.w3.org/TR/WCAG22/#reflow). Each innermost element that reaches
 * out is reported; what is cut off does not make the page wider.
 */
export const beyondWindow: MeasuredRule = {
  name: 'wider than the window',
  clauses: { 'as it is': 'WCAG 2.2, 1.4.10' },
  severity: 'barrier',
  find(page) {
    const { width, scrolls, elements } = page.laid;
    if (scrolls <= width) return [];
    const out = elements.filter((element) => {
      const { end } = reach(page, element);
      return end > width + SAME && end <= scrolls + 1;
    });
    return innermost(page, out).map((culprit): Detected => {
      const by = reach(page, culprit).end - width;
      return {
        node: culprit.node,
        amount: by,
        sentence: `{name} makes the page up to ${distanceText(by)} wider than the window {widths}.`,
        cure: 'Let it shrink, stack what is beside it, or make it smaller there.',
        fixes: fixesOf(page, culprit),
      };
    });
  },
};

/** Whether something of an element itself can be seen, and not only what is in it. */
const isVisible = ({ lines, targets, picture, painted }: LaidElement): boolean =>
  lines.length > 0 || targets.length > 0 || picture !== undefined || painted !== undefined;

/** Nothing reaches out of the window where lines begin: nobody can scroll there. */
export const beforeWindow: MeasuredRule = {
  name: 'outside the window',
  clauses: { 'as it is': 'WCAG 2.2, 1.4.10' },
  severity: 'barrier',
  find(page) {
    const out = page.laid.elements.filter(
      (element) => isVisible(element) && reach(page, element).before > SAME,
    );
    const side = page.laid.rightToLeft ? 'right' : 'left';
    return innermost(page, out).map((culprit): Detected => {
      const { before } = reach(page, culprit);
      return {
        node: culprit.node,
        amount: before,
        sentence: `Up to ${distanceText(before)} of {name} are outside the window, at its ${side} edge, {widths}. Nobody can scroll there.`,
        cure: 'Change the margin or the position that moves it out.',
      };
    });
  },
};
