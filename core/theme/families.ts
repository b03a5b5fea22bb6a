import { keysOf, lookup } from '../lookup.ts';
import { sure } from '../sure.ts';
import type { Font, SiteResources } from './resources.ts';

/** One woff2 file of a family: a subset of its characters, upright or italic, all weights in one variable file. */
export interface FontFile {
  /** The file's name; inside the family's package folder, where it ships with the application. */
  file: string;
  style: 'normal' | 'italic';
  /** The characters the file is for; absent: all that it has. */
  unicodeRange?: string;
  /** What a published file is called: it changes with the bytes, so that browsers may keep it for good. */
  publishedAs: string;
  /** SHA-256 of the bytes, in hexadecimal, where the file is one of the site's own. */
  hash?: string;
}

/** A font of the reader's machine, made as large and as high as a family, so that little moves when the family has loaded. */
export interface StandIn {
  /** Its name in CSS. */
  name: string;
  /** Fonts that share their metrics, one of which nearly every machine has. */
  local: readonly string[];
  /** Percent, as the descriptors of `@font-face` want them (CSS Fonts 5, §4). */
  sizeAdjust: number;
  ascent: number;
  descent: number;
}

/** A font family: one that ships with the application, or one of a site's own. */
export interface Family {
  /** Also its name in CSS. */
  id: string;
  name: string;
  /** What stands in until it has loaded. */
  fallback: 'serif' | 'sans-serif';
  standIn?: StandIn;
  /** Weights that the variable files cover, as `font-weight` in `@font-face` wants them. */
  weights: string;
  /** The folder of the npm package that holds the files of a shipped family. */
  package?: string;
  files: FontFile[];
}

/** Character ranges of the subsets, as the packages' own style sheets give them. */
const RANGES = {
  latin:
    'U+0000-00FF,U+0131,U+0152-0153,U+02BB-02BC,U+02C6,U+02DA,U+02DC,U+0304,U+0308,U+0329,U+2000-206F,U+20AC,U+2122,U+2191,U+2193,U+2212,U+2215,U+FEFF,U+FFFD',
  'latin-ext':
    'U+0100-02BA,U+02BD-02C5,U+02C7-02CC,U+02CE-02D7,U+02DD-02FF,U+0304,U+0308,U+0329,U+1D00-1DBF,U+1E00-1E9F,U+1EF2-1EFF,U+2020,U+20A0-20AB,U+20AD-20C0,U+2113,U+2C60-2C7F,U+A720-A7FF',
};

/** The first characters of the SHA-256 of the files that ship with the application. */
const FINGERPRINTS: Record<string, string> = {
  'figtree-latin-wght-normal.woff2': '4ba7d3d096',
  'figtree-latin-wght-italic.woff2': '7242fa62d1',
  'figtree-latin-ext-wght-normal.woff2': 'bf7828e2c2',
  'figtree-latin-ext-wght-italic.woff2': 'a0cc105b32',
  'fraunces-latin-wght-normal.woff2': '7f9d191d99',
  'fraunces-latin-wght-italic.woff2': 'bceec2ef4d',
  'fraunces-latin-ext-wght-normal.woff2': 'a21ecfbf41',
  'fraunces-latin-ext-wght-italic.woff2': '877bcc2fd1',
  'literata-latin-wght-normal.woff2': '9adbeac5b1',
  'literata-latin-wght-italic.woff2': 'ab198d6616',
  'literata-latin-ext-wght-normal.woff2': '46792f7cd1',
  'literata-latin-ext-wght-italic.woff2': 'ba0e6a12e2',
};

const LOCAL = {
  'sans-serif': ['Arial', 'ArialMT', 'Liberation Sans', 'Arimo'],
  serif: ['Times New Roman', 'TimesNewRomanPSMT', 'Liberation Serif', 'Tinos'],
};

/** Size, ascent and descent of what stands in, worked out from the metrics of both fonts; the same as capsize gives. */
const STAND_INS: Record<string, [number, number, number]> = {
  figtree: [100.7176, 94.3231, 24.8219],
  fraunces: [115.4462, 84.7148, 22.0882],
  literata: [118.1538, 99.6159, 26.0677],
};

function standInOf(id: string, fallback: Family['fallback']): StandIn {
  const [sizeAdjust, ascent, descent] = sure(lookup(STAND_INS, id));
  return { name: `${id} stand-in`, local: LOCAL[fallback], sizeAdjust, ascent, descent };
}

const named = (file: string): string => file.replace('.woff2', `-${lookup(FINGERPRINTS, file)}.woff2`);

function family(id: string, name: string, fallback: Family['fallback'], weights: string): Family {
  const subsets = keysOf(RANGES);
  return {
    id,
    name,
    fallback,
    standIn: standInOf(id, fallback),
    weights,
    package: `@fontsource-variable/${id}`,
    files: subsets.flatMap((subset) =>
      (['normal', 'italic'] as const).map((style) => ({
        file: `${id}-${subset}-wght-${style}.woff2`,
        publishedAs: named(`${id}-${subset}-wght-${style}.woff2`),
        style,
        unicodeRange: RANGES[subset],
      })),
    ),
  };
}

/** The families that ship with the application. */
export const FAMILIES: readonly Family[] = [
  family('figtree', 'Figtree', 'sans-serif', '300 900'),
  family('fraunces', 'Fraunces', 'serif', '100 900'),
  family('literata', 'Literata', 'serif', '200 900'),
];

/** A font of a site's own, as a family. */
const ownFamily = ({ id, name, style, weights, hash }: Font): Family => ({
  id,
  name,
  fallback: 'sans-serif',
  weights,
  files: [{ file: `${id}.woff2`, publishedAs: `${id}-${hash.slice(0, 10)}.woff2`, style, hash }],
});

/** Every family a site can use. */
export const familiesOf = (site: Pick<SiteResources, 'fonts'>): Family[] => [
  ...FAMILIES,
  ...site.fonts.map(ownFamily),
];

/** The font family of an id that ships with the program; undefined where there is none. */
export const familyOf = (id: string): Family | undefined => FAMILIES.find((candidate) => candidate.id === id);
