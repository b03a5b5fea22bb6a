import { createTheme } from '@mui/material/styles';
import { useSyncExternalStore } from 'react';
import { knownIn } from '../../core/index.ts';

/** The colours of the interface, on light ground and on dark. Each means one thing: see the comments at its name. */
const SCHEMES = {
  ink: ['#23211c', '#ece7dc'],
  paper: ['#faf7f0', '#211f1c'],
  raised: ['#ffffff', '#2d2b27'],
  shade: ['#f1ebdf', '#282622'],
  desk: ['#e4dfd3', '#151412'],
  line: ['#d9d2c3', '#423e37'],
  hairline: ['#ece5d7', '#2f2c28'],
  band: ['rgba(35, 33, 28, 0.035)', 'rgba(236, 231, 220, 0.05)'],
  faint: ['rgba(92, 86, 75, 0.35)', 'rgba(185, 177, 162, 0.4)'],
  tile: ['#e7e0d1', '#3d3932'],
  thread: ['#bdb4a1', '#6b6557'],
  quiet: ['#5c564b', '#b9b1a2'],
  petrol: ['#0d6a6e', '#6fcac6'],
  'petrol-fill': ['#0d6a6e', '#0f7074'],
  'petrol-tint': ['rgba(13, 106, 110, 0.11)', 'rgba(111, 202, 198, 0.15)'],
  selected: ['#cfe6e3', '#1c4345'],
  slate: ['#3b4685', '#a9b2e8'],
  'slate-fill': ['#3b4685', '#4d589f'],
  'slate-pale': ['#d5d9ec', '#343b61'],
  marigold: ['#f0c257', '#e3b044'],
  'on-marigold': ['#23211c', '#23211c'],
  'marigold-pale': ['#f8e6b8', '#574820'],
  coral: ['#b23a21', '#ff9d85'],
  'coral-fill': ['#b23a21', '#b23a21'],
  'dark-ground': ['#23211c', '#0d0c0b'],
} as const;

type Name = keyof typeof SCHEMES;

const colour = <N extends Name>(name: N): `var(--${N})` => `var(--${name})`;

/** Words. */
export const ink = colour('ink');
export const paper = colour('paper');
/** Fields, cards, and what is set in the base. */
export const raised = colour('raised');
export const shade = colour('shade');
export const desk = colour('desk');
export const line = colour('line');
/** Every other view behind a chart, and the lines in it that are not the chosen one. */
export const band = colour('band');
export const faint = colour('faint');
/** Ground of what can be pressed and is not active. */
export const tile = colour('tile');
/** Words of second rank; at least 4.5 : 1 on paper and on the header's shade. */
export const quiet = colour('quiet');
/** What is active or selected, in words and lines. */
export const petrol = colour('petrol');
/** The same, as the ground of white words. */
export const petrolFill = colour('petrol-fill');
export const petrolTint = colour('petrol-tint');
/** For alternates and texts by view. */
export const slate = colour('slate');
/** Overrides, and the views they reach. */
export const marigold = colour('marigold');
export const marigoldPale = colour('marigold-pale');
/** Words on the colour of overrides. */
export const onMarigold = colour('on-marigold');
/** The one thing a screen is for. */
export const sun = '#e9a820';
/** Findings and failures only. */
export const coral = colour('coral');
/** The same, as the ground of white words. */
export const coralFill = colour('coral-fill');
/** Ground of white words: the bar at the top, and what lies over everything for a moment. */
export const darkGround = colour('dark-ground');

const DARK = '(prefers-color-scheme: dark)';

/** The colours of a scheme as custom properties. */
const declared = (scheme: 0 | 1): Record<string, string> =>
  Object.fromEntries(Object.entries(SCHEMES).map(([name, each]) => [`--${name}`, each[scheme]]));

const schemeChanges = (changed: () => void) => {
  const query = matchMedia(DARK);
  query.addEventListener('change', changed);
  return () => query.removeEventListener('change', changed);
};

const isDark = () => matchMedia(DARK).matches;

