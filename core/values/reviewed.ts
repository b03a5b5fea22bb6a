import { keysOf, lookup } from '../lookup.ts';
import { fingerprintOf } from '../fingerprint.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { PARTS } from '../elements/parts.ts';
import { knownProperty } from '../elements/propertytable.ts';
import { hasTrait, knownKind } from '../elements/kinds/table.ts';
import { same } from '../layered/express.ts';
import { held } from '../layered/resolve.ts';
import { widthsOf, type ViewId, type Views } from '../layered/views.ts';
import { sure } from '../sure.ts';
import type { Node, Style } from '../site/node.ts';
import { subtree } from '../site/sourceorder.ts';
import type { Page, SiteFrame, TextStyle } from '../site/site.ts';
import { partStyleOf, resolve, textStyleOf } from './trace.ts';
import { childrenIn, isShown } from './visibility.ts';

/** What a text style holds for a view, by property. */
const styleIn = ({ style }: TextStyle, views: Views, view: ViewId): unknown =>
  Object.entries(style.self ?? {}).map(([name, layered]) => [name, held(layered, views, view)?.value]);

/** What an element says for a view itself, by part and property, where something else would hold without it. */
const ownIn = (site: SiteFrame, page: Page, node: Node, view: ViewId): unknown =>
  PARTS.map((part) =>
    Object.fromEntries(
      Object.entries(node.style[part] ?? {}).flatMap(([name, layered]) => {
        const holds = held(layered, site.views, view);
        if (!holds) return [];
        const { [name]: _own, ...rest } = sure(node.style[part], 'part');
        const without: Node = { ...node, style: { ...node.style, [part]: rest } };
        const otherwise = resolve(site, page, without, knownProperty(name), view, part);
        return same(holds.value, otherwise) ? [] : [[name, holds.value]];
      }),
    ),
  );

/** What an element and all in it look like in a view, as far as it is said by the element, its text styles and the view's widths. */
function lookIn(site: SiteFrame, page: Page, node: Node, view: ViewId): unknown {
  if (!isShown(site, page, node, view)) return 'not shown';
  const kind = knownKind(node.kind);
  const styles = [textStyleOf(node, site), ...PARTS.map((part) => partStyleOf(kind, part, site))];
  return {
    kind: node.kind,
    content: node.content,
    audience: node.audience,
    style: ownIn(site, page, node, view),
    text: styles.map((style) => style && styleIn(style, site.views, view)),
    within: childrenIn(site, node, view).map((id) => lookIn(site, page, page.nodes[id], view)),
  };
}

/** A likeness, and what it was worked out from: the model is never changed in place. */
interface Likeness extends Pick<SiteFrame, 'views' | 'textStyles'> {
  of: readonly Node[];
  /** What the page says for all in it. */
  around: Style;
  is: string;
}

/** The likenesses of elements as long as they are there: after an edit elsewhere a section is not worked out again. */
const likenesses = new WeakMap<Node, Map<ViewId, Likeness>>();

/**
 * What tells an element in a view from what it was there before: ten characters that change with any of its values, its
 * words, its order, its text styles and the widths of the view, and with nothing that only other views show.
 */
export function likenessIn(site: SiteFrame, page: Page, node: Node, view: ViewId): string {
  const { views, textStyles } = site;
  const of = subtree(page, node.id).map((id) => page.nodes[id]);
  const around = page.nodes[page.root].style;
  const known = likenesses.get(node) ?? new Map<ViewId, Likeness>();
  likenesses.set(node, known);
  const before = known.get(view);
  const isSame =
    before &&
    before.views === views &&
    before.textStyles === textStyles &&
    before.around === around &&
    before.of.length === of.length &&
    of.every((each, index) => each === before.of[index]);
  if (isSame) return before.is;
  const is = fingerprintOf([lookIn(site, page, node, view), widthsOf(views, view)]);
  known.set(view, { of, around, views, textStyles, is });
  return is;
}

/** The sections of a page that are walked through in a view: what is shown of them, in the order it has there. */
export function sectionsIn(site: SiteFrame, page: Page, view: ViewId): NodeId[] {
  const shownIn = (node: Node) =>
    childrenIn(site, node, view).filter((id) => isShown(site, page, page.nodes[id], view));
  return shownIn(page.nodes[page.root]).flatMap((id) =>
    hasTrait(page.nodes[id], 'page layout')
      ? shownIn(page.nodes[id]).flatMap((region) => shownIn(page.nodes[region]))
      : [id],
  );
}

/** What is known of a section in a view: it was found fine, or was and has changed since; undefined: nothing. */
export type Reviewed = 'fine' | 'changed' | undefined;

/** Whether a section was found fine in a view, and still is what it was then. */
export function reviewedIn(site: SiteFrame, page: Page, node: Node, view: ViewId): Reviewed {
  const then = lookup(node.reviewed, view);
  if (then === undefined) return undefined;
  return then === likenessIn(site, page, node, view) ? 'fine' : 'changed';
}

/** Leaves out of what was found fine the views that a site does not have any more. */
export function forgetViews(node: Node, { list }: Views): void {
  if (!node.reviewed) return;
  for (const view of keysOf(node.reviewed))
    if (!list.some(({ id }) => id === view)) delete node.reviewed[view];
  if (keysOf(node.reviewed).length === 0) delete node.reviewed;
}
