/** How a new site looks before anyone has changed it. */
export interface Look {
  id: string;
  name: string;
  /** What it is like, in a few words. */
  words: string;
  colours: Palette;
  /** Ids of families that ship with the application. */
  heading: string;
  body: string;
  headingWeight: number;
  /** px in the base view; each heading is so many times larger than the next smaller one there, less in narrower views. */
  bodySize: number;
  ratio: number;
  /** px; of buttons and cards. */
  radius: number;
  /** Times the usual room above and below sections. */
  air: number;
  opening: Opening;
  /** The sections between the opening and the foot. */
  sections: readonly LookSection[];
}

/** How a home page begins: where its image is, whether its words stand in the middle, and which of the colours is behind them. */
export interface Opening {
  image: 'beside' | 'before' | 'below' | 'across';
  centred?: true;
  ground: 'band' | 'soft' | 'paper';
}

export type LookSection =
  | 'cards'
  | 'quote'
  | 'hours'
  | 'steps'
  | 'call'
  | 'words-picture'
  | 'alternating'
  | 'gallery'
  | 'numbers'
  | 'prices'
  | 'timetable'
  | 'story';

/** Colours by what they are for: a text colour each for what it stands on. */
export interface Palette {
  paper: string;
  ink: string;
  quiet: string;
  band: string;
  onBand: string;
  soft: string;
  accent: string;
  onAccent: string;
}

export const LOOKS: readonly Look[] = [
  {
    id: 'quarry',
    name: 'Quarry',
    words: 'Cool stone, plain letters, square corners',
    colours: {
      paper: '#f6f7f8',
      ink: '#1d252c',
      quiet: '#4d5a65',
      band: '#22333f',
      onBand: '#eef3f6',
      soft: '#e3e8ec',
      accent: '#1f5f8b',
      onAccent: '#ffffff',
    },
    heading: 'figtree',
    body: 'figtree',
    headingWeight: 700,
    bodySize: 17,
    ratio: 1.27,
    radius: 2,
    air: 1,
    opening: { image: 'beside', ground: 'band' },
    sections: ['cards', 'words-picture'],
  },
  {
    id: 'orchard',
    name: 'Orchard',
    words: 'Leaf green on cream, soft serif headings',
    colours: {
      paper: '#fbf8ee',
      ink: '#26301f',
      quiet: '#55604a',
      band: '#2f4a2c',
      onBand: '#f4f1e0',
      soft: '#efeada',
      accent: '#3d6b35',
      onAccent: '#ffffff',
    },
    heading: 'fraunces',
    body: 'figtree',
    headingWeight: 600,
    bodySize: 17,
    ratio: 1.3,
    radius: 12,
    air: 1.1,
    opening: { image: 'below', centred: true, ground: 'paper' },
    sections: ['alternating', 'quote'],
  },
  {
    id: 'broadsheet',
    name: 'Broadsheet',
    words: 'Black on white, made for reading',
    colours: {
      paper: '#ffffff',
      ink: '#16161a',
      quiet: '#5a5a62',
      band: '#16161a',
      onBand: '#f5f5f2',
      soft: '#f1f0ec',
      accent: '#8a1c2b',
      onAccent: '#ffffff',
    },
    heading: 'literata',
    body: 'literata',
    headingWeight: 700,
    bodySize: 18,
    ratio: 1.25,
    radius: 0,
    air: 0.9,
    opening: { image: 'across', ground: 'paper' },
    sections: ['story', 'words-picture', 'quote'],
  },
  {
    id: 'kiln',
    name: 'Kiln',
    words: 'Burnt clay and sand, warm and round',
    colours: {
      paper: '#fcf5ee',
      ink: '#3a2418',
      quiet: '#6f5242',
      band: '#7a3420',
      onBand: '#fdeee2',
      soft: '#f3e3d4',
      accent: '#a5401f',
      onAccent: '#ffffff',
    },
    heading: 'fraunces',
    body: 'literata',
    headingWeight: 650,
    bodySize: 17,
    ratio: 1.28,
    radius: 20,
    air: 1,
    opening: { image: 'before', ground: 'soft' },
    sections: ['gallery', 'hours'],
  },
  {
    id: 'lantern',
    name: 'Lantern',
    words: 'Light on dark, one bright colour',
    colours: {
      paper: '#14161f',
      ink: '#f0ede4',
      quiet: '#b3b4c0',
      band: '#1f2333',
      onBand: '#f0ede4',
      soft: '#232838',
      accent: '#f2b84b',
      onAccent: '#1a1408',
    },
    heading: 'figtree',
    body: 'figtree',
    headingWeight: 800,
    bodySize: 17,
    ratio: 1.33,
    radius: 8,
    air: 1.15,
    opening: { image: 'beside', ground: 'paper' },
    sections: ['prices', 'words-picture', 'call'],
  },
  {
    id: 'seaside',
    name: 'Seaside',
    words: 'Bright blue, coral and white, big and friendly',
    colours: {
      paper: '#ffffff',
      ink: '#12324a',
      quiet: '#43617a',
      band: '#dff1fa',
      onBand: '#12324a',
      soft: '#f0f8fc',
      accent: '#c2371e',
      onAccent: '#ffffff',
    },
    heading: 'figtree',
    body: 'figtree',
    headingWeight: 800,
    bodySize: 18,
    ratio: 1.3,
    radius: 28,
    air: 1,
    opening: { image: 'across', centred: true, ground: 'band' },
    sections: ['steps', 'cards'],
  },
  {
    id: 'loom',
    name: 'Loom',
    words: 'Deep blue and madder, heavy serif letters',
    colours: {
      paper: '#f9f4ec',
      ink: '#20233a',
      quiet: '#575a72',
      band: '#2c3566',
      onBand: '#f7efe2',
      soft: '#eee4d3',
      accent: '#a23a3f',
      onAccent: '#ffffff',
    },
    heading: 'fraunces',
    body: 'figtree',
    headingWeight: 900,
    bodySize: 17,
    ratio: 1.36,
    radius: 0,
    air: 1.1,
    opening: { image: 'before', ground: 'band' },
    sections: ['numbers', 'alternating', 'call'],
  },
  {
    id: 'almanac',
    name: 'Almanac',
    words: 'Quiet olive, book type, much room',
    colours: {
      paper: '#f7f5ec',
      ink: '#2b2e22',
      quiet: '#5c5f4e',
      band: '#e6e3cf',
      onBand: '#2b2e22',
      soft: '#efecdd',
      accent: '#5b6b2f',
      onAccent: '#ffffff',
    },
    heading: 'literata',
    body: 'literata',
    headingWeight: 400,
    bodySize: 18,
    ratio: 1.22,
    radius: 4,
    air: 1.3,
    opening: { image: 'below', ground: 'paper' },
    sections: ['timetable', 'words-picture'],
  },
];
