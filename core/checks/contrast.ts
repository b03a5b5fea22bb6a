import type { PropertyName } from '../elements/propertyvalues.ts';
import { hasTrait } from '../elements/kinds/table.ts';
import { blend, interpolateWithPremultipliedAlpha, wcagContrast, type Color } from 'culori';
import { curveAt } from '../type/curve.ts';
import { textCurve } from '../values/textcurves.ts';
import { resolve, valueIn } from '../values/trace.ts';
import type { Node } from '../site/node.ts';
import type { Part } from '../elements/parts.ts';
import { knownProperty } from '../elements/propertytable.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { aliasOf } from '../theme/alias.ts';
import { cssColour } from '../theme/csscolour.ts';
import type { Tone } from './browserfacts.ts';
import { NO_IMAGE } from '../elements/valuetypes/image.ts';
import { viewOf, type ViewId } from '../layered/views.ts';
import { meet, within } from '../layout/areas.ts';
import { fillsArea, partsIn } from '../values/areas.ts';

/** How text stands out from what is behind it. */
export interface Contrast {
  /** From 1 (none) to 21 (black on white), as WCAG 2.2 has it (https://www.w3.org/TR/WCAG22/#dfn-contrast-ratio). */
  ratio: number;
  /** What WCAG 2.2, 1.4.3 asks for at level AA: 3 for large text, else 4.5. */
  needed: 3 | 4.5;
  /** What is behind it; over more than one colour the ratio is that of the worst place. */
  over: 'colour' | 'gradient' | 'picture' | 'film';
}

/** Prints a contrast with one decimal; it is never rounded up to what is enough. */
export const tenths = (ratio: number): string => (Math.floor(ratio * 10) / 10).toFixed(1);

/** px; large text is 18 pt, or 14 pt in bold (WCAG 2.2, “large scale” https://www.w3.org/TR/WCAG22/#dfn-large-scale). */
const LARGE = 24;
const LARGE_BOLD = 14 / 0.75;
const BOLD = 700;

/** What a browser paints behind a page. */
const WHITE: Color = { mode: 'rgb', r: 1, g: 1, b: 1 };

/** A colour value of the site as a colour; undefined where it is none. */
export function colourOf(site: SiteFrame, value: string): Color | undefined {
  const alias = aliasOf(value);
  const named = alias === undefined ? value : site.colours.find(({ id }) => id === alias)?.value;
  return named === undefined ? undefined : cssColour(named);
}

const faded = (colour: Color, opacity: number): Color => ({
  ...colour,
  alpha: (colour.alpha ?? 1) * opacity,
});

const over = (...layers: Color[]): Color => blend(layers, 'normal', 'rgb');

/** A text, and what is behind it in one place. */
interface Painted {
  text: Color;
  behind: Color;
}

/** What an element paints under what is in it: the colours that it has somewhere, and how much of all of it is let through. */
interface Ground {
  /** Undefined where they are not known. */
  colours?: Color[];
  opacity: number;
  /** What it is that has more than one colour. */
  of: Contrast['over'];
}

/** How many places of a gradient are looked at, besides its two ends. */
const PLACES = 14;

/** More places than that are looked at only where they are worst. */
const MOST_PLACES = 24;

/** A video may show anything: what text stands out from is a matter of lightness alone. */
const GREYS: Color[] = Array.from({ length: PLACES }, (_each, index) => {
  const level = index / (PLACES - 1);
  return { mode: 'rgb', r: level, g: level, b: level };
});

const plain = (file = NO_IMAGE): boolean => file === NO_IMAGE;

const CLEAR: Color = { ...WHITE, alpha: 0 };

const ranked: Record<Contrast['over'], number> = { colour: 0, gradient: 1, picture: 2, film: 3 };

/**
 * The contrasts of the texts of a page. Each element paints its own background under what is in it and then lets all of that through by
 * its opacity; in an overlay it lies on the parts before it in the order of layers (CSS 2.2, Appendix E; CSS Color 4, §12 https://www.w3.org/TR/css-color-4/#transparency). Over a gradient or an image it is the worst that they have
 * anywhere, as words may stand before any part of them. `tones`: the tones in the parts of images; without those of an image
 * nothing can be said of what stands before it.
 */
