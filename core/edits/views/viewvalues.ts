import {
  offsetFromBase,
  type View,
  viewId,
  type ViewId,
  viewIndex,
  type Views,
} from '../../layered/views.ts';
import { sure } from '../../sure.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import type { Part } from '../../elements/parts.ts';
import type { Property } from '../../elements/properties/property.ts';
import { knownProperty } from '../../elements/propertytable.ts';
import { held } from '../../layered/resolve.ts';
import type { Layered } from '../../layered/layered.ts';
import type { Node, PartStyle, Style } from '../../site/node.ts';
import { sharedPlaceOf, treesOf } from '../../site/shared.ts';
import type { Offering, Page, Site, SiteFrame, TreeName } from '../../site/site.ts';
import { resolve } from '../../values/trace.ts';
import { layeredOf, settled, store } from '../values/aim.ts';
import { stepType } from '../../elements/valuetypes/space.ts';
import type { StepSize } from '../../theme/resources.ts';
import { valuesOf } from '../values/stylevalues.ts';
import { describeValue, OFFERED } from '../values/textbyview.ts';
import { lookup } from '../../lookup.ts';

/** Everything of a site that is layered, each with how it is put back in another form. */
export function everyLayered(
  site: SiteFrame,
  pages: readonly Page[],
): { layered: Layered<unknown>; at: Place; put(next: Layered<unknown>): void }[] {
  const inStyle = (style: Style, at: Omit<Place, 'part' | 'name'>, styles: PartsOf) =>
    valuesOf(style).map(({ part, name, layered }) => ({
      layered,
      at: { ...at, part, name },
      put: (next: Layered<unknown>) => void ((styles[part] ??= {})[name] = next),
    }));
  return [
    ...site.spacing.map((step) => ({
      layered: step.size,
      at: { name: `space ${step.id}`, part: 'self' as const, space: step.id, holder: step.name },
      put: (next: Layered<unknown>) => void (step.size = next as Layered<StepSize>),
    })),
    ...site.pages.flatMap((head) =>
      head.offered
        ? {
            layered: head.offered,
            at: { name: `offered ${head.id}`, part: 'self' as const, head: head.id, holder: head.title },
            put: (next: Layered<unknown>) => void (head.offered = next as Layered<Offering>),
          }
        : [],
    ),
    ...site.textStyles.flatMap((style) =>
      inStyle(style.style, { textStyle: style.id, holder: style.name }, style.style as PartsOf),
    ),
    ...pages.flatMap((page) =>
      Object.values(page.nodes).flatMap((node) =>
        valuesOf(node.style).map(({ part, name }) => ({
          layered: sure(layeredOf(node, part, knownProperty(name))),
          at: { page, node, part, name },
          put: (next: Layered<unknown>) => putAnew(node, part, name, next),
        })),
      ),
    ),
  ];
}

/** Words that are said again stand beside what the content says then: nobody has changed them. */
function putAnew(node: Node, part: Part, name: string, next: Layered<unknown>): void {
  const property = knownProperty(name);
  store(node, part, name, next);
  const at = lookup(node.style[part], name)?.at;
  if (!property.wording || !at) return;
  for (const [view, override] of Object.entries(at))
    at[viewId(view)] = { ...override, value: settled(node, property, override.value) };
}

type PartsOf = Record<string, PartStyle | undefined>;

/** Where a layered value stands. */
export interface Place {
  page?: Page;
  node?: Node;
  textStyle?: string;
  space?: string;
  /** A page that says how it is offered. */
  head?: NodeId;
  /** The name of what it belongs to in the theme. */
  holder?: string;
  part: ReturnType<typeof valuesOf>[number]['part'];
  name: string;
}

/** Every tree of elements of a site: its pages in their order, and what they share. */
export const allTrees = (frame: SiteFrame, pages: Record<NodeId, Page>): Page[] => treesOf({ frame, pages });

/** What tells a layered value of a site from all others. */
export const keyOf = ({ page, node, textStyle, part, name }: Place): string =>
  [page?.id ?? '', node?.id ?? textStyle ?? '', part, name].join('/');

/** The view next to another, on the base's side; the view itself where it is the base. */
export const towardsBase = (views: Views, view: ViewId): View =>
  views.list[viewIndex(views, view) - Math.sign(offsetFromBase(views, view))];

/** A text style that says nothing in the base must not begin to: it would reach every view. */
export const canHandOver = (views: Views, view: ViewId, layered: Layered<unknown>, at: Place): boolean =>
  at.node !== undefined || layered.base !== undefined || towardsBase(views, view).id !== views.base;

/** A value that is set in a view, wherever in the site. */
export interface ValueInView {
  key: string;
  /** The page and element that it is of; neither is there for a value of the theme, and no page for what all share. */
  page?: NodeId;
  shared?: TreeName;
  node?: NodeId;
  /** What it is of, by name: an element, a text style, or a step of the spacing scale. */
  of: string;
  /** What it says there, and what holds in the neighbour on the base's side, in words. */
  value: string;
  beside: string;
  property?: Property;
  /** Set for how a page is offered. */
  offered?: true;
  part: Place['part'];
  /** Whether the neighbour can be given it. */
  canHandOver: boolean;
}

/** Everything that is set in a view, on all pages and in the theme: what goes when the view is deleted. */
export function valuesInView({ frame, pages }: Site, view: ViewId): ValueInView[] {
  const { views } = frame;
  const beside = towardsBase(views, view).id;
  return everyLayered(frame, allTrees(frame, pages)).flatMap(({ layered, at }) => {
    const own = layered.at?.[view];
    if (!own) return [];
    const { page, node, part } = at;
    const shared = node && sharedPlaceOf(node.id);
    const property = at.space === undefined && at.head === undefined ? knownProperty(at.name) : undefined;
    const words = (value: unknown) => {
      if (value === undefined || value === null) return '–';
      if (at.head !== undefined) return sure(lookup(OFFERED, value as Offering));
      if (property) return describeValue(property, value, frame, node);
      return `${stepType.format(value as StepSize, { site: frame })} px`;
    };
    const next = held(layered, views, beside)?.value;
    return [
      {
        key: keyOf(at),
        page: shared ? undefined : page?.id,
        shared,
        node: node?.id,
        of: node?.name ?? sure(at.holder, 'holder'),
        value: words(own.value),
        beside: words(
          next ??
            (node && resolve(frame, sure(page, 'page'), node, sure(property, 'property'), beside, part)),
        ),
        property,
        ...(at.head !== undefined && { offered: true as const }),
        part,
        canHandOver: canHandOver(views, view, layered, at),
      },
    ];
  });
}
