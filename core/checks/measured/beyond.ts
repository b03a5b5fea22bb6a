import { callOf } from '../../edits/perform.ts';
import { knownProperty } from '../../elements/propertytable.ts';
import { takes } from '../../site/applies.ts';
import type { Extent } from '../../elements/valuetypes/extent.ts';
import { resolve } from '../../values/trace.ts';
import type { Fix } from '../finding.ts';
import { told } from '../edges.ts';
import type { LaidElement } from './laid.ts';
import type { LaidPage, MeasuredRule } from './rule.ts';

/** px; browsers round. */
const SAME = 0.5;

/** How far what is in an element reaches from the edge at which lines begin; px. */
function reach({ laid }: LaidPage, { box, lines }: LaidElement): number {
  const areas = [box, ...lines];
  return laid.rightToLeft
    ? laid.width - Math.min(...areas.map(({ left }) => left))
    : Math.max(...areas.map(({ right }) => right));
}

/** A least width that is wider than the window is given up. */
function fixesOf({ site, page, view, laid }: LaidPage, { node: id }: LaidElement): Fix[] {
  const node = page.nodes[id];
  return ['minWidth', 'width'].flatMap((name): Fix[] => {
    const property = knownProperty(name);
    if (!takes(node.kind, property)) return [];
    const value = resolve(site, page, node, property, view.id) as Extent;
    if (value === 'auto' || !('px' in value) || value.px <= laid.width) return [];
    const call = callOf('setValue', {
      ...{ nodes: [id], property: name, view: view.id },
      ...{ value: 'auto', reach: 'here' as const },
    });
    return [{ label: `Give up its ${property.label.toLowerCase()} in ${view.name}`, call }];
  });
}

/**
 * Nothing makes the page wider than its window, from 320 px on (https://www.w3.org/TR/WCAG22/#reflow). Of what stands out furthest, the
 * innermost is told; what is cut off does not make the page wider.
 */
export const beyondWindow: MeasuredRule = {
  name: 'wider than the window',
  clauses: { 'as it is': 'WCAG 2.2, 1.4.10' },
  severity: 'barrier',
  find(page) {
    const { width, scrolls, elements } = page.laid;
    const by = scrolls - width;
    if (by <= 0) return [];
    let furthest = width + SAME;
    let culprit: LaidElement | undefined;
    for (const element of elements) {
      const reaches = reach(page, element);
      if (reaches < furthest || reaches > scrolls + 1) continue;
      furthest = reaches;
      culprit = element;
    }
    if (!culprit) return [];
    return [
      {
        node: culprit.node,
        amount: by,
        sentence: `{name} makes the page up to ${told(by)} wider than the window {widths}.`,
        cure: 'Let it shrink, stack what stands beside it, or make it smaller there.',
        fixes: fixesOf(page, culprit),
      },
    ];
  },
};
