import { Type } from '@sinclair/typebox';
import { decimals, fluidCss, isFluid, px, type Fluid } from '../../type/fluid.ts';
import { done, refused } from '../../outcome.ts';
import type { Space } from '../../theme/spacing.ts';
import { TOKEN, aliasOf, aliasTo } from '../../theme/alias.ts';
import { STEP_SIZES, type StepSize } from '../../theme/resources.ts';
import { fluidly } from './fluid.ts';
import { numberType, readNumber } from './number.ts';
import type { Option, ValueType } from './valuetype.ts';

/** A distance that may follow the width of the window. */
export type Distance = Space | Fluid;

/** A distance in CSS: a step becomes the custom property that holds it, in every view. */
export function spaceCss(value: Distance): string {
  if (isFluid(value)) return fluidCss(value, px);
  return typeof value === 'number' ? px(value) : `var(--space-${aliasOf(value)})`;
}

/** The size of a step of the spacing scale. */
export const stepType: ValueType<StepSize> = fluidly(numberType({ ...STEP_SIZES, step: 4, unit: 'px' }));

/** A distance from `minimum` to `maximum` px, or a step of the spacing scale by its name. */
export function spaceType(minimum: number, maximum: number): ValueType<Space> {
  return {
    editor: 'space',
    schema: Type.Union([
      Type.Number({ minimum, maximum }),
      Type.String({ pattern: `^\\{${TOKEN}\\}$`, maxLength: 42 }),
    ]),
    unit: 'px',
    step: 4,
    minimum,
    maximum,
    parse(text, { site }) {
      const typed = text.trim();
      const step = site.spacing.find(
        ({ id, name }) => name.toLowerCase() === typed.toLowerCase() || aliasTo(id) === typed,
      );
      if (step) return done(aliasTo(step.id));
      const value = readNumber(typed, 'px');
      if (value !== undefined && value >= minimum && value <= maximum) return done(value);
      const names = site.spacing.map(({ name }) => name).join(', ');
      return refused(
        `“${typed}” isn’t a valid distance. Type ${minimum} to ${maximum} px${names && `, or a step of the spacing scale (${names})`}.`,
      );
    },
    format: (value, { site }) =>
      typeof value === 'number'
        ? decimals(value)
        : (site.spacing.find(({ id }) => id === aliasOf(value))?.name ?? value),
    options: ({ site }): Option[] =>
      site.spacing.map(({ id, name }) => ({ value: aliasTo(id), label: name })),
    fault: (value, site) =>
      typeof value === 'number' || site.spacing.some(({ id }) => id === aliasOf(value))
        ? undefined
        : `The site’s spacing scale has no step “${aliasOf(value)}”.`,
    mentions: (value) => (typeof value === 'number' ? [] : [{ of: 'spacing', id: aliasOf(value) ?? value }]),
  };
}
