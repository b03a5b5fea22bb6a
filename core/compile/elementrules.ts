import { express } from '../layered/express.ts';
import { held } from '../layered/resolve.ts';
import type { Layered } from '../layered/layered.ts';
import type { Kind } from '../elements/kinds/kind.ts';
import { knownKind } from '../elements/kinds/table.ts';
import type { Node, PartStyle } from '../site/node.ts';
import { PARTS } from '../elements/parts.ts';
import type { CssContext, Declarations, Property } from '../elements/properties/property.ts';
import { knownProperty } from '../elements/properties/table.ts';
import type { TextStyle } from '../site/site.ts';
import type { View, ViewId, Views } from '../layered/views.ts';
import { memoised } from '../memo.ts';
import type { CssRule, Stack } from './stack.ts';
import { stylingOf, type KnownCss, type Styling } from './styling.ts';

import { nodeClass, textStyleClass, within } from './selectors.ts';

/** What a value may be held to: the other values of its element, and its place among its siblings. */
interface Surroundings {
  style?: PartStyle;
  siblings?: Pick<CssContext, 'children' | 'child'>;
}

/** What a property is in a view by an element's own value, else by its initial one. */
function ownIn(property: Property, layered: Layered<unknown> | undefined, views: Views, view: View): unknown {
  const value = held(layered, views, view.id);
  return value ? value.value : property.initial(view);
}

/**
 * A layered value as CSS where that depends on the view: resolved in every view and expressed anew, so that a view whose
 * CSS differs gets a rule even without an override.
 */
function expressed(
  property: Property,
  layered: Layered<unknown>,
  views: Views,
  known: ReadonlyMap<ViewId, KnownCss>,
  { style = {}, siblings }: Surroundings,
): Layered<Declarations> {
  return express(views, (view) => {
    const value = ownIn(property, layered, views, view);
    const here = known.get(view.id)!;
    if (siblings) return property.css!(value, { ...here.context, ...siblings });
    if (!property.heldBeside) return here.valuesOf(property).of(value);
    const beside = (name: string) => ownIn(knownProperty(name), style[name], views, view);
    return property.css!(value, { ...here.context, beside });
  });
}

/** Puts the CSS of a layered value on a stack. */
function put(
  stack: Stack,
  property: Property,
  layered: Layered<unknown>,
  views: Views,
  known: ReadonlyMap<ViewId, KnownCss>,
  surroundings: Surroundings,
): void {
  if (property.perView) {
    stack.layered(expressed(property, layered, views, known, surroundings));
    return;
  }
  // In which view it is known does not matter.
  const css = known.get(views.base)!.valuesOf(property);
  if (layered.base !== undefined) stack.base(css.of(layered.base));
  for (const id in layered.at) {
    const { value, reach } = layered.at[id as ViewId];
    stack.at(id, reach, css.of(value));
  }
}

/** Puts the style of an element of a kind, or of a part or text style, on stacks: one for itself, one for the picture in it. */
function putStyle(
  styling: Styling,
  stack: Stack,
  media: Stack | undefined,
  style: PartStyle,
  kind: Kind | undefined,
): void {
  const known = styling.knownOf(kind);
  const surroundings = { style };
  for (const property of styling.propertiesOf(style)) {
    const on = property.onMedia && media ? media : stack;
    put(on, property, style[property.name], styling.views, known, surroundings);
  }
}

/** Puts together what one element declares: its own style, that of its parts, and its place in a parent that orders its children. */
export function stackElement(
  styling: Styling,
  node: Node,
  parent: Pick<Node, 'style' | 'children'> | undefined,
  add: (selector: string, stack: Stack) => void,
): void {
  const kind = knownKind(node.kind);
  const selector = `.${nodeClass(node.id)}`;
  const stack = styling.stack();
  const media = kind.media === undefined ? undefined : styling.stack();
  putStyle(styling, stack, media, node.style.self ?? {}, kind);
  const order = parent?.style.self?.order;
  if (order) {
    const siblings = { children: parent.children, child: node.id };
    put(stack, knownProperty('order'), order, styling.views, styling.knownOf(kind), { siblings });
  }
  add(selector, stack);
  if (media) add(within(selector, kind.media!), media);
  if (!kind.parts) return;
  for (const part of PARTS) {
    const style = node.style[part];
    const inside = style && kind.parts[part]?.selector;
    if (inside === undefined) continue;
    const own = styling.stack();
    putStyle(styling, own, undefined, style!, undefined);
    add(within(selector, inside), own);
  }
}

/** The rules of one element, with its parts. */
export function elementRules(
  node: Node,
  parent: Pick<Node, 'style' | 'children'> | undefined,
  views: Views,
): CssRule[] {
  const rules: CssRule[] = [];
  stackElement(stylingOf(views), node, parent, (selector, stack) =>
    rules.push(...stack.rules(selector, 'element')),
  );
  return rules;
}

/** The rules of a text style. */
export const textStyleRules: (style: TextStyle, views: Views) => CssRule[] = memoised(
  (style: TextStyle, views: Views) => {
    const styling = stylingOf(views);
    const stack = styling.stack();
    putStyle(styling, stack, undefined, style.style.self ?? {}, undefined);
    return stack.rules(`.${textStyleClass(style.id)}`, 'text style');
  },
);
