import { beginningOf, plainText } from '../markup/fragment.ts';
import { NO_IMAGE } from '../elements/valuetypes/image.ts';
import { express } from '../layered/express.ts';
import type { Layered } from '../layered/layered.ts';
import type { View, Views } from '../layered/views.ts';
import type { Look } from './looks.ts';
import { branch, type Branch } from './tree.ts';

/** What sections are made with: values by what a view is like, whichever views the site has. */
export interface StartContext {
  look: Look;
  name: string;
  /** px; how round the corners of buttons, and of cards and images are. */
  corners: { button: number; card: number };
  /** Ids of images of the site's shelf that can be shown in sections. */
  pictures: readonly string[];
  /** The nth of these, again from the first where there are fewer; none where there are none. */
  picture(nth: number): string;
  /** A layered value with the fewest overrides. */
  by<T>(wanted: (view: View) => T): Layered<T>;
  /** One value in views of little width, one in middling ones, one in the others. */
  widths<T>(narrow: T, middling: T, wide: T): Layered<T>;
  /** A share of twelve columns by view, in the columns that the view has; all of them in narrow ones. */
  share(twelfths: number, middling?: number): Layered<number>;
}

/** px; sheets below are narrow, and middling ones up to the next. */
export const NARROW = 600;
export const MIDDLING = 1000;

/** Whether a view is for small screens. */
export const isNarrow = ({ sheet }: View): boolean => sheet.width < NARROW;

/** px; buttons are no rounder, whatever the look. */
const ROUNDEST = 28;

/** What the sections of a new site are made with. */
export function startContext(
  views: Views,
  look: Look,
  name: string,
  pictures: readonly string[] = [],
  corners: Partial<StartContext['corners']> = {},
): StartContext {
  const by = <T>(wanted: (view: View) => T) => express(views, wanted);
  return {
    look,
    name,
    corners: { button: Math.min(look.radius, ROUNDEST), card: look.radius, ...corners },
    pictures,
    picture: (nth) => pictures[nth % pictures.length] ?? NO_IMAGE,
    by,
    widths: (narrow, middling, wide) =>
      by((view) => (isNarrow(view) ? narrow : view.sheet.width < MIDDLING ? middling : wide)),
    share: (twelfths, middling = twelfths) =>
      by(({ grid, sheet }) => {
        if (sheet.width < NARROW) return grid.columns;
        const wanted = sheet.width < MIDDLING ? middling : twelfths;
        return Math.max(1, Math.round((grid.columns * wanted) / 12));
      }),
  };
}

/** A value that is the same in all views. */
export const same = <T>(value: T): Layered<T> => ({ base: value });

/** Room above and below a section. */
export function room({ look, widths }: StartContext, most: number): Record<string, Layered<number>> {
  const px = (times: number) => Math.round((most * look.air * times) / 4) * 4;
  const value = widths(px(0.5), px(0.7), px(1));
  return { paddingTop: value, paddingBottom: value };
}

/** A heading of a level from 1 to 6. */
export const headline = (id: string, text: string, level: number, style: Branch['style'] = {}): Branch =>
  branch('heading', id, beginningOf(plainText(text)), { content: { text, level }, style });

/** A heading in a card or a column: of its level, but smaller than one across the page. */
export const small = (id: string, text: string, level: number, style: Branch['style'] = {}): Branch => ({
  ...headline(id, text, level, style),
  textStyle: 'heading-5',
});

/** What keeps the lines of running text short enough to be read well (common practice: 75 characters), in every size of the looks. */
export const READABLE = { maxWidth: same({ px: 580 }) };

/** What buttons look like. */
export const buttonLook = ({ corners }: StartContext): Branch['style'] => ({
  backgroundColour: same('{accent}'),
  colour: same('{on-accent}'),
  radius: same(corners.button),
});

/** A button with its link. */
export const button = (
  making: StartContext,
  id: string,
  label: string,
  style: Branch['style'] = {},
): Branch =>
  branch('button', id, label, {
    content: { label, link: '' },
    style: { ...buttonLook(making), ...style },
  });
