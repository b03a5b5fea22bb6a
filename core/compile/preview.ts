import { hasTrait, isAtEdge, knownKind } from '../elements/kinds/table.ts';
import { sure } from '../sure.ts';
import type { Markup } from '../markup/markup.ts';
import { textsByViewOf } from '../elements/propertytable.ts';
import type { Node } from '../site/node.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { pageFor, type Visitor } from '../site/audience.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import type { Views } from '../layered/views.ts';
import { changedSince } from '../site/lineage.ts';
import { alikeButShared } from '../site/shared.ts';
import { interleavingAround } from '../values/interleaving.ts';
import { textStyleOf } from '../values/trace.ts';
import { ownVisibility } from '../values/visibility.ts';
import type { Addresses } from './addresses.ts';
import { bodyMarkup } from './body.ts';
import { memoised } from '../memo.ts';
import { followsPlaces, setsShares } from './across.ts';
import { elementRules } from './elementrules.ts';
import { sharedRules } from './rules.ts';
import type { CssRule } from './stack.ts';
import { lookup } from '../lookup.ts';

/** A page compiled for a sheet, in pieces that can be brought up to date one by one. */
export interface Preview {
  site: SiteFrame;
  page: Page;
  addresses: Addresses;
  /** The rules that do not belong to single elements. */
  shared: readonly CssRule[];
  /** The rules of an element. */
  rulesOf(id: NodeId): readonly CssRule[];
  body: Markup;
  /** The preview it was made from, and the elements whose rules may differ from there; absent: all of them. */
  since?: { preview: WeakRef<Preview>; elements: readonly NodeId[] };
}

const sameTexts = (one: Node, other: Node): boolean =>
  textsByViewOf(one.kind).every(
    ({ name }) => lookup(one.style.self, name) === lookup(other.style.self, name),
  );

/** What of a node its markup is made from. */
const sameMarkup = (one: Node | undefined, other: Node | undefined): boolean =>
  one !== undefined &&
  other !== undefined &&
  one.content === other.content &&
  one.children === other.children &&
  one.textStyle === other.textStyle &&
  one.style.self?.source === other.style.self?.source &&
  one.style.self?.alternate === other.style.self?.alternate &&
  one.style.self?.backgroundFilm === other.style.self?.backgroundFilm &&
  one.style.self?.edge === other.style.self?.edge &&
  sameTexts(one, other) &&
  ownVisibility(one) === ownVisibility(other);

/** The values that widths follow from, and with them which of its sizes an image is taken in. */
const IN_WIDTHS = [
  ...[
    'span',
    'interleave',
    'bleed',
    'direction',
    'gap',
    'blockAlign',
    'justifyItems',
    'width',
    'minWidth',
    'maxWidth',
    'tiles',
    'pageImages',
  ],
  ...['padding', 'margin', 'border'].flatMap((sides) => [`${sides}Left`, `${sides}Right`]),
  ...['cropRatio', 'fit', 'zoom', 'focalPoint', 'height', 'minHeight', 'aspectRatio'],
];

/** Whether images in an element are as wide as they were. */
const sameWidths = (page: Page, one: Node, other: Node): boolean =>
  IN_WIDTHS.every((name) => lookup(one.style.self, name) === lookup(other.style.self, name)) ||
  !holdsImages(page, other);

const holdsImages = (page: Page, node: Node): boolean =>
  hasTrait(node, 'image') || node.children.some((id) => holdsImages(page, page.nodes[id]));

/** Whether images may stand in an element’s content. */
const hasAssets = ({ kind }: Node): boolean => knownKind(kind).content.some(({ type }) => type.withAssets);

/** What of a node the shared rules are made from: which text style is used, which images stand behind elements, whether it says how wide its place is, what stays at the edges of the window. */
const sameShare = (one: Node | undefined, other: Node | undefined, site: SiteFrame): boolean =>
  one !== undefined &&
  other !== undefined &&
  one.style.self?.source === other.style.self?.source &&
  ((one.content === other.content && sameTexts(one, other)) || !hasAssets(one)) &&
  textStyleOf(one, site) === textStyleOf(other, site) &&
  !setsShares(other) &&
  (one.style === other.style || !isAtEdge(other.kind)) &&
  one.style.self?.backgroundPicture === other.style.self?.backgroundPicture &&
  one.style.self?.backgroundFilm === other.style.self?.backgroundFilm &&
  one.style.self?.backgroundSize === other.style.self?.backgroundSize;

function wholePreview(site: SiteFrame, page: Page, addresses: Addresses, visitor?: Visitor): Preview {
  return {
    site,
    page,
    addresses,
    shared: sharedRules(site, page, addresses, visitor),
    rulesOf: rulesIn(site, page),
    body: bodyMarkup(site, page, addresses, visitor),
  };
}

/** The rules of an element, which several sheets ask for. */
const rulesOf = memoised((node: Node, parent: Node | undefined, around: Node | undefined, views: Views) =>
  elementRules(node, parent, views, around),
);

const rulesIn = (site: SiteFrame, page: Page) => (id: NodeId) => {
  const node = page.nodes[id];
  if (!node) return [];
  const parent = node.parent === null ? undefined : page.nodes[node.parent];
  return rulesOf(node, parent, parent && interleavingAround(page, parent), site.views);
};

/** What a sheet shows of a page to a visitor whom all of it is not for: what it shares with others, and what is said in its place. */
export const closedPreview = (site: SiteFrame, page: Page, addresses: Addresses, visitor: Visitor): Preview =>
  wholePreview(site, pageFor(page, visitor), addresses, visitor);

/**
 * Compiles a page for a sheet. With a preview of an earlier state of the page, only what has changed since is looked
 * at, so that an edit costs what it touches.
 */
export function preview(site: SiteFrame, page: Page, addresses: Addresses, before?: Preview): Preview {
  const changed = before && before.page.id === page.id ? changedSince(before.page, page) : undefined;
  if (!before || !changed || before.addresses !== addresses || before.site.views !== site.views)
    return wholePreview(site, page, addresses);
  const at = (id: NodeId): [Node | undefined, Node | undefined] => [before.page.nodes[id], page.nodes[id]];
  // The order of a container's children, and which they are, is CSS on the children.
  const elements = changed.flatMap((id) => {
    const [earlier, node] = at(id);
    const inIt = node?.children ?? [];
    const interleaved = earlier?.style.self?.interleave ?? node?.style.self?.interleave;
    return [id, ...inIt, ...(interleaved ? inIt.flatMap((each) => page.nodes[each]?.children ?? []) : [])];
  });
  const sameSite = alikeButShared(before.site, site);
  const share =
    sameSite && !followsPlaces(before.shared) && changed.every((id) => sameShare(...at(id), site));
  const markup =
    sameSite &&
    changed.every((id) => sameMarkup(...at(id)) && sameWidths(page, sure(at(id)[0]), sure(at(id)[1])));
  return {
    site,
    page,
    addresses,
    shared: share ? before.shared : sharedRules(site, page, addresses),
    rulesOf: rulesIn(site, page),
    body: markup ? before.body : bodyMarkup(site, page, addresses),
    since: { preview: new WeakRef(before), elements },
  };
}
