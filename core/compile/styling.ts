import { knownIn, sure } from '../sure.ts';
import type { Kind } from '../elements/kinds/kind.ts';
import { memoised } from '../memo.ts';
import type { PartStyle } from '../site/node.ts';
import type { CssContext, Declarations, Property } from '../elements/properties/property.ts';
import { knownProperty, placeOf } from '../elements/propertytable.ts';
import type { ViewId, Views } from '../layered/views.ts';
import { slotsOf, Stack, type Slots } from './stack.ts';

/** How many values of one property are remembered in one context; past it they are begun again. */
const MOST_VALUES = 5000;

/** The CSS of one property's values in one context, worked out once: pages say the same often. */
class ValueCss {
  private readonly made = new Map<unknown, Declarations>();

  constructor(
    private readonly property: Property,
    private readonly context: CssContext,
  ) {}

  of(value: unknown): Declarations {
    const key = typeof value === 'object' ? JSON.stringify(value) : value;
    let css = this.made.get(key);
    if (css) return css;
    if (this.made.size >= MOST_VALUES) this.made.clear();
    css = sure(this.property.css, 'css')(value, this.context);
    this.made.set(key, css);
    return css;
  }
}

/** The CSS of values that nothing but the view and the kind bear on. */
export class KnownCss {
  private readonly byProperty = new Map<Property, ValueCss>();

  constructor(readonly context: CssContext) {}

  valuesOf(property: Property): ValueCss {
    let values = this.byProperty.get(property);
    if (!values) this.byProperty.set(property, (values = new ValueCss(property, this.context)));
    return values;
  }
}

/** The properties of a style by the names in it. It is made by adding names one by one; the same names lead to the same. */
class StyleNames {
  private readonly longer = new Map<string, StyleNames>();
  private sorted: readonly Property[] | undefined;

  constructor(private readonly names: readonly string[] = []) {}

  with(name: string): StyleNames {
    let more = this.longer.get(name);
    if (!more) this.longer.set(name, (more = new StyleNames([...this.names, name])));
    return more;
  }

  /** Those that are CSS of what holds the style, in the table's order, so that the same values give the same text. */
  properties(): readonly Property[] {
    this.sorted ??= this.names
      .map(knownProperty)
      .filter((property) => property.css && !property.onChildren)
      .sort((one, other) => knownIn(placeOf, one.name) - knownIn(placeOf, other.name));
    return this.sorted;
  }
}

/** What making the CSS of elements and text styles needs to know of the views of a site, and what came of it before. */
export class Styling {
  private readonly slots: Slots;
  private readonly known = new Map<Kind | undefined, Map<ViewId, KnownCss>>();
  private readonly noNames = new StyleNames();

  constructor(readonly views: Views) {
    this.slots = slotsOf(views);
  }

  stack(): Stack {
    return new Stack(this.slots);
  }

  /** The CSS of values by view: of elements of a kind, or of text styles and parts. */
  knownOf(kind?: Kind): ReadonlyMap<ViewId, KnownCss> {
    let known = this.known.get(kind);
    if (!known) {
      const context = contextOf(kind);
      known = new Map(this.views.list.map((view) => [view.id, new KnownCss({ ...context, view })]));
      this.known.set(kind, known);
    }
    return known;
  }

  /** The properties of a style that are CSS of what holds it, in the table's order. */
  propertiesOf(style: PartStyle): readonly Property[] {
    let names = this.noNames;
    for (const name in style) names = names.with(name);
    return names.properties();
  }
}

/** What the CSS of a value may depend on of the kind of its element. */
export const contextOf = (kind?: Kind): Pick<CssContext, 'display' | 'gap' | 'required'> => ({
  display: kind?.display ?? 'block',
  gap: kind?.gap ?? 'gap',
  required: kind?.required ?? [],
});

export const stylingOf = memoised((views: Views) => new Styling(views));
