import type { PropertyName } from '../elements/propertyvalues.ts';
import { hasTrait } from '../elements/kinds/table.ts';
import { viewsNamed } from '../edits/values/textbyview.ts';
import { knownProperty } from '../elements/propertytable.ts';
import type { ViewId } from '../layered/views.ts';
import type { Node } from '../site/node.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { resolve } from '../values/trace.ts';
import { hiddenBy } from '../values/visibility.ts';
import { textIn } from '../values/textbyview.ts';
import { colourOf, contrasts, tenths, type Contrasts } from './contrast.ts';
import type { Found } from './finding.ts';
import type { CheckInput, Rule } from './rule.ts';
import { viewWidths } from './widths.ts';

/** What graphics and the edges of controls need (https://www.w3.org/TR/WCAG22/#non-text-contrast). */
const NEEDED = 3;

const valueOf = <Name extends PropertyName>(
  { site, page }: CheckInput,
  node: Node,
  view: ViewId,
  name: Name,
  part: 'self' | 'field',
) => resolve(site, page, node, knownProperty(name), view, part);

/** The views in which a contrast that is known is too low, with the lowest; one finding for all of them. */
function tooLow(
  input: CheckInput,
  node: Node,
  ratioIn: (view: ViewId) => number | undefined,
  found: (ratio: string, views: string) => Omit<Found, 'widths'>,
): Found[] {
  const { site, page } = input;
  const failing = site.views.list.flatMap(({ id: view }) => {
    if (hiddenBy(site, page, node, view) !== undefined) return [];
    const ratio = ratioIn(view);
    return ratio !== undefined && ratio < NEEDED ? [{ view, ratio }] : [];
  });
  if (failing.length === 0) return [];
  const views = failing.map(({ view }) => view);
  const names = views.length === site.views.list.length ? 'every view' : viewsNamed(site, views);
  return [
    {
      ...found(tenths(Math.min(...failing.map(({ ratio }) => ratio))), names),
      widths: failing.map(({ view }) => viewWidths(site, view)),
    },
  ];
}

/** An icon stands out from its background by 3 to 1; whether it means something only a person can tell. */
export const faintIcons: Rule = {
  name: 'icon contrast too low',
  clause: 'WCAG 2.2, 1.4.11',
  severity: 'advice',
  find(input) {
    const { site, page, facts } = input;
    const of = contrasts(site, page, facts.tones);
    return sourceOrder(page)
      .filter((node) => hasTrait(node, 'icon'))
      .flatMap((node) =>
        tooLow(
          input,
          node,
          (view) => {
            const colour = colourOf(site, valueOf(input, node, view, 'colour', 'self'));
            return colour && of.ratioOf(node, 'self', view, colour);
          },
          (ratio, views) => ({
            of: { node: node.id },
            sentence: `${node.name} has a contrast of ${ratio} : 1 in ${views}; an icon that means something needs ${NEEDED} : 1.`,
            cure: 'Change its colour, or the background.',
          }),
        ),
      );
  },
};

/** The higher of the contrasts of a field’s border and of its own background with what is around it. */
function fieldRatio(input: CheckInput, of: Contrasts, node: Node, view: ViewId): number | undefined {
  const { site } = input;
  const value = <Name extends PropertyName>(name: Name) => valueOf(input, node, view, name, 'field');
  const around = (name: 'backgroundColour' | 'borderColour') => {
    const colour = colourOf(site, value(name));
    return colour && of.ratioOf(node, 'self', view, colour);
  };
  const borders = (['borderTop', 'borderRight', 'borderBottom', 'borderLeft'] as const).map(value);
  // A line below it is enough to show where a field is.
  const hasBorder = borders.some((width) => width > 0) && value('borderStyle') !== 'none';
  const ratios = [around('backgroundColour'), hasBorder ? around('borderColour') : 1];
  const known = ratios.filter((ratio) => ratio !== undefined);
  return known.length < ratios.length ? undefined : Math.max(...known);
}

/** The fields of a form can be seen: their border, or their background, stands out by 3 to 1. */
export const faintFields: Rule = {
  name: 'field contrast too low',
  clause: 'WCAG 2.2, 1.4.11',
  severity: 'barrier',
  find(input) {
    const { site, page, facts } = input;
    const of = contrasts(site, page, facts.tones);
    return sourceOrder(page)
      .filter((node) => hasTrait(node, 'form'))
      .flatMap((node) =>
        tooLow(
          input,
          node,
          (view) =>
            textIn<unknown[]>(node, site.views, 'fields', view).length > 0
              ? fieldRatio(input, of, node, view)
              : undefined,
          (ratio, views) => ({
            of: { node: node.id, part: 'field' },
            sentence: `The fields of ${node.name} stand out by only ${ratio} : 1 in ${views}; their border or background needs ${NEEDED} : 1.`,
            cure: 'Change the colour of their border.',
          }),
        ),
      );
  },
};
