import { Type, type TSchema } from '@sinclair/typebox';
import { decimals, fluid, fluidSchema, isFluid, type Fluid } from '../../type/fluid.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import { readNumber } from './number.ts';
import type { ValueContext, ValueType } from './valuetype.ts';

/** px; between these a value grows that says no widths, where nothing else does. */
const USUAL_WIDTHS = { fromWidth: 320, toWidth: 1280 };

/** A dash, or “to”, between two values; a dash before a number alone is its sign. */
const BETWEEN = /(?<=(?:[\d.%]|px|em) ?)[–—-](?= ?[-+.\d])|\bto\b/i;

/** What stands between the dashes of a text like “44–56”. */
export const ends = (text: string): string[] =>
  text
    .replace(/\s+/g, ' ')
    .split(BETWEEN)
    .map((part) => part.trim());

/**
 * Two ends like “44–56”, or with the widths that they hold at like “44–56 @ 640–1023”. Undefined where there are not two, or one is none by
 * `end`; refused where they are but make no fluid value. `falls`: the second may be the smaller one.
 */
export function readFluid(
  text: string,
  end: (text: string) => number | undefined,
  { fluidWidths }: Pick<ValueContext, 'fluidWidths'>,
  falls = false,
): Outcome<Fluid> | undefined {
  const [first, second, ...more] = text.split('@');
  const values = ends(first).map(end);
  if (values.length !== 2 || !values.every((each) => each !== undefined) || more.length > 0) return undefined;
  const widths = second === undefined ? undefined : ends(second).map((each) => readNumber(each, 'px'));
  const typed = `“${text.trim()}”`;
  if (widths && !(widths.length === 2 && widths.every((each) => each !== undefined)))
    return refused(`${typed}: two values need two widths after the @, as in ${first.trim()} @ 640–1023.`);
  const [fromWidth, toWidth] = widths ?? [
    (fluidWidths ?? USUAL_WIDTHS).fromWidth,
    (fluidWidths ?? USUAL_WIDTHS).toWidth,
  ];
  const [one, other] = values;
  if (falls && other < one) {
    const made = fluid({ min: other, max: one, fromWidth, toWidth });
    return made.ok ? done({ ...made.value, fromWidth: toWidth, toWidth: fromWidth }) : made;
  }
  return fluid({ min: one, max: other, fromWidth, toWidth });
}

/** The ends of a fluid value, from the narrower width to the wider one. */
export function endsOf({ min, max, fromWidth, toWidth }: Fluid): {
  narrow: { value: number; width: number };
  wide: { value: number; width: number };
} {
  const [one, other] = [
    { value: min, width: fromWidth },
    { value: max, width: toWidth },
  ];
  return fromWidth < toWidth ? { narrow: one, wide: other } : { narrow: other, wide: one };
}

/** As short as a cell wants it: “44–56”. */
export function writeFluid(value: Fluid): string {
  const { narrow, wide } = endsOf(value);
  const between = wide.value < 0 ? ' to ' : '–';
  return `${decimals(narrow.value)}${between}${decimals(wide.value)}`;
}

/** As it can be typed: “44–56 @ 640–1023”. */
export function writtenFluid(value: Fluid): string {
  const { narrow, wide } = endsOf(value);
  return `${writeFluid(value)} @ ${decimals(narrow.width)}–${decimals(wide.width)}`;
}

/** What a fluid value means; its ends in a unit. */
export function meantFluid(value: Fluid, unit = ''): string {
  const { narrow, wide } = endsOf(value);
  const verb = wide.value < narrow.value ? 'Falls' : 'Grows';
  const at = (end: { value: number; width: number }) => `${decimals(end.value)}${unit && ` ${unit}`}`;
  return `${verb} from ${at(narrow)} at ${decimals(narrow.width)} px of the window to ${at(wide)} at ${decimals(wide.width)} px`;
}

/** A fault that the schema of a fluid value cannot see. */
export function fluidFault(value: Fluid, falls: boolean): string | undefined {
  const { min, max, fromWidth, toWidth } = value;
  const turned = falls && fromWidth > toWidth ? { min, max, fromWidth: toWidth, toWidth: fromWidth } : value;
  const made = fluid(turned);
  return made.ok ? undefined : made.sentence;
}

/**
 * A kind of value that is a number, or more than that, and may be fluid as well: between two numbers of its range. `falls`: it may get smaller as
 * the window gets wider.
 */
export function fluidly<T>(plain: ValueType<T>, { falls = false } = {}): ValueType<T | Fluid> {
  const { minimum = -Infinity, maximum = Infinity, unit } = plain;
  const end = (text: string): number | undefined => {
    const value = readNumber(text, unit);
    return value !== undefined && value >= minimum && value <= maximum ? value : undefined;
  };
  const inRange = Type.Number({ minimum, maximum });
  return {
    ...plain,
    schema: Type.Union([
      ...((plain.schema as { anyOf?: TSchema[] }).anyOf ?? [plain.schema]),
      fluidSchema(inRange),
    ]),
    parse: (text, context) => readFluid(text, end, context, falls) ?? plain.parse(text, context),
    format: (value, context) => (isFluid(value) ? writeFluid(value) : plain.format(value, context)),
    written: (value, context) =>
      isFluid(value) ? writtenFluid(value) : (plain.written ?? plain.format)(value, context),
    describe: (value) => (isFluid(value) ? meantFluid(value, unit) : plain.describe?.(value)),
    fault: (value, site) => (isFluid(value) ? fluidFault(value, falls) : plain.fault?.(value, site)),
    mentions: (value) => (isFluid(value) ? [] : (plain.mentions?.(value) ?? [])),
  };
}
