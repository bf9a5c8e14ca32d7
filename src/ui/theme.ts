import { createTheme } from '@mui/material/styles';

/**
 * Havrik's look: warm paper for everything that is read and typed, a dark slate floor for everything
 * that is drawn, one blue (a chalk line's) in two strengths for what is selected or can be done.
 * Where the system asks for dark, the paper is dark too. Every screen takes its colours from here.
 */
const LIGHT = {
  ground: '#f6f2e8',
  sheet: '#fdfbf6',
  line: '#d8d0bf',
  ink: '#22282d',
  soft: '#565d63',
  accent: '#1b5788',
  wash: '#e3ecf2',
  good: '#2b6742',
  edge: '#835600',
  bad: '#a32f1c',
  far: '#e9e0c9',
  near: '#dfe3d2',
  within: '#cfdccb',
};

const DARK: typeof LIGHT = {
  ground: '#191d20',
  sheet: '#21272b',
  line: '#414a51',
  ink: '#ece7da',
  soft: '#b1b7b8',
  accent: '#8ec6f2',
  wash: '#27343f',
  good: '#8ccda2',
  edge: '#e3b765',
  bad: '#f49c8a',
  far: '#38342a',
  near: '#333a30',
  within: '#2e4336',
};

type Colour = keyof typeof LIGHT;

const variablesOf = (colours: typeof LIGHT) =>
  Object.fromEntries(Object.entries(colours).map(([name, hex]) => [`--paper-${name}`, hex]));

const on = <K extends Colour>(...names: K[]) =>
  Object.fromEntries(names.map((name) => [name, `var(--paper-${name})`])) as Record<K, string>;

export const PAPER = on('ground', 'sheet', 'line', 'ink', 'soft', 'accent', 'wash');

export const SLATE = {
  ground: '#2a3137',
  raised: '#343d44',
  line: '#47525a',
  chalk: '#ece7da',
  soft: '#b4bbbc',
  string: '#8f9a9c',
  accent: '#8ec6f2',
} as const;

/** Verdicts on paper. They always come with a word and a shape. */
export const VERDICT = on('good', 'edge', 'bad');

/** Behind a curve: within the target, near it, further off. */
export const BAND = on('within', 'near', 'far');

/** Windows too narrow for two columns beside rail and readouts. */
export const NARROW = '@media (max-width: 1199px)';

/** Windows as narrow as a telephone's, or as another's at twice the size: one thing below the other. */
export const PHONE = '@media (max-width: 899px)';

/** On paper: what is read stays, what is pressed goes, nothing is cut off. */
export const PRINT = '@media print';

/** For those who hear the page, not see it. */
export const UNSEEN = {
  position: 'absolute',
  width: 1,
  height: 1,
  margin: 0,
  padding: 0,
  overflow: 'hidden',
  clip: 'rect(0 0 0 0)',
  whiteSpace: 'nowrap',
  border: 0,
} as const;

export const WORDS = '"Atkinson Hyperlegible Next", sans-serif';
export const FIGURES = '"Barlow Semi Condensed", sans-serif';

const paletteOf = (colours: typeof LIGHT) => ({
  palette: {
    primary: { main: colours.accent },
    success: { main: colours.good },
    warning: { main: colours.edge },
    error: { main: colours.bad },
    text: { primary: colours.ink, secondary: colours.soft },
    background: { default: colours.ground, paper: colours.sheet },
    divider: colours.line,
  },
});

/** The palette's own variables as they are by day, for paper that is printed by night. */
const PALETTE_ON_PAPER = {
  '--mui-palette-text-primary': LIGHT.ink,
  '--mui-palette-text-secondary': LIGHT.soft,
  '--mui-palette-background-default': '#fff',
  '--mui-palette-background-paper': '#fff',
  '--mui-palette-primary-main': LIGHT.accent,
  '--mui-palette-divider': LIGHT.line,
};

export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'media' },
  colorSchemes: { light: paletteOf(LIGHT), dark: paletteOf(DARK) },
  shape: { borderRadius: 3 },
  typography: {
    fontFamily: WORDS,
    fontSize: 14,
    h1: { fontSize: 30, fontWeight: 600, letterSpacing: -0.3 },
    h2: { fontSize: 17, fontWeight: 600 },
    h3: { fontSize: 14, fontWeight: 600 },
    body1: { fontSize: 14.5 },
    body2: { fontSize: 13.5 },
    caption: { fontSize: 12, lineHeight: 1.35 },
    button: { textTransform: 'none', fontWeight: 600, fontSize: 14 },
  },
  components: {
    MuiCssBaseline: {
      styleOverrides: {
        ':root': variablesOf(LIGHT),
        '@media (prefers-color-scheme: dark)': { ':root': variablesOf(DARK) },
        '@media (prefers-reduced-motion: reduce)': {
          '*, *::before, *::after': {
            transition: 'none !important',
            animation: 'none !important',
            scrollBehavior: 'auto !important',
          },
        },
        body: { fontVariantNumeric: 'tabular-nums' },
        // Messages leave the stations free to be picked.
        '@media (min-width: 900px)': {
          '.notistack-SnackbarContainer': { left: '160px !important' },
        },
        [PRINT]: {
          ':root:root': { ...variablesOf(LIGHT), ...PALETTE_ON_PAPER },
          body: { backgroundColor: '#fff' },
          // What is pressed and is no part of what is read.
          'nav, header button, .MuiButton-contained, .MuiButton-outlined, .MuiIconButton-root, .MuiToggleButton-root:not(.Mui-selected), [role=separator], [aria-label="Cycle pad"], [class*=notistack]':
            { display: 'none !important' },
          // What scrolls on the screen stands there whole.
          'main div, main ol, main ul': {
            overflow: 'visible !important',
            maxHeight: 'none !important',
          },
          'tr, li, svg, figure': { breakInside: 'avoid' },
          'h1, h2, h3': { breakAfter: 'avoid' },
        },
        // The browser gives these a typeface of its own.
        'button, input, select, textarea': { fontFamily: 'inherit' },
        ':focus-visible': { outline: `2px solid ${PAPER.accent}`, outlineOffset: 2 },
      },
    },
    MuiButtonBase: {
      defaultProps: { disableRipple: true },
      styleOverrides: {
        root: {
          fontFamily: 'inherit',
          '&:focus-visible': { outline: `2px solid ${PAPER.accent}`, outlineOffset: 2 },
        },
      },
    },
    MuiButton: { defaultProps: { disableElevation: true } },
    MuiPaper: { defaultProps: { elevation: 0 } },
    MuiTooltip: {
      defaultProps: { enterDelay: 500 },
      styleOverrides: {
        tooltip: { fontSize: 12.5, backgroundColor: PAPER.ink, color: PAPER.sheet },
      },
    },
    MuiTextField: { defaultProps: { size: 'small' } },
    MuiOutlinedInput: {
      styleOverrides: {
        // The notch is as wide as the label is in its own typeface, not in the figures'.
        notchedOutline: { fontFamily: WORDS, fontWeight: 400 },
      },
    },
  },
});
