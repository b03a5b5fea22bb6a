import { hasTrait, isAtEdge } from '../elements/kinds/table.ts';
import { SAFE_AREAS, safeArea, STRIP_ROOM } from '../elements/properties/edge.ts';
import { element, type Markup } from '../markup/markup.ts';
import { TOP } from '../elements/kinds/up.ts';
import { knownProperty } from '../elements/propertytable.ts';
import type { Trait } from '../elements/traits.ts';
import { express } from '../layered/express.ts';
import type { Node } from '../site/node.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { resolve } from '../values/trace.ts';
import { hiddenBy } from '../values/visibility.ts';
import type { CssRule } from './stack.ts';
import { stylingOf } from './styling.ts';

/** What stays at the edges of the window, of what stands on a page. */
export const atEdges = (page: Page): Node[] =>
  page.nodes[page.root].children.map((id) => page.nodes[id]).filter(({ kind }) => isAtEdge(kind));

/** The kinds of some elements that have a trait. */
const kindsWith = (nodes: readonly Node[], trait: Trait): string[] => [
  ...new Set(nodes.filter((node) => hasTrait(node, trait)).map(({ kind }) => kind)),
];

/** How high a strip is, about: what it keeps from the lower edge all that must not lie under it. */
const STRIP = '4.5rem';

/** The rules of a page that has something at the edges of the window. */
export function edgeRules(site: SiteFrame, page: Page): CssRule[] {
  const all = atEdges(page);
  if (all.length === 0) return [];
  const edge = knownProperty('edge');
  const strips = all.filter((node) => hasTrait(node, 'strip'));
  const stack = stylingOf(site.views).stack();
  stack.layered(
    express(site.views, ({ id }) => ({
      [STRIP_ROOM]: strips.some(
        (node) =>
          hiddenBy(site, page, node, id) === undefined && resolve(site, page, node, edge, id) === 'lower',
      )
        ? STRIP
        : '0px',
    })),
  );
  const rule = (selector: string, declarations: CssRule['declarations']): CssRule => ({
    ...{ layer: 'foundation', distance: 0, selector, declarations },
  });
  return [
    ...stack.rules(':root', 'foundation'),
    // What the keyboard brings into the window lies under no strip (WCAG 2.2, 2.4.11).
    rule(':root', { ...SAFE_AREAS, 'scroll-padding-bottom': `var(${STRIP_ROOM})` }),
    // It goes at a touch, and when the keyboard goes into the page.
    ...kindsWith(all, 'screen').map((kind) =>
      rule(`:is(.${kind}:active, :root:has(:focus-visible) .${kind})`, {
        translate: '0 -200vh',
        transition: 'none',
      }),
    ),
    // The page has the whole screen (CSS Round Display 1, §3.1), and keeps clear of its edges.
    rule('.page', { 'padding-inline': `${safeArea('left')} ${safeArea('right')}` }),
  ];
}

/** What is said after all that elements say: on paper there is no edge of a window, and for some nothing is to move. */
export function edgesAtLast(page: Page): CssRule[] {
  const all = atEdges(page);
  const last = { layer: 'element', distance: Infinity } as const;
  return [
    ...kindsWith(all, 'screen').map((kind) => ({
      ...{ ...last, condition: '(prefers-reduced-motion: reduce)', selector: `.${kind}` },
      declarations: { 'animation-duration': '0s' },
    })),
    ...kindsWith(all, 'edge').map((kind) => ({
      ...{ ...last, condition: 'print', selector: `.${kind}` },
      declarations: { display: 'none' },
    })),
  ];
}

/** What stands before all else on a page from which a link leads back up: the focus goes on from there. */
export const topPlace = (page: Page): Markup[] =>
  atEdges(page).some((node) => hasTrait(node, 'floating'))
    ? [element('span', { class: 'place', id: TOP, tabindex: -1 })]
    : [];

/** Whether something at an edge stands before the page in the source: where it is above it in the base view. */
export const isFirst = (site: SiteFrame, page: Page, node: Node): boolean =>
  hasTrait(node, 'strip') && resolve(site, page, node, knownProperty('edge'), site.views.base) === 'upper';
