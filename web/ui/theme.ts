import { createTheme } from '@mui/material/styles';

/** The colours of the interface. Each means one thing: see the comments. */
export const ink = '#23211c';
export const paper = '#faf7f0';
export const shade = '#f1ebdf';
export const desk = '#e4dfd3';
export const line = '#d9d2c3';
/** Words of second rank; at least 4.5 : 1 on paper and on the header's shade. */
export const quiet = '#5c564b';
/** What is active or selected. */
export const petrol = '#0d6a6e';
/** For alternates and texts by view. */
export const slate = '#3b4685';
export const petrolTint = 'rgba(13, 106, 110, 0.11)';
/** Overrides, and the views they reach. */
export const marigold = '#f0c257';
export const marigoldPale = '#f8e6b8';
/** The one thing a screen is for. */
export const sun = '#e9a820';
/** Findings and failures only. */
export const coral = '#b23a21';

/** What has the keyboard; on dark ground `--focus` is light. */
const focus = { outline: `2px solid var(--focus, ${petrol})`, outlineOffset: 1 };

export const theme = createTheme({
  palette: {
    primary: { main: petrol },
    secondary: { main: sun, contrastText: ink },
    error: { main: coral },
    background: { default: paper, paper },
    text: { primary: ink, secondary: quiet },
    divider: line,
  },
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
        ':root': {
          '--ink': ink,
          '--quiet': quiet,
          '--paper': paper,
          '--shade': shade,
          '--line': line,
          '--petrol': petrol,
          '--coral': coral,
          '--petrol-tint': petrolTint,
          '--slate': slate,
          '--marigold': marigold,
          '--marigold-pale': marigoldPale,
        },
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
