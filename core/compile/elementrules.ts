import { knownIn, sure } from '../sure.ts';
import { kindDefault } from '../values/trace.ts';
import type { ContentField } from '../elements/content/contenttypes.ts';
import { express } from '../layered/express.ts';
import { held } from '../layered/resolve.ts';
import type { Layered } from '../layered/layered.ts';
import type { Kind } from '../elements/kinds/kind.ts';
import { isAtEdge, isDeep, knownKind } from '../elements/kinds/table.ts';
import type { Node, PartStyle } from '../site/node.ts';
import { PARTS } from '../elements/parts.ts';
import type { CssContext, Declarations, Property } from '../elements/properties/property.ts';
import { knownProperty, PROPERTIES } from '../elements/propertytable.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { shownOf } from '../layout/alternates.ts';
import {
  ownTextsByView,
  variantsOfElement,
  variantsOfField,
  type TextVariants,
} from '../values/textbyview.ts';
import type { TextStyle } from '../site/site.ts';
import type { View, ViewId, Views } from '../layered/views.ts';
import { memoised } from '../memo.ts';
import type { CssRule, Stack } from './stack.ts';
import { stylingOf, type KnownCss, type Styling } from './styling.ts';

import { nodeClass, textStyleClass, variantClass, within, wordsClass } from './selectors.ts';
import { lookup } from '../lookup.ts';
import { applies } from '../site/applies.ts';
import { placeAmong } from '../layout/order.ts';
import { childOrder } from '../elements/nodeid.ts';
import { interleavingIn, opens } from '../values/interleaving.ts';

/** What a value may be held to: the other values of its element, and its place among its siblings. */
interface Surroundings {
  style?: PartStyle;
  kind?: Kind;
  siblings?: Pick<CssContext, 'children' | 'child' | 'deep'>;
}

/** What a property is in a view by an element's own value, else by that of its kind. */
function ownIn(
  property: Property,
  layered: Layered<unknown> | undefined,
  views: Views,
  view: View,
  kind?: Kind,
): unknown {
  const value = held(layered, views, view.id);
  if (value) return value.value;
  return (kind && kindDefault(kind.name, property, view)) ?? property.initial(view);
}

/**
 * A layered value as CSS where that depends on the view: resolved in every view and expressed again, so that a view whose
 * CSS differs gets a rule even without an override.
 */
