import { sure } from '../sure.ts';
import { takes } from '../site/applies.ts';
import { express } from '../layered/express.ts';
import { kindDefault } from '../values/trace.ts';
import type { Kind } from '../elements/kinds/kind.ts';
import { PARTS, type Part } from '../elements/parts.ts';
import type { Declarations } from '../elements/properties/property.ts';
import { PROPERTIES } from '../elements/propertytable.ts';
import type { View, Views } from '../layered/views.ts';
import { memoised } from '../memo.ts';
import type { CssRule, Stack } from './stack.ts';
import { contextOf, stylingOf } from './styling.ts';

import { within } from './selectors.ts';

/** A kind's defaults, of itself or of a part, by property. */
function putDefaults(stack: Stack, media: Stack | undefined, kind: Kind, part: Part, views: Views): void {
  for (const property of PROPERTIES) {
    if (!property.css || property.onChildren) continue;
    const taken = part === 'self' ? takes(kind.name, property) : property.parts?.includes(part);
    if (property.applied && taken) stack.base(property.applied);
    const first = kind.name === 'page' && part === 'self' && property.inherits;
    if (!first && kindDefault(kind.name, property, views.list[0], part) === undefined) continue;
    const wanted = (view: View): Declarations => {
      const value: unknown = kindDefault(kind.name, property, view, part) ?? property.initial(view);
      return sure(property.css, 'css')(value, { view, ...contextOf(kind) });
    };
    (property.onMedia && media ? media : stack).layered(express(views, wanted));
  }
}

/** The rules that every element of a kind has: its structure, what follows from the grid, and its defaults. */
export const kindRules: (kind: Kind, views: Views) => CssRule[] = memoised((kind: Kind, views: Views) => {
  const selector = `.${kind.name}`;
  const styling = stylingOf(views);
  const stack = styling.stack();
  const media = styling.stack();
  stack.base(kind.structure);
  if (kind.perView) stack.layered(express(views, kind.perView));
  putDefaults(stack, kind.media === undefined ? undefined : media, kind, 'self', views);
  const rules = stack.rules(selector, 'kind');
  for (const [inner, declarations] of Object.entries(kind.inner ?? {})) {
    rules.push({ layer: 'kind', distance: 0, selector: within(selector, inner), declarations });
  }
  if (kind.media !== undefined) rules.push(...media.rules(within(selector, kind.media), 'kind'));
  for (const part of PARTS) {
    const inside = kind.parts?.[part]?.selector;
    if (inside === undefined) continue;
    const own = styling.stack();
    putDefaults(own, undefined, kind, part, views);
    rules.push(...own.rules(within(selector, inside), 'kind'));
  }
  return rules;
});
