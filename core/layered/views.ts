import { Type, type Static } from '@sinclair/typebox';
import { NOT_OF_EVERY_OBJECT } from '../lookup.ts';

declare const viewBrand: unique symbol;
export type ViewId = string & { readonly [viewBrand]: true };

/** A text as the id of a view, where it comes from what has been validated, or names one that is made. */
export const viewId = (text: string): ViewId => text as ViewId;

export const ViewIdSchema = Type.Unsafe<ViewId>(
  Type.String({ pattern: `^${NOT_OF_EVERY_OBJECT}[a-z][a-z0-9-]{0,39}$` }),
);

/** The grid that rows use in a view. Lengths in px. */
export const GridSchema = Type.Object(
  {
    columns: Type.Integer({ minimum: 1, maximum: 24 }),
    gutter: Type.Number({ minimum: 0, maximum: 200 }),
    margin: Type.Number({ minimum: 0, maximum: 400 }),
    maxWidth: Type.Number({ minimum: 200, maximum: 4000 }),
  },
  { additionalProperties: false },
);

export const ViewSchema = Type.Object(
  {
    id: ViewIdSchema,
    name: Type.String({ minLength: 1, maxLength: 40 }),
    /** px; the smallest width that belongs to the view. The narrowest view has 0. */
    from: Type.Integer({ minimum: 0, maximum: 10000 }),
    /** px; the width and height at which the view is first shown on the desk. */
    sheet: Type.Object(
      {
        width: Type.Integer({ minimum: 200, maximum: 10000 }),
        height: Type.Integer({ minimum: 200, maximum: 10000 }),
      },
      { additionalProperties: false },
    ),
    grid: GridSchema,
  },
  { additionalProperties: false },
);

/** The views of a site, narrow to wide, and the one that holds the defaults. */
export const ViewsSchema = Type.Object(
  { list: Type.Array(ViewSchema, { minItems: 1, maxItems: 12 }), base: ViewIdSchema },
  { additionalProperties: false },
);

export type Grid = Static<typeof GridSchema>;
export type View = Static<typeof ViewSchema>;
export type Views = Static<typeof ViewsSchema>;

/** How far an override goes: only its view, or on through the views further from the base on the same side. */
export type Reach = 'here' | 'onward';

/** The place of a view in the list, from the narrowest at 0; -1 where it is unknown. */
export function viewIndex(views: Views, id: ViewId): number {
  return views.list.findIndex((view) => view.id === id);
}

/** The view of an id. Throws where it is unknown. */
export function viewOf(views: Views, id: ViewId): View {
  const view = views.list.find((candidate) => candidate.id === id);
  if (!view) throw new RangeError(`There is no view ${id}.`);
  return view;
}

/** The view in which the defaults are set. */
export const baseView = (views: Views): View => viewOf(views, views.base);

/** How many views lie between a view and the base; negative on the narrower side, positive on the wider, 0 for the base. */
export function offsetFromBase(views: Views, id: ViewId): number {
  return viewIndex(views, id) - viewIndex(views, views.base);
}

/** The view and every view further from the base on its side, nearest first. For the base: only itself. */
export function onwardFrom(views: Views, id: ViewId): ViewId[] {
  const index = viewIndex(views, id);
  const offset = offsetFromBase(views, id);
  if (offset === 0) return [id];
  const run = offset < 0 ? views.list.slice(0, index + 1).reverse() : views.list.slice(index);
  return run.map((view) => view.id);
}

/** Whether a view other than the base has others beyond it, away from the base. */
export const hasOnward = (views: Views, id: ViewId): boolean => onwardFrom(views, id).length > 1;

/** The views at both sides of the base, each from the nearest to the furthest. */
export function sidesOfBase(views: Views): [ViewId[], ViewId[]] {
  const ids = views.list.map(({ id }) => id);
  const base = ids.indexOf(views.base);
  return [ids.slice(0, base).reverse(), ids.slice(base + 1)];
}

/** The views between the base and a view on its side, nearest to the view first; without the view and the base. */
export function between(views: Views, id: ViewId): ViewId[] {
  const index = viewIndex(views, id);
  const base = viewIndex(views, views.base);
  const run = index < base ? views.list.slice(index + 1, base) : views.list.slice(base + 1, index).reverse();
  return run.map((view) => view.id);
}

/** A range of widths in px: `from` inclusive, `below` exclusive; a missing end is open. */
export interface WidthRange {
  from?: number;
  below?: number;
}

/** The widths of one view. The narrowest has no `from`, the widest no `below`. */
export function widthsOf(views: Views, id: ViewId): WidthRange {
  const index = viewIndex(views, id);
  const range: WidthRange = {};
  if (index > 0) range.from = views.list[index].from;
  if (index < views.list.length - 1) range.below = views.list[index + 1].from;
  return range;
}

/** The view that a width (px, fractional allowed) belongs to. */
export function viewAt(views: Views, width: number): View {
  return views.list.findLast((view) => view.from <= width) ?? views.list[0];
}

/** A view's widths in words: "640 – 1023", "< 640", "1440 +". */
export function describeWidths(views: Views, id: ViewId): string {
  const { from, below } = widthsOf(views, id);
  if (from === undefined && below === undefined) return 'all widths';
  if (from === undefined) return `< ${below}`;
  if (below === undefined) return `${from} +`;
  return `${from} – ${below - 1}`;
}
