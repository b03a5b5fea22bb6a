import { express } from '../layered/express.ts';
import { settings } from '../layered/layered.ts';
import type { ViewId } from '../layered/views.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { knownKind } from '../elements/kinds/table.ts';
import { PARTS, type Part } from '../elements/parts.ts';
import type { Node, Style } from '../site/node.ts';
import type { Page, SiteFrame, TextStyle } from '../site/site.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { ACROSS } from '../type/proportional.ts';
import { isProportional } from '../type/textsize.ts';
import { measureCss } from '../type/measure.ts';
import { partStyleOf, textStyleOf } from '../values/trace.ts';
import { widthsIn } from '../values/widths.ts';
import { nodeClass } from './selectors.ts';
import { Stacks, type CssRule } from './stack.ts';
import { stylingOf } from './styling.ts';

function sharing(style: Style, part: Part): boolean {
  const size = style[part]?.size;
  return size !== undefined && settings(size).some(isProportional);
}

/** Whether an element itself, or a part of it, has a size that is a share of the width of its place. */
export function setsShares({ style }: Node): boolean {
  for (const part in style) if (sharing(style, part as Part)) return true;
  return false;
}

/** Whether some of these rules say how wide places are, so that they depend on what widths follow from. */
export const followsPlaces = (rules: readonly CssRule[]): boolean =>
  rules.some(({ declarations }) => ACROSS in declarations);

/** Whether an element, or a part of it, has such a size, or takes it from one of these text styles. */
function takesShares(site: SiteFrame, sharingStyles: ReadonlySet<TextStyle>, node: Node): boolean {
  if (setsShares(node)) return true;
  if (sharingStyles.size === 0) return false;
  const kind = knownKind(node.kind);
  const styles = [textStyleOf(node, site), ...PARTS.map((part) => partStyleOf(kind, part, site))];
  return styles.some((style) => style !== undefined && sharingStyles.has(style));
}

/**
 * What sizes need that are a share of the width of a place: elements say how wide theirs is, by the room of one around them that contains
 * sizes (CSS Conditional Rules 5, §4 https://www.w3.org/TR/css-conditional-5/#container-type). That is the nearest whose width follows nothing in it,
 * as containing what its width follows would leave it none.
 */
export function acrossRules(site: SiteFrame, page: Page): CssRule[] {
  const sharingStyles = new Set(site.textStyles.filter(({ style }) => sharing(style, 'self')));
  const taking = sourceOrder(page).filter((node) => takesShares(site, sharingStyles, node));
  if (taking.length === 0) return [];
  const { views } = site;
  const widths = widthsIn(site, page);
  const holding = new Map<NodeId, Set<ViewId>>();
  const stacks = new Stacks(views, 'element');
  for (const { id } of taking) {
    const stack = stylingOf(views).stack();
    stack.layered(
      express(views, (view) => {
        const { holder, across } = widths.placeWithin(id, view.id);
        if (holder !== null) holding.set(holder, (holding.get(holder) ?? new Set()).add(view.id));
        return { [ACROSS]: measureCss(across) };
      }),
    );
    stacks.add(`.${nodeClass(id)}`, stack);
  }
  for (const [id, inViews] of holding) {
    const stack = stylingOf(views).stack();
    stack.layered(
      express(views, (view) => ({ 'container-type': inViews.has(view.id) ? 'inline-size' : 'normal' })),
    );
    stacks.add(`.${nodeClass(id)}`, stack);
  }
  return stacks.rules();
}
