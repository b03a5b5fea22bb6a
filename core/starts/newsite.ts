import { lookup } from '../lookup.ts';
import { lastOf, sure } from '../sure.ts';
import { canonicalSite } from '../site/canonical.ts';
import { FORMAT, FORMAT_VERSION } from '../site/format.ts';
import { siteFrom, type Site, type TextStyle } from '../site/site.ts';
import type { Layered } from '../layered/layered.ts';
import type { TextSize } from '../type/textsize.ts';
import { suggestedSize } from '../type/suggest.ts';
import { viewIndex, type View, type Views } from '../layered/views.ts';
import { LOOKS, type Look, type LookSection } from './looks.ts';
import { startContext, type StartContext } from './startcontext.ts';
import { numbers, prices, timetable } from './facts.ts';
import { opening } from './opening.ts';
import { LOOK_PICTURES } from './pictures.ts';
import { alternatingRows, gallery, story, wordsAndPicture } from './samples.ts';
import { call, cards, hours, quote, siteFoot, siteHead, steps } from './sections.ts';
import { branch, pageOf, sharedOf, type Branch } from './tree.ts';
import { viewSet } from '../layered/viewsets.ts';

/** What a new site is made from. */
export interface NewSite {
  id: string;
  name: string;
  /** BCP 47 tag of the language it is written in. */
  lang: string;
  /** The id of a look, and of a ready-made set of views. */
  look: string;
  views: string;
}

/** A heading's size in px: larger by the look's ratio a level, and by less in narrower views. */
function headingSize({ bodySize, ratio }: Look, level: number, views: Views, view: View): number {
  const base = views.list[viewIndex(views, views.base)];
  const size = bodySize * ratio ** (6 - level);
  const sizes = (of: View) => ({ width: of.sheet.width, body: bodySize });
  return Math.round(suggestedSize(size, sizes(base), sizes(view)));
}

/** A size in px that grows from one sheet's width to another's, or so many px later; fixed where it is the same in both. */
const growing = (min: number, max: number, from: View, to: View, later = 0): TextSize =>
  min < max ? { min, max, fromWidth: from.sheet.width + later, toWidth: to.sheet.width + later } : max;

/** A size that grows up to the base view, and on in views that are wider. */
function grown(views: Views, sizeIn: (view: View) => number): Layered<TextSize> {
  const base = views.list[viewIndex(views, views.base)];
  const [narrowest, widest] = [views.list[0], lastOf(views.list)];
  const size = growing(sizeIn(narrowest), sizeIn(base), narrowest, base);
  if (widest === base || sizeIn(widest) === sizeIn(base)) return { base: size };
  const next = views.list[viewIndex(views, views.base) + 1];
  // It goes on where the next view begins, so that it does not jump there.
  const wider = growing(sizeIn(base), sizeIn(widest), base, widest, next.from - base.sheet.width);
  return { base: size, at: { [next.id]: { value: wider, reach: 'onward' } } };
}

function textStyles({ look, widths }: StartContext, views: Views): TextStyle[] {
  const style = (id: string, name: string, self: Record<string, Layered<unknown>>): TextStyle => ({
    id,
    name,
    style: { self },
  });
  const body = (size: Layered<number>, lineHeight: number, weight = 400) => ({
    family: { base: look.body },
    size,
    lineHeight: { base: lineHeight },
    weight: { base: weight },
  });
  const sized = (difference: number) =>
    widths(look.bodySize + difference - 1, look.bodySize + difference, look.bodySize + difference);
  const headings = [1, 2, 3, 4, 5, 6].map((level) =>
    style(`heading-${level}`, `Heading ${level}`, {
      family: { base: look.heading },
      size: grown(views, (view) => headingSize(look, level, views, view)),
      lineHeight: { base: level < 3 ? 1.12 : 1.3 },
      weight: { base: look.headingWeight },
    }),
  );
  return [
    ...headings,
    style('lead', 'Lead', body(sized(3), 1.5)),
    style('body', 'Body', body(sized(0), 1.6)),
    style('small', 'Small', body(sized(-2), 1.5)),
    style('meta', 'Meta', body({ base: look.bodySize - 3 }, 1.4)),
    style('button', 'Button', body({ base: look.bodySize - 1 }, 1.25, 650)),
    style('quote', 'Quote', {
      family: { base: look.heading },
      size: grown(views, (view) => look.bodySize + (view === views.list[0] ? 4 : 11)),
      lineHeight: { base: 1.4 },
    }),
    style('caption', 'Caption', body({ base: look.bodySize - 3 }, 1.45)),
    style('label', 'Label', body({ base: look.bodySize - 2 }, 1.4, 600)),
    style('logo', 'Logo', {
      family: { base: look.heading },
      size: widths(20, 22, 22),
      lineHeight: { base: 1.2 },
      weight: { base: 700 },
    }),
  ];
}

/** The names of a look's colours on screen, by their ids in values. */
const COLOURS: readonly (readonly [string, string, keyof Look['colours']])[] = [
  ['paper', 'Paper', 'paper'],
  ['ink', 'Ink', 'ink'],
  ['quiet', 'Quiet ink', 'quiet'],
  ['band', 'Band', 'band'],
  ['on-band', 'On band', 'onBand'],
  ['soft', 'Soft', 'soft'],
  ['accent', 'Accent', 'accent'],
  ['on-accent', 'On accent', 'onAccent'],
];

const SECTIONS: Record<LookSection, (making: StartContext) => Branch> = {
  cards,
  quote,
  hours,
  steps,
  call,
  'words-picture': wordsAndPicture,
  alternating: alternatingRows,
  gallery,
  numbers,
  prices,
  timetable,
  story,
};

/** A site to begin with: one page, with the sections of a look, right in every view of a ready-made set. */
export function newSite({ id, name, lang, look: lookId, views: viewsId }: NewSite): Site {
  const look = LOOKS.find((each) => each.id === lookId) ?? LOOKS[0];
  const { views } = viewSet(viewsId);
  const pictures = sure(lookup(LOOK_PICTURES, look.id));
  const [first, ...others] = pictures.map((each) => each.id);
  const making = startContext(views, look, name, [first, ...others]);
  // What follows begins with the images that have not been seen yet.
  const below = startContext(views, look, name, [...others, first]);
  const { widths } = making;
  const home = pageOf(
    { id: 'home', slug: '', title: name, description: '' },
    branch('page', 'page', 'Home', {
      style: { colour: { base: '{ink}' }, backgroundColour: { base: '{paper}' } },
      children: [opening(making), ...look.sections.map((section) => SECTIONS[section](below))],
    }),
  );
  return canonicalSite(
    siteFrom({
      format: FORMAT,
      version: FORMAT_VERSION,
      id,
      name,
      lang,
      views,
      colours: COLOURS.map(([colour, label, key]) => ({ id: colour, name: label, value: look.colours[key] })),
      textStyles: textStyles(making, views),
      spacing: [
        { id: 's', name: 'S', size: widths(12, 16, 16) },
        { id: 'm', name: 'M', size: widths(16, 24, 24) },
        { id: 'l', name: 'L', size: widths(24, 32, 40) },
        { id: 'xl', name: 'XL', size: widths(40, 56, 72) },
      ],
      fonts: [],
      assets: [...pictures],
      shared: { head: sharedOf('head', siteHead(making)), foot: sharedOf('foot', siteFoot(making)) },
      pages: [home],
    }),
  );
}