export function contrasts(
  site: SiteFrame,
  page: Page,
  tones: ReadonlyMap<string, readonly Tone[]> = new Map<string, readonly Tone[]>(),
) {
  const grounds = new Map<string, Ground>();

  function groundOf(holder: Node, of: Part, view: ViewId): Ground {
    const value = <Name extends PropertyName>(name: Name) => valueIn(site, page, holder, name, view, of);
    const layer = (name: 'tint' | 'backgroundColour'): Color => {
      const set = value(name);
      return (set === undefined ? undefined : colourOf(site, set)) ?? CLEAR;
    };
    const [tint, gradient, picture] = [
      layer('tint'),
      value('gradient'),
      value('backgroundPicture') ?? NO_IMAGE,
    ];
    const opacity = value('opacity') ?? 1;
    let colours = [layer('backgroundColour')];
    let kind: Contrast['over'] = 'colour';
    const covered = (tint.alpha ?? 1) >= 1;
    if (!covered && !plain(picture)) {
      const known = tones.get(picture);
      // An image that lets something through, or is not seen yet, says nothing.
      if (!known?.length) return { opacity, of: 'picture' };
      const under = colours;
      colours = known.map(([r, g, b]) => over(...under, { mode: 'rgb', r, g, b }));
      kind = 'picture';
    }
    if (!covered && !plain(value('backgroundFilm'))) {
      // Until it plays, and where less motion was asked for, what is under it is seen.
      colours = [...colours, ...GREYS];
      kind = 'film';
    }
    if (!covered && typeof gradient === 'object') {
      const [from, to] = [colourOf(site, gradient.from), colourOf(site, gradient.to)];
      if (!from || !to) return { opacity, of: 'gradient' };
      // Premultiplied, as browsers do (CSS Images 4, §3.4.2).
      const between = interpolateWithPremultipliedAlpha([from, to], 'rgb');
      const places = Array.from({ length: PLACES + 2 }, (_each, index) => between(index / (PLACES + 1)));
      colours = colours.flatMap((colour) => places.map((place) => over(colour, place)));
      if (kind === 'colour') kind = 'gradient';
    }
    return { colours: colours.map((colour) => over(colour, tint)), opacity, of: kind };
  }

  function ground(holder: Node, of: Part, view: ViewId): Ground {
    const key = `${holder.id} ${of} ${view}`;
    const made = grounds.get(key) ?? groundOf(holder, of, view);
    grounds.set(key, made);
    return made;
  }

  /** What a part of an overlay paints: its background, and over that its image or video, where it is one. */
  function surfaceOf(part: Node, view: ViewId): Ground {
    const own = ground(part, 'self', view);
    if (hasTrait(part, 'video')) return { ...own, colours: GREYS, of: 'film' };
    const source = valueIn(site, page, part, 'source', view) ?? NO_IMAGE;
    if (plain(source)) return own;
    const known = tones.get(source);
    if (!known?.length) return { opacity: own.opacity, of: 'picture' };
    return { ...own, colours: known.map(([r, g, b]) => ({ mode: 'rgb', r, g, b })), of: 'picture' };
  }

  /**
   * What lies under a part of an overlay, the topmost first: the parts before it in the order of layers that meet its area. Only what is as
   * large as its own area, and takes all of that of the part, is under every word of it.
   */
  function beneath(part: Node, view: ViewId): { surface: Ground; isWhole: boolean }[] {
    const overlay = part.parent === null ? undefined : page.nodes[part.parent];
    if (!overlay || !hasTrait(overlay, 'overlaying')) return [];
    const parts = partsIn(site, page, overlay, view);
    const at = parts.findIndex(({ id }) => id === part.id);
    return parts
      .slice(0, Math.max(0, at))
      .filter((each) => meet(each.at, parts[at].at))
      .map(({ id, at: area }) => {
        const node = page.nodes[id];
        const fills = fillsArea(site, page, node, view);
        return { surface: surfaceOf(node, view), isWhole: fills && within(parts[at].at, area) };
      })
      .reverse();
  }

  /** Of many places those that may be the worst. */
  function worst(places: Painted[]): Painted[] {
    if (places.length <= MOST_PLACES) return places;
    const rated = places.map((each) => ({ each, ratio: wcagContrast(each.text, over(WHITE, each.behind)) }));
    rated.sort((one, other) => one.ratio - other.ratio);
    return [...rated.slice(0, MOST_PLACES - 2), ...rated.slice(-2)].map(({ each }) => each);
  }

  /** The colours in which a text, and what is behind it, are painted in a view, in all places; undefined where that cannot be told. */
  function painted(
    node: Node,
    part: Part,
    view: ViewId,
    colour: Color,
  ): { places: Painted[]; of: Contrast['over'] } | undefined {
    let places: Painted[] = [{ text: colour, behind: CLEAR }];
    let kind: Contrast['over'] = 'colour';
    for (let at: Node | undefined = node, of = part; at;) {
      const open = places.some(({ behind }) => (behind.alpha ?? 1) < 1);
      const { colours, opacity, of: what } = ground(at, of, view);
      // What lies behind something that lets nothing through does not matter, but for how much of all is let through.
      if (open && !colours) return undefined;
      if (open && colours) {
        places = worst(
          places.flatMap(({ text, behind }) =>
            colours.map((each) => ({
              text: faded(over(each, text), opacity),
              behind: faded(over(each, behind), opacity),
            })),
          ),
        );
        if (colours.length > 1 && ranked[what] > ranked[kind]) kind = what;
      } else if (opacity < 1) {
        places = places.map(({ text, behind }) => ({
          text: faded(text, opacity),
          behind: faded(behind, opacity),
        }));
      }
      if (of === 'self') {
        for (const { surface, isWhole } of beneath(at, view)) {
          if (!places.some(({ behind }) => (behind.alpha ?? 1) < 1)) break;
          if (!surface.colours) return undefined;
          const { colours: painted, opacity: share } = surface;
          const covered = places.flatMap(({ text, behind }) =>
            painted.map((each) => ({
              text: over(faded(each, share), text),
              behind: over(faded(each, share), behind),
            })),
          );
          // Where it ends, what lies under it is seen.
          places = worst(isWhole ? covered : [...covered, ...places]);
          if (painted.length > 1 && ranked[surface.of] > ranked[kind]) kind = surface.of;
        }
        at = at.parent === null ? undefined : page.nodes[at.parent];
      }
      of = 'self';
    }
    return {
      places: places.map(({ text, behind }) => ({ text: over(WHITE, text), behind: over(WHITE, behind) })),
      of: kind,
    };
  }

  /** Returns the lowest contrast that something in a colour has anywhere with what is behind it. */
  function ratioIn(
    node: Node,
    part: Part,
    view: ViewId,
    colour: Color,
  ): Pick<Contrast, 'ratio' | 'over'> | undefined {
    const surfaces = painted(node, part, view, colour);
    if (!surfaces) return undefined;
    return {
      ratio: Math.min(...surfaces.places.map(({ text, behind }) => wcagContrast(text, behind))),
      over: surfaces.of,
    };
  }

  /** The contrast that a text would have in a colour. */
  function contrastOf(node: Node, part: Part, view: ViewId, colour: Color): Contrast | undefined {
    const ratio = ratioIn(node, part, view, colour);
    if (!ratio) return undefined;
    const value = <Name extends PropertyName>(name: Name) =>
      resolve(site, page, node, knownProperty(name), view, part);
    const set = value('size');
    const size =
      typeof set === 'number'
        ? set
        : curveAt(textCurve(site, page, node, part), viewOf(site.views, view).from);
    const large = size >= LARGE || (size >= LARGE_BOLD && value('weight') >= BOLD);
    return { ...ratio, needed: large ? 3 : 4.5 };
  }

  return {
    contrastOf,
    /** Returns the lowest contrast of a colour on an element; undefined where what is behind it is not known. */
    ratioOf: (node: Node, part: Part, view: ViewId, colour: Color): number | undefined =>
      ratioIn(node, part, view, colour)?.ratio,
    /**
     * The contrast of an element's text, or of that of one of its parts, in a view. Undefined where it has no text of its own, or what is behind it
     * is not known.
     */
    contrastIn(node: Node, part: Part, view: ViewId): Contrast | undefined {
      if (part === 'self' && !hasTrait(node, 'words')) return undefined;
      const colour = colourOf(site, resolve(site, page, node, knownProperty('colour'), view, part));
      return colour && contrastOf(node, part, view, colour);
    },
  };
}

export type Contrasts = ReturnType<typeof contrasts>;

/** The contrast of a single text; see `contrasts`. */
export const contrastIn = (
  site: SiteFrame,
  page: Page,
  node: Node,
  part: Part,
  view: ViewId,
): Contrast | undefined => contrasts(site, page).contrastIn(node, part, view);
