import { isAtEdge } from '../../elements/kinds/table.ts';
import { knownProperty } from '../../elements/propertytable.ts';
import { resolve } from '../../values/trace.ts';
import { callOf } from '../../edits/perform.ts';
import { heightOf, widthOf } from '../edges.ts';
import type { LaidElement } from './textlayout.ts';
import { AS_PRACTICE, type Detected, type LaidPage, type MeasuredRule } from './rule.ts';

/** Screens that a section may be high, and the share of one that may stay covered (common practice). */
const SCREENS = 3;
const COVERED = 1 / 3;

/** A section is no higher than three screens of its view. */
export const tallSections: MeasuredRule = {
  name: 'section over three screens',
  clauses: AS_PRACTICE,
  severity: 'advice',
  find(page) {
    const { height } = page.view.sheet;
    return page.within(page.page.root).flatMap(({ node, box }): Detected[] => {
      const screens = heightOf(box) / height;
      if (screens <= SCREENS) return [];
      return [
        {
          ...{ node, amount: screens },
          sentence: `{name} is up to ${screens.toFixed(1)} screens high {widths}.`,
          cure: 'Split it, or hide what is not needed in this view.',
        },
      ];
    });
  },
};

const hides = ({ view }: LaidPage, { node }: LaidElement) => ({
  label: `Hide it in ${view.name}`,
  call: callOf('setValue', {
    ...{ nodes: [node], property: 'shown', view: view.id },
    ...{ value: false, reach: 'here' as const },
  }),
});

/** Where what stays does so: what was made for the edges of the window lies at one of them. */
function staying(page: LaidPage, { node }: LaidElement): { at: string; lower: boolean; alone: boolean } {
  const element = page.node(node);
  if (!isAtEdge(element.kind)) return { at: 'top', lower: false, alone: false };
  const lower = resolve(page.site, page.page, element, knownProperty('edge'), page.view.id) === 'lower';
  return { at: lower ? 'lower edge' : 'top', lower, alone: true };
}

const lets = ({ view }: LaidPage, { node }: LaidElement) => ({
  label: `Let it scroll with the page in ${view.name}`,
  call: callOf('setValue', {
    ...{ nodes: [node], property: 'sticky', view: view.id },
    ...{ value: false, reach: 'here' as const },
  }),
});

/** What stays in the window covers no more than a third of the screen. */
export const tallStaying: MeasuredRule = {
  name: 'covers much of the screen',
  clauses: AS_PRACTICE,
  severity: 'advice',
  find(page) {
    const { height } = page.view.sheet;
    return page.laid.elements
      .filter(({ stays, box }) => stays && heightOf(box) > height * COVERED)
      .map((element): Detected => {
        const { at, alone } = staying(page, element);
        const share = Math.round((100 * heightOf(element.box)) / height);
        return {
          ...{ node: element.node, amount: share },
          sentence: `{name} stays at the ${at} and covers up to ${share} % of the screen {widths}.`,
          cure: `Make it lower there, or ${alone ? 'hide it' : 'let it scroll with the page'}.`,
          fixes: [alone ? hides(page, element) : lets(page, element)],
        };
      });
  },
};

const keptClear = ({ page, view }: LaidPage, { box }: LaidElement) => {
  const height = Math.ceil(heightOf(box));
  return {
    label: `Keep ${height} px clear at the top of the page in ${view.name}`,
    call: callOf('setValue', {
      ...{ nodes: [page.root], property: 'clearTop', view: view.id },
      ...{ value: height, reach: 'here' as const },
    }),
  };
};

/**
 * What has the focus is not wholly covered by what stays (https://www.w3.org/TR/WCAG22/#focus-not-obscured-minimum). A browser brings what
 * takes the focus to the nearest edge of the window, where what stays lies over all that is not higher.
 */
export const coveredFocus: MeasuredRule = {
  name: 'focus covered',
  clauses: { 'as it is': 'WCAG 2.2, 2.4.11' },
  severity: 'barrier',
  find(page) {
    const { elements } = page.laid;
    return elements
      .filter(({ stays }) => stays)
      .flatMap((element): Detected[] => {
        const { node, box } = element;
        const place = page.node(node).parent;
        if (place === null) return [];
        const { at, lower, alone } = staying(page, element);
        const clear = lower ? page.laid.keptClearBelow : page.laid.keptClear;
        const covered = elements.find(
          (other) =>
            other.node !== node &&
            !page.around(other.node).includes(node) &&
            page.around(other.node).includes(place) &&
            other.targets.some(
              (target) =>
                (lower ? target.bottom <= box.top : target.top >= box.bottom) &&
                target.left >= box.left &&
                target.right <= box.left + widthOf(box) &&
                heightOf(target) <= heightOf(box) - clear,
            ),
        );
        if (!covered) return [];
        return [
          {
            ...{ node, other: covered.node, amount: heightOf(box) },
            sentence: `{name} stays at the ${at} and lies over {other} when that takes the focus {widths}.`,
            cure: lower
              ? 'Make it lower there, with less text.'
              : `Keep as much clear at the top of the page, or ${alone ? 'hide it' : 'let it scroll with the page'} there.`,
            fixes: [
              ...(lower ? [] : [keptClear(page, element)]),
              alone ? hides(page, element) : lets(page, element),
            ],
          },
        ];
      });
  },
};
