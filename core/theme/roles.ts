import { converter, parse, wcagContrast } from 'culori';
import type { Colour } from './resources.ts';
import { aliasTo } from './alias.ts';

/** What a colour is for in ready-made sections: a ground, or what stands on one. */
export type ColourRole = 'band' | 'on-band' | 'soft' | 'quiet' | 'accent' | 'on-accent';

/** The colours of a site by what they can be for, on its page and on a band across it, as values; absent where none serves. */
export interface ColourRoles {
  onPage: Partial<Record<ColourRole, string>>;
  onBand: Partial<Record<ColourRole, string>>;
}

/** Contrasts that words and signs need (WCAG 2.2, 1.4.3 and 1.4.11), and what a band and a soft ground are (common practice). */
const WORDS = 4.5;
const SIGN = 3;
const BAND = 7;
const SOFT = { least: 1.02, most: 1.4 };

const oklch = converter('oklch');
const chroma = (css: string): number => oklch(parse(css))?.c ?? 0;

/** The entry for which a measure is greatest; undefined of none. */
function most<T>(list: readonly T[], measure: (entry: T) => number): T | undefined {
  let best: T | undefined;
  for (const entry of list) if (best === undefined || measure(entry) > measure(best)) best = entry;
  return best;
}

/**
 * Finds among a site's colours those that can serve as a band, a soft ground, quiet words and an accent, each with words that are legible on it.
 * `paper`: the page's background, a CSS colour without transparency.
 */
export function colourRoles(colours: readonly Colour[], paper: string): ColourRoles {
  const plain = colours.filter(({ value }) => (parse(value)?.alpha ?? 1) === 1);
  const against = (ground: string) => (colour: Colour) => wcagContrast(colour.value, ground);
  const value = (colour: Colour | undefined) => (colour ? aliasTo(colour.id) : undefined);
  /** Words on a ground: the colour of the site that is clearest there, where it is clear enough. */
  const words = (ground: Colour | undefined) => {
    const clearest = ground && most(plain, against(ground.value));
    return clearest && against(ground.value)(clearest) >= WORDS ? clearest : undefined;
  };
  const vivid = (ground: string) =>
    most(
      plain.filter((colour) => against(ground)(colour) >= SIGN && words(colour)),
      (colour) => chroma(colour.value),
    );
  const soft = most(
    plain.filter((colour) => {
      const contrast = against(paper)(colour);
      return contrast >= SOFT.least && contrast <= SOFT.most;
    }),
    against(paper),
  );
  const quiet = most(
    plain.filter((colour) =>
      [paper, ...(soft ? [soft.value] : [])].every((ground) => against(ground)(colour) >= WORDS),
    ),
    (colour) => -against(paper)(colour),
  );
  const band = most(
    plain.filter((colour) => against(paper)(colour) >= BAND && words(colour)),
    (colour) => chroma(colour.value),
  );
  const accent = vivid(paper);
  const bright = band && vivid(band.value);
  const roles = (found: Record<ColourRole, Colour | undefined>) =>
    Object.fromEntries(
      Object.entries(found).flatMap(([role, colour]) => (colour ? [[role, value(colour)]] : [])),
    ) as Partial<Record<ColourRole, string>>;
  const shared = { band, 'on-band': words(band), soft, quiet };
  return {
    onPage: roles({ ...shared, accent, 'on-accent': words(accent) }),
    onBand: roles({ ...shared, accent: bright, 'on-accent': words(bright) }),
  };
}