const PAINTED = new Map<string, readonly [light: string, dark: string]>(
  Object.entries(SCHEMES).map(([name, each]) => [`var(--${name})`, each]),
);

const painterOf = (scheme: 0 | 1) => (wanted: `var(--${Name})`) => knownIn(PAINTED, wanted)[scheme];
const [paintLight, paintDark] = [painterOf(0), painterOf(1)];

export type Paint = ReturnType<typeof painterOf>;

/** Colours as they are in the scheme of this moment, for what is painted and takes no custom property. */
export const painter = () => (isDark() ? paintDark : paintLight);

/** The same, followed as the scheme of the system changes. */
export const usePainter = () => (useSyncExternalStore(schemeChanges, isDark) ? paintDark : paintLight);

const paletteOf = (scheme: 0 | 1) => ({
  primary: { main: SCHEMES.petrol[scheme], contrastText: scheme === 0 ? '#ffffff' : '#0c1f1f' },
  secondary: { main: sun, contrastText: SCHEMES['on-marigold'][scheme] },
  error: { main: SCHEMES.coral[scheme] },
  background: { default: SCHEMES.paper[scheme], paper: SCHEMES.paper[scheme] },
  text: { primary: SCHEMES.ink[scheme], secondary: SCHEMES.quiet[scheme] },
  divider: SCHEMES.line[scheme],
});

/** What has the keyboard; on dark ground `--focus` is light. */
const focus = { outline: `2px solid var(--focus, ${petrol})`, outlineOffset: 1 };

export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'media' },
  colorSchemes: { light: { palette: paletteOf(0) }, dark: { palette: paletteOf(1) } },
  shape: { borderRadius: 4 },
  typography: {
    fontFamily: '"Atkinson Hyperlegible Next Variable", sans-serif',
    fontSize: 13,
    button: { textTransform: 'none', fontWeight: 600 },
  },
  components: {
    // A button has the system's own font unless it is told to take what stands around it.
    MuiButtonBase: {
      defaultProps: { disableRipple: true },
      // Its own rule takes the outline away, after the one for everything; in a group the neighbour would lie over it.
      styleOverrides: {
        root: { fontFamily: 'inherit', '&:focus-visible, &.Mui-focusVisible': { ...focus, zIndex: 1 } },
      },
    },
    // Its input is not seen: its thumb has the mark.
    MuiSlider: { styleOverrides: { thumb: { '&.Mui-focusVisible': focus } } },
    MuiMenuItem: { styleOverrides: { root: { '&:focus-visible': { outlineOffset: -2 } } } },
    // What is raised has a shadow and an edge, not another ground.
    MuiPaper: { styleOverrides: { root: { backgroundImage: 'none' } } },
    // What a pointer passes on its way is no obstacle to it.
    MuiTooltip: { defaultProps: { disableInteractive: true } },
    MuiButton: { defaultProps: { disableElevation: true } },
    // What is said below a field that cannot be used says why: it has to be read.
    MuiFormHelperText: { styleOverrides: { root: { '&.Mui-disabled': { color: quiet } } } },
    // A heading that stayed at the top of a menu would lie over the entry that has the focus; a menu has entries and no items of a list: they say what they stand under (`aria-describedby`).
    MuiListSubheader: {
      defaultProps: { disableSticky: true, role: 'presentation' },
      styleOverrides: { root: { lineHeight: '28px', backgroundColor: 'transparent' } },
    },
    MuiCssBaseline: {
      styleOverrides: {
        ':root': declared(0),
        [`@media ${DARK}`]: { ':root': declared(1) },
        'html, body, #root': { height: '100%' },
        'button, input, select, textarea': { fontFamily: 'inherit' },
        ':focus-visible': focus,
        // A field without a frame of its own shows the keyboard around all of it.
        '.MuiInputBase-root:not(.MuiOutlinedInput-root):has(:focus-visible)': focus,
        '.MuiInputBase-input:focus-visible': { outline: 'none' },
        '@media (prefers-reduced-motion: reduce)': {
          '*': { transition: 'none !important', animation: 'none !important' },
        },
      },
    },
  },
});