function expressed(
  property: Property,
  layered: Layered<unknown>,
  views: Views,
  known: ReadonlyMap<ViewId, KnownCss>,
  { style = {}, kind, siblings }: Surroundings,
  css = sure(property.css, 'css'),
): Layered<Declarations> {
  return express(views, (view) => {
    const value = ownIn(property, layered, views, view);
    const here = knownIn(known, view.id);
    if (siblings) return css(value, { ...here.context, ...siblings });
    if (!property.heldBeside) return here.valuesOf(property).of(value);
    const beside = (name: string) => ownIn(knownProperty(name), lookup(style, name), views, view, kind);
    return css(value, { ...here.context, beside });
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
  const css = knownIn(known, views.base).valuesOf(property);
  if (layered.base !== undefined) stack.base(css.of(layered.base));
  for (const id in layered.at) {
    const { value, reach } = sure(lookup(layered.at, id));
    stack.at(id, reach, css.of(value));
  }
}

/** Puts the style of an element of a kind, or of a part or text style, on stacks: one for itself, one for the image in it. */
function putStyle(
  styling: Styling,
  stack: Stack,
  media: Stack | undefined,
  style: PartStyle,
  kind: Kind | undefined,
): void {
  const known = styling.knownOf(kind);
  const surroundings = { style, kind };
  for (const property of styling.propertiesOf(style)) {
    const on = property.onMedia && media ? media : stack;
    const layered = sure(lookup(style, property.name));
    put(on, property, layered, styling.views, known, surroundings);
    if (property.onPicture && media && showsOnePicture(kind))
      media.layered(expressed(property, layered, styling.views, known, surroundings, property.onPicture));
  }
}

const showsOnePicture = (kind: Kind | undefined): boolean =>
  !!kind && kind.traits.includes('image') && !kind.traits.includes('tiled');

/** What a container says of each of its children. */
const ON_CHILDREN = PROPERTIES.filter(({ onChildren }) => onChildren).map(({ name }) => name);

/** How the words of a view are displayed by what they are: as nothing but the words that they are. */
const DISPLAYED: Partial<Record<ContentField['type']['editor'], Declarations>> = {
  rich: { display: 'block', 'margin-block-start': '0' },
  entries: { display: 'var(--listed, list-item)' },
};
const INLINE: Declarations = { display: 'inline' };
const ABSENT: Declarations = { display: 'none' };

/** Of the words that an element says in different views, each stands in its own. */
function addWords(styling: Styling, node: Node, add: (selector: string, stack: Stack) => void): void {
  const { views } = styling;
  for (const { wording } of ownTextsByView(node)) {
    const variants =
      sure(wording, 'wording').field.varies === 'within'
        ? variantsOfField(node, views, sure(wording, 'wording').field.name)
        : undefined;
    variants?.all.forEach((_words, number) => {
      const stack = styling.stack();
      const shown = DISPLAYED[sure(wording, 'wording').field.type.editor] ?? INLINE;
      stack.layered(express(views, ({ id }) => (variants.in.get(id) === number ? shown : ABSENT)));
      add(`.${wordsClass(node.id, sure(wording, 'wording').field.name, number)}`, stack);
    });
  }
}

/** What decides besides its texts by view whether an element is displayed. */
interface Place {
  shown?: Layered<unknown>;
  alternate?: Layered<unknown>;
  siblings?: readonly NodeId[];
}

/** Of the elements that stand in for one another by what they say, each is displayed in its views, where any is. */
function addVariants(
  styling: Styling,
  node: Node,
  { shown, alternate, siblings = [] }: Place,
  { all, in: textIn }: TextVariants<unknown>,
  add: (selector: string, stack: Stack) => void,
): void {
  const { views } = styling;
  const displayed: Declarations = { display: knownKind(node.kind).display };
  const there = (view: ViewId): boolean =>
    held(shown, views, view)?.value !== false &&
    (!alternate || shownOf(siblings, held(alternate, views, view)?.value as NodeId) === node.id);
  all.forEach((_said, number) => {
    const stack = styling.stack();
    stack.layered(express(views, ({ id }) => (textIn.get(id) === number && there(id) ? displayed : ABSENT)));
    add(`.${variantClass(node.id, number)}`, stack);
  });
}

/** What an element itself says, as far as it means something where it stands: a linked block is on each page in another parent. */
function fitting(node: Node, parent: Pick<Node, 'kind'> | undefined): PartStyle {
  const { self = {} } = node.style;
  const isOdd = (name: string) => !applies(knownProperty(name), node.kind, parent?.kind);
  return Object.keys(self).some(isOdd)
    ? Object.fromEntries(Object.entries(self).filter(([name]) => !isOdd(name)))
    : self;
}

type Holder = Pick<Node, 'kind' | 'style' | 'children'>;

/** What of an element’s own style is said together with what its row says, where that interleaves the parts of its columns. */
const SAID_WITH_ROW = ['shown', 'blockAlign'];

/** The row whose parts are interleaved in some view that an element is in: as one of its columns, or as a part of it. */
function interleavingRow(parent: Holder | undefined, row: Holder | undefined): Holder | undefined {
  if (parent?.style.self?.interleave) return parent;
  return row?.style.self?.interleave ? row : undefined;
}

/**
 * Puts the place of an element of a row that interleaves the parts of its columns in some views: there a column has no box of its own
 * (CSS Display 3, §2.5), and its parts stand in the columns of the row, from side to side, each with its number among all of them.
 */
function putInterleaved(
  styling: Styling,
  stack: Stack,
  node: Node,
  parent: Holder,
  row: Holder,
  whole: boolean,
): void {
  const { views } = styling;
  const self = node.style.self ?? {};
  const isColumn = parent === row && opens(node);
  const { display } = knownKind(node.kind);
  const orderIn = (view: ViewId) =>
    parent.style.self?.order
      ? childOrder(parent.children, held(parent.style.self.order, views, view)?.value).indexOf(node.id)
      : 0;
  stack.layered(
    express(views, ({ id: view }): Declarations => {
      const stored = interleavingIn(row, views, view);
      const isThere = held(self.shown, views, view)?.value !== false;
      if (isColumn)
        return {
          display: !isThere ? 'none' : stored ? 'contents' : display,
          order: String(orderIn(view)),
        };
      return { order: String(stored ? placeAmong(parent.children, node.id, stored) : orderIn(view)) };
    }),
  );
  if (isColumn) {
    if (self.blockAlign)
      put(stack, knownProperty('blockAlign'), self.blockAlign, views, styling.knownOf(undefined), {});
    return;
  }
  // Of several that stand in for one another, each says by itself where it shows.
  if (self.shown && !whole)
    put(stack, knownProperty('shown'), self.shown, views, styling.knownOf(knownKind(node.kind)), {});
  const [parts, align]: Property[] = [knownProperty('justifyItems'), knownProperty('blockAlign')];
  stack.layered(
    express(views, (view): Declarations => {
      const own = ownIn(align, self.blockAlign, views, view, knownKind(node.kind)) as string;
      if (parent === row) return { 'justify-self': own };
      const stored = interleavingIn(row, views, view.id);
      const holders = ownIn(
        parts,
        parent.style.self?.justifyItems,
        views,
        view,
        knownKind(parent.kind),
      ) as string;
      return {
        'grid-column': stored ? '1 / -1' : 'auto',
        'justify-self': stored && own === 'auto' ? holders : own,
      };
    }),
  );
}

/** Puts together what one element declares: its own style, that of its parts, and its place in a parent that orders its children, or in a row around that interleaves them. */
export function stackElement(
  styling: Styling,
  node: Node,
  parent: Holder | undefined,
  add: (selector: string, stack: Stack) => void,
  around?: Holder,
): void {
  const kind = knownKind(node.kind);
  const selector = `.${nodeClass(node.id)}`;
  const stack = styling.stack();
  const media = kind.media === undefined ? undefined : styling.stack();
  const whole = variantsOfElement(node, styling.views);
  const self = fitting(node, parent);
  const { shown, ...style } = self;
  const row = interleavingRow(parent, around);
  const apart = whole ? style : self;
  const said = row
    ? Object.fromEntries(Object.entries(apart).filter(([name]) => !SAID_WITH_ROW.includes(name)))
    : apart;
  putStyle(styling, stack, media, said, kind);
  if (row && parent) putInterleaved(styling, stack, node, parent, row, whole !== undefined);
  for (const name of ON_CHILDREN) {
    const layered = lookup(parent?.style.self, name);
    if (!parent || !layered || (whole && name === 'alternate') || isAtEdge(node.kind)) continue;
    if (row && name === 'order') continue;
    const siblings = { children: parent.children, child: node.id, deep: isDeep(parent.kind) };
    put(stack, knownProperty(name), layered, styling.views, styling.knownOf(kind), { siblings });
  }
  add(selector, stack);
  if (whole) {
    const place = { shown, alternate: parent?.style.self?.alternate, siblings: parent?.children };
    addVariants(styling, node, place, whole, add);
  }
  addWords(styling, node, add);
  if (media) add(within(selector, sure(kind.media, 'media')), media);
  if (!kind.parts) return;
  for (const part of PARTS) {
    const style = node.style[part];
    const inside = style && kind.parts[part]?.selector;
    if (inside === undefined) continue;
    const own = styling.stack();
    putStyle(styling, own, undefined, sure(style, 'style'), undefined);
    add(within(selector, inside), own);
  }
}

/** The rules of one element, with its parts. */
export function elementRules(
  node: Node,
  parent: Holder | undefined,
  views: Views,
  around?: Holder,
): CssRule[] {
  const rules: CssRule[] = [];
  const add = (selector: string, stack: Stack) => rules.push(...stack.rules(selector, 'element'));
  stackElement(stylingOf(views), node, parent, add, around);
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
