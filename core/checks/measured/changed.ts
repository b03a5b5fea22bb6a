import { keysOf } from '../../lookup.ts';
import type { Preview } from '../../compile/preview.ts';
import type { CssRule } from '../../compile/stack.ts';
import { mediaCondition, widthsOfOverride } from '../../layered/bands.ts';
import type { Views } from '../../layered/views.ts';
import { print } from '../../markup/markup.ts';
import type { Stretch } from '../../type/stretches.ts';
import { SWEPT } from './sweep.ts';

/** The widths at which rules under a condition hold: all, where it does not speak of widths alone. */
function heldAt(views: Views): (condition: string | undefined) => Stretch {
  const known = new Map(
    views.list.flatMap(({ id }) =>
      (['here', 'onward'] as const).map((reach): [string, Stretch] => {
        const widths = widthsOfOverride(views, id, reach);
        const { from = 0, below = Infinity } = widths;
        return [mediaCondition(widths), { from, to: below - 1 }];
      }),
    ),
  );
  return (condition) => (condition === undefined ? undefined : known.get(condition)) ?? SWEPT;
}

const rulesOf = ({ page, shared, rulesOf: of }: Preview): CssRule[] => [
  ...shared,
  ...keysOf(page.nodes).flatMap((id) => of(id)),
];

/** The rules that hold at the same widths, as text, in their order. */
function byCondition(preview: Preview): Map<string | undefined, string> {
  const made = new Map<string | undefined, string[]>();
  for (const { condition, layer, distance, selector, declarations } of rulesOf(preview)) {
    const rules = made.get(condition) ?? [];
    made.set(condition, rules);
    rules.push(JSON.stringify([layer, distance, selector, declarations]));
  }
  return new Map([...made].map(([condition, rules]) => [condition, rules.join('\n')]));
}

/** The widths at which a page may be laid out in another way than before. */
export function changedWidths(before: Preview, after: Preview): Stretch[] {
  if (JSON.stringify(before.site.views) !== JSON.stringify(after.site.views)) return [SWEPT];
  if (print(before.body) !== print(after.body)) return [SWEPT];
  const [were, are] = [byCondition(before), byCondition(after)];
  const held = heldAt(after.site.views);
  return [...new Set([...were.keys(), ...are.keys()])]
    .filter((condition) => were.get(condition) !== are.get(condition))
    .map(held);
}
