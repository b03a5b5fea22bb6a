import { memoised } from '../site/memo.ts';
import type { CssContext, Declarations, Property } from '../site/properties/property.ts';
import type { ViewId, Views } from '../site/views.ts';

/** What the CSS of an element's values may depend on of its kind. */
export type KindContext = Pick<CssContext, 'display' | 'rowsOnly'>;

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
    if (!css) this.made.set(key, (css = this.property.css!(value, this.context)));
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

/** What is known in each view of a site, by kind of context. */
const knownIn = memoised((_views: Views) => new Map<KindContext, Map<ViewId, KnownCss>>());

export function knownOf(views: Views, kind: KindContext): Map<ViewId, KnownCss> {
  const known = knownIn(views);
  let made = known.get(kind);
  if (!made) {
    made = new Map(views.list.map((view) => [view.id, new KnownCss({ ...kind, view })]));
    known.set(kind, made);
  }
  return made;
}
