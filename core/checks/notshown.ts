import { onPageOf } from '../site/tree.ts';
import { valueIn } from '../values/trace.ts';
import { sure } from '../sure.ts';
import { hasTrait, knownKind } from '../elements/kinds/table.ts';
import { plainText } from '../markup/fragment.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { NO_IMAGE } from '../elements/valuetypes/image.ts';
import type { ViewId } from '../layered/views.ts';
import type { Node } from '../site/node.ts';
import { headOf, type Page, type SiteFrame } from '../site/site.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { givesWay, isShown } from '../values/visibility.ts';
import { textIn } from '../values/textbyview.ts';
import { hiddenAncestorFor, type Visitor } from '../site/audience.ts';
import { offeringIn } from '../site/offering.ts';
import { entriesIn } from '../values/menus.ts';
import { EDGE, landmarkOf } from '../compile/opening.ts';
import { colourOf, contrastIn } from './contrast.ts';
import { heightOf, inside, widthOf, type Edges } from './edges.ts';

/** Why a visitor does not see an element in a view. */
export type Reason =
  /** The page is not offered. */
  | 'page'
  /** It, or something that it stands in, is for other visitors. */
  | 'audience'
  /** It says so itself. */
  | 'itself'
  /** Another alternate of its set shows. */
  | 'alternates'
  /** Something that it stands in is not shown. */
  | 'parent'
  /** Nothing is in it that could be seen. */
  | 'empty'
  /** It, or something that it stands in, lets everything through. */
  | 'transparent'
  /** Its words have the colour of what is behind them. */
  | 'colour'
  /** Another element lies over all of it. */
  | 'covered'
  /** It lies beyond the edges of the page, or has no room. */
  | 'outside'
  /** What it stands in cuts it off. */
  | 'clipped';

/** An element that is not seen in a view. */
export interface Absence {
  node: NodeId;
  reason: Reason;
  /** What is to blame, where that is another element: the parent that is hidden, the alternate that shows, what lies over it. */
  by?: NodeId;
}

/** What a browser shows of an element that has a box. */
export interface MeasuredBox {
  node: NodeId;
  box: Edges;
  /** What the boxes around it that cut off what is in them leave to be seen; absent: nothing cuts. */
  clip?: Edges;
  /** The elements in front at points spread over the box. */
  front: (NodeId | null)[];
}

/** A page as a browser laid it out in a view. */
export interface MeasuredPage {
  /** px */
  width: number;
  boxes: MeasuredBox[];
}

/** Below this ratio nobody makes out words (common practice; 1 is the same colour). */
const LEAST_CONTRAST = 1.1;

/** Below this share of a box nothing of it is said to be seen. */
const TRANSPARENT = 0.02;

/** Whether there is nothing in an element that could be seen: no words, no image, nothing that is shown. */
function isEmpty(site: SiteFrame, page: Page, node: Node, view: ViewId): boolean {
  const kind = knownKind(node.kind);
  const painted =
    valueIn(site, page, node, 'backgroundPicture', view) !== undefined &&
    (valueIn(site, page, node, 'backgroundPicture', view) !== NO_IMAGE ||
      valueIn(site, page, node, 'gradient', view) !== 'none' ||
      valueIn(site, page, node, 'backgroundColour', view) !== 'transparent');
  if (kind.accepts.length > 0) {
    if (painted && (valueIn(site, page, node, 'minHeight', view) ?? 0) > 0) return false;
    return !node.children.some(
      (id) => isShown(site, page, page.nodes[id], view) && !isEmpty(site, page, page.nodes[id], view),
    );
  }
  if (hasTrait(node, 'picture')) return valueIn(site, page, node, 'source', view) === NO_IMAGE;
  if (hasTrait(node, 'menu')) return entriesIn(site, node, view).length === 0;
  const list = kind.content.find(({ type }) => type.editor === 'entries');
  if (list && !hasTrait(node, 'form'))
    return textIn<unknown[]>(node, site.views, list.name, view).length === 0;
  if (kind.words === undefined || hasTrait(node, 'logo') || hasTrait(node, 'action')) return false;
  return plainText(textIn<string>(node, site.views, kind.words, view)) === '';
}

/** Whether an element stands in the matter of a page, and not in its head or foot, which stay where the page is not offered. */
function isInMatter(page: Page, node: Node): boolean {
  const section = onPageOf(page, node.id);
  return section === undefined || !['header', 'footer', EDGE].includes(landmarkOf(page, page.nodes[section]));
}

