/** Random values of every property; everything they make is valid. */
import fc from 'fast-check';
import { type NodeId, type Property } from '../../core/index.ts';
import { type ContentType } from '../../core/elements/content/contenttypes.ts';
import { type Fluid } from '../../core/type/fluid.ts';
import { CONTENT } from './contents.ts';

const asset = (id: string, width: number, height: number) =>
  ({
    id,
    name: id,
    type: 'image/webp',
    width,
    height,
    hash: id.charCodeAt(0).toString(16).padStart(64, '0'),
  }) as const;

export const ASSETS = [asset('alpha', 400, 300), asset('beta', 500, 250), asset('gamma', 300, 300)];

/** Records as JSON and the program make them: fast-check's own may come without a prototype, which nothing here ever meets. */
export const record = <T>(model: { [K in keyof T]: fc.Arbitrary<T[K]> }): fc.Arbitrary<T> =>
  fc.record<T>(model, { noNullPrototype: true });

const colour = fc.constantFrom(
  '{night}',
  '{lamp}',
  '#a03',
  'rebeccapurple',
  'rgb(10 20 30)',
  'hsl(200 60% 40%)',
);

/** Numbers in a property's range and steps, not so large that pages become absurd. */
function numbers({ minimum = 0, maximum = 60, step = 1 }: Property['type']): fc.Arbitrary<number> {
  const least = Math.max(0, minimum);
  return fc
    .integer({ min: Math.ceil(least / step), max: Math.floor(Math.min(maximum, 60) / step) })
    .map((steps) => Number((steps * step).toFixed(4)));
}

/** What an element says in a view in other words, by the kind of its content. */
function textByViewArbitrary({ kind, field }: NonNullable<Property['wording']>): fc.Arbitrary<unknown> {
  const entries = CONTENT[kind]?.[field.name];
  const others: Partial<Record<ContentType['editor'], unknown[]>> = {
    rich: ['<p>Bring a coat.</p>', '<ul><li>Coat</li></ul>', ''],
    inline: ['Stars', '<strong>Night</strong> sky'],
    line: ['Come', 'Come & see'],
    link: ['', 'page:home', 'mailto:a@b.example'],
    entries: Array.isArray(entries) ? [entries.slice(0, 1), []] : [[]],
  };
  return fc.constantFrom(...others[field.type.editor]!).map((says) => ({ says }));
}

/** A fluid value between two whole numbers; `falls`: it may get smaller as the window gets wider. */
const fluidBetween = (least: number, most: number, falls = false): fc.Arbitrary<Fluid> =>
  record({
    ends: fc.tuple(fc.integer({ min: least, max: most }), fc.integer({ min: least, max: most })),
    from: fc.integer({ min: 200, max: 700 }),
    span: fc.integer({ min: 1, max: 900 }),
    turned: fc.boolean(),
  }).map(({ ends, from, span, turned }) => {
    const [fromWidth, toWidth] = falls && turned ? [from + span, from] : [from, from + span];
    return { min: Math.min(...ends), max: Math.max(...ends), fromWidth, toWidth };
  });

const hundredths = ({ min, max, ...widths }: Fluid): Fluid => ({ min: min / 100, max: max / 100, ...widths });

/** Values of a property, by its name. */
export function valueArbitrary(property: Property, children: readonly NodeId[] = []): fc.Arbitrary<unknown> {
  if (property.wording) return textByViewArbitrary(property.wording);
  switch (property.name) {
    case 'size':
      return fc.oneof(
        fc.integer({ min: 8, max: 80 }),
        record({
          min: fc.integer({ min: 8, max: 40 }),
          more: fc.integer({ min: 0, max: 40 }),
          from: fc.integer({ min: 200, max: 700 }),
          span: fc.integer({ min: 1, max: 900 }),
        }).map(({ min, more, from, span }) => ({
          min,
          max: min + more,
          fromWidth: from,
          toWidth: from + span,
        })),
      );
    case 'lineHeight':
      return fc.oneof(fc.constantFrom(0.9, 1, 1.15, 1.5, 2.25), fluidBetween(100, 200, true).map(hundredths));
    case 'weight':
      return fc.constantFrom(100, 350, 400, 700, 900);
    case 'start':
      return fc.oneof(fc.constant('auto'), fc.integer({ min: 1, max: 14 }));
    case 'height':
      return fc.oneof(fc.constant('auto'), fc.integer({ min: 40, max: 300 }));
    case 'areaColumn':
      return fc.integer({ min: 1, max: 14 });
    case 'areaRow':
    case 'areaRows':
    case 'leastRows':
      return fc.integer({ min: 1, max: 6 });
    case 'offsetAcross':
    case 'offsetDown':
      return fc.oneof(
        record({ px: fc.integer({ min: -30, max: 40 }) }),
        record({ percent: fc.integer({ min: -20, max: 20 }) }),
      );
    case 'gradient':
      return fc.oneof(
        fc.constant('none'),
        record({ angle: fc.integer({ min: 0, max: 360 }), from: colour, to: colour }),
      );
    case 'backgroundPicture':
      return fc.constantFrom('none', 'alpha', 'beta');
    case 'family':
      return fc.constantFrom('figtree', 'fraunces');
    case 'span':
      return fc.integer({ min: 1, max: 14 });
    case 'width':
      return fc.oneof(
        fc.constant('auto'),
        record({ px: fc.integer({ min: 20, max: 260 }) }),
        record({ percent: fc.integer({ min: 10, max: 100 }) }),
      );
    case 'minWidth':
    case 'maxWidth':
      return fc.oneof(
        fc.constant('auto'),
        record({ px: fc.integer({ min: 20, max: 260 }) }),
        record({ percent: fc.integer({ min: 10, max: 100 }) }),
      );
    case 'zoom':
      return fc.integer({ min: 100, max: 400 });
    case 'backgroundPosition':
    case 'focalPoint':
      return record({ x: fc.integer({ min: 0, max: 100 }), y: fc.integer({ min: 0, max: 100 }) });
    case 'order':
    case 'interleave':
      return fc.shuffledSubarray([...children], { minLength: 0, maxLength: children.length });
    case 'alternate':
      return fc.constantFrom(...children);
    case 'source':
      return fc.constantFrom(...ASSETS.map((entry) => entry.id));
    default: {
      if (property.type.editor === 'colour') return colour;
      if (property.type.editor === 'space')
        return fc.oneof(
          numbers(property.type),
          fc.constantFrom('{small}', '{large}'),
          ...(/^(gap|padding)/.test(property.name) ? [fluidBetween(0, 60)] : []),
        );
      const options = property.type.options?.({
        site: { colours: [], assets: [], spacing: [], fonts: [] },
      });
      return options ? fc.constantFrom(...options.map((option) => option.value)) : numbers(property.type);
    }
  }
}
