import { sure } from '../../sure.ts';
import { Type } from '@sinclair/typebox';
import { decimals } from '../../type/fluid.ts';
import { done, refused } from '../../outcome.ts';
import { colourCss, colourType } from './colour.ts';
import { readNumber } from './number.ts';
import type { ValueType } from './valuetype.ts';

/** A change from one colour to another. `angle` in degrees, 0 upwards and then clockwise (CSS Images 3, §3.1). */
export interface Gradient {
  angle: number;
  from: string;
  to: string;
}

/** A gradient as CSS; `none` for no gradient. */
export const gradientCss = (value: Gradient | 'none'): string =>
  value === 'none'
    ? 'none'
    : `linear-gradient(${decimals(value.angle)}deg, ${colourCss(value.from)}, ${colourCss(value.to)})`;

const BETWEEN = new Set(['to', '→', '–']);

const DEGREES = ['°', 'deg'];

/** The angle that words begin with, with its unit or without, and how many words it is. */
function readAngle([first, second]: readonly string[]): [angle: number | undefined, words: number] {
  const unit = DEGREES.find((each) => first.endsWith(each));
  return [
    readNumber(unit ? first.slice(0, -unit.length) : first),
    unit === undefined && DEGREES.includes(second) ? 2 : 1,
  ];
}

/** A gradient, typed as an angle and two colours: "180 Night to Dusk"; or none. */
export const gradientType: ValueType<Gradient | 'none'> = {
  editor: 'gradient',
  schema: Type.Union([
    Type.Literal('none'),
    Type.Object(
      { angle: Type.Number({ minimum: 0, maximum: 360 }), from: colourType.schema, to: colourType.schema },
      { additionalProperties: false },
    ),
  ]),
  parse(text, context) {
    const typed = text.trim();
    if (typed.toLowerCase() === 'none') return done('none' as const);
    const words = typed.split(/\s+/);
    const between = words.findIndex((word) => BETWEEN.has(word));
    const [angle, start] = readAngle(words);
    const from = colourType.parse(words.slice(start, Math.max(0, between)).join(' '), context);
    const to = colourType.parse(words.slice(between + 1).join(' '), context);
    if (angle === undefined || angle < 0 || angle > 360 || between < 0 || !from.ok || !to.ok) {
      return refused(
        `“${typed}” isn’t a valid gradient. Type none, or an angle and two colours, as in 180 #fff to #ddd.`,
      );
    }
    return done({ angle, from: from.value, to: to.value });
  },
  format: (value, context) =>
    value === 'none'
      ? 'none'
      : `${decimals(value.angle)}° ${colourType.format(value.from, context)} to ${colourType.format(value.to, context)}`,
  fault: (value, site) =>
    value === 'none'
      ? undefined
      : (sure(colourType.fault, 'fault')(value.from, site) ??
        sure(colourType.fault, 'fault')(value.to, site)),
  mentions: (value) =>
    value === 'none'
      ? []
      : [value.from, value.to].flatMap((each) => sure(colourType.mentions, 'mentions')(each)),
};