/** Why an element is not there, as the site says it; undefined where it is. */
function causeText(
  site: SiteFrame,
  page: Page,
  node: Node,
  view: ViewId,
  visitor: Visitor | undefined,
): Omit<Absence, 'node'> | undefined {
  if (isInMatter(page, node) && offeringIn(headOf(site, page.id), site, view) === 'withheld')
    return { reason: 'page' };
  const hider = visitor && hiddenAncestorFor(page, node, visitor);
  if (hider) return { reason: 'audience', ...(hider !== node.id && { by: hider }) };
  if (givesWay(site, page, node, view)) {
    const set = page.nodes[sure(node.parent, 'parent')];
    return { reason: 'alternates', by: set.children.find((id) => isShown(site, page, page.nodes[id], view)) };
  }
  if (!isShown(site, page, node, view)) return { reason: 'itself' };
  for (let id = node.parent; id !== null; id = page.nodes[id].parent)
    if (!isShown(site, page, page.nodes[id], view)) return { reason: 'parent', by: id };
  if (isEmpty(site, page, node, view)) return { reason: 'empty' };
  for (let at: Node | undefined = node; at; at = at.parent === null ? undefined : page.nodes[at.parent]) {
    const opacity = valueIn(site, page, at, 'opacity', view);
    if (opacity !== undefined && opacity <= TRANSPARENT)
      return { reason: 'transparent', ...(at !== node && { by: at.id }) };
  }
  const contrast = contrastIn(site, page, node, 'self', view);
  // A video shows something else in a moment.
  return contrast && contrast.over !== 'film' && contrast.ratio < LEAST_CONTRAST
    ? { reason: 'colour' }
    : undefined;
}

/** Whether an element hides what lies behind it: an image, or a ground that lets nothing through. */
export function hides(site: SiteFrame, page: Page, id: NodeId, view: ViewId): boolean {
  const node = page.nodes[id];
  if (!node) return false;
  if ((valueIn(site, page, node, 'opacity', view) ?? 1) < 1) return false;
  if (hasTrait(node, 'picture') || hasTrait(node, 'video')) return true;
  const ground = valueIn(site, page, node, 'backgroundColour', view);
  const colour = typeof ground === 'string' ? colourOf(site, ground) : undefined;
  const picture = valueIn(site, page, node, 'backgroundPicture', view) ?? NO_IMAGE;
  return picture !== NO_IMAGE || (colour !== undefined && (colour.alpha ?? 1) >= 1);
}

const noRoom = (box: Edges): boolean => widthOf(box) < 1 || heightOf(box) < 1;

/** Why an element that is there is not seen, as a browser laid it out. */
function measured(
  site: SiteFrame,
  page: Page,
  { node: id, box, clip, front }: MeasuredBox,
  width: number,
  view: ViewId,
): Omit<Absence, 'node'> | undefined {
  if (noRoom(box) || box.right <= 0 || box.left >= width || box.bottom <= 0) return { reason: 'outside' };
  if (clip && noRoom(inside(box, clip))) return { reason: 'clipped' };
  const within = (inner: NodeId | null, outer: NodeId): boolean => {
    for (let at: NodeId | null = inner; at !== null; at = page.nodes[at]?.parent ?? null)
      if (at === outer) return true;
    return false;
  };
  const [first] = front;
  const other = front.every((each) => each !== null && !within(each, id) && !within(id, each));
  return front.length > 0 && other && front.every((each) => hides(site, page, sure(each, 'each'), view))
    ? { reason: 'covered', by: sure(first, 'first') }
    : undefined;
}

/**
 * Everything on a page that a visitor does not see in a view, in source order, each with its reason. What can be told only of boxes is
 * told where a browser has measured them. `visitor`: who looks; absent: any visitor.
 */
export function notShown(
  site: SiteFrame,
  page: Page,
  view: ViewId,
  layout?: MeasuredPage,
  visitor?: Visitor,
): Absence[] {
  const boxes = new Map(layout?.boxes.map((box) => [box.node, box]));
  return sourceOrder(page).flatMap((node): Absence[] => {
    if (node.parent === null || hasTrait(node, 'plain')) return [];
    const absent = causeText(site, page, node, view, visitor);
    if (absent) return [{ node: node.id, ...absent }];
    const box = boxes.get(node.id);
    const hidden = box && measured(site, page, box, sure(layout, 'layout').width, view);
    return hidden ? [{ node: node.id, ...hidden }] : [];
  });
}
