import { sure } from '../../sure.ts';
import { lookup } from '../../lookup.ts';
/**
 * How a site divides into what is changed as one: the table by which edits are worked out, made, compared and put on top
 * of each other. A place in the site is named by the keys that lead to it, with ids in place of indices:
 * `/pages/home/nodes/lead/style/self/size/at/tablet`, `/frame/colours/lamp/value`. What is not named here — ids, the kind
 * of an element, the root of a page — is never changed: such things come and go as a whole.
 */
export type Shape =
  /** Changed as a whole: a number, an override with its reach, a gradient, the order of a row's parts. */
  | { is: 'unit' }
  /** Known fields. */
  | { is: 'record'; fields: Readonly<Record<string, Shape>>; soft?: true }
  /** Entries by key. */
  | { is: 'map'; each: Shape; soft?: true }
  /** Entries with an `id` of their own, in an order. */
  | { is: 'list'; each: Shape }
  /** Ids in an order. */
  | { is: 'places' };

const unit: Shape = { is: 'unit' };
const record = (fields: Record<string, Shape>): Shape => ({ is: 'record', fields });
const map = (each: Shape): Shape => ({ is: 'map', each });
const list = (each: Shape): Shape => ({ is: 'list', each });

/** What is soft comes to be with the first thing in it, and goes with the last: an empty one is never kept. */
const layered: Shape = {
  is: 'record',
  fields: { base: unit, at: { is: 'map', each: unit, soft: true } },
  soft: true,
};
const style = map({ is: 'map', each: layered, soft: true });

const node = record({
  name: unit,
  parent: unit,
  children: { is: 'places' },
  textStyle: unit,
  audience: unit,
  aside: { is: 'map', each: unit, soft: true },
  reviewed: { is: 'map', each: unit, soft: true },
  style,
  content: map(unit),
});

const page = record({ nodes: map(node) });
/** Whole pages, and trees that pages share, come and go. */
const pages = map(page);

const view = record({ name: unit, from: unit, sheet: unit, grid: unit });

const frame = record({
  name: unit,
  lang: unit,
  icon: unit,
  words: { is: 'map', each: { is: 'map', each: unit, soft: true }, soft: true },
  views: record({ list: list(view), base: unit }),
  colours: list(record({ name: unit, value: unit })),
  textStyles: list(record({ name: unit, aside: { is: 'map', each: unit, soft: true }, style })),
  spacing: list(record({ name: unit, size: layered })),
  fonts: list(unit),
  assets: list(unit),
  pages: list(
    record({
      slug: unit,
      title: unit,
      description: unit,
      lang: unit,
      picture: unit,
      date: unit,
      author: unit,
      tags: unit,
      earlier: unit,
      missing: unit,
      without: unit,
      offered: layered,
      notice: unit,
    }),
  ),
  shared: { is: 'map', each: page, soft: true },
});

/** The whole site: `/frame/…` and `/pages/ID/…`. */
export const SITE = record({ frame, pages });

/** The shape of what stands under a key; undefined where there is nothing of the kind. */
export function shapeUnder(shape: Shape, key: string): Shape | undefined {
  if (shape.is === 'record') return Object.hasOwn(shape.fields, key) ? lookup(shape.fields, key) : undefined;
  return shape.is === 'map' || shape.is === 'list' ? shape.each : undefined;
}

/** The shape of what stands at a place that is known to be one. */
export const shapeAt = (keys: readonly string[]): Shape =>
  keys.reduce<Shape>((shape, key) => sure(shapeUnder(shape, key)), SITE);

/** Whether what has a shape comes to be with the first thing in it, and goes with the last. */
export const isSoft = (shape: Shape): boolean =>
  (shape.is === 'record' || shape.is === 'map') && !!shape.soft;
