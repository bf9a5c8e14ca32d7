import { createTheme } from '@mui/material/styles';

/**
 * Havrik's look: warm paper for everything that is read and typed, a dark slate floor for everything
 * that is drawn, one blue (a chalk line's) in two strengths for what is selected or can be done.
 * Every screen takes its colours from here.
 */
export const PAPER = {
  ground: '#f6f2e8',
  sheet: '#fdfbf6',
  line: '#d8d0bf',
  ink: '#22282d',
  soft: '#565d63',
  accent: '#1b5788',
  wash: '#e3ecf2',
} as const;

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
export const VERDICT = { good: '#2b6742', edge: '#835600', bad: '#a32f1c' } as const;

/** Windows too narrow for two columns beside rail and readouts. */
export const NARROW = '@media (max-width: 1199px)';

export const FIGURES = '"Barlow Semi Condensed", sans-serif';

export const theme = createTheme({
  palette: {
    mode: 'light',
    primary: { main: PAPER.accent },
    success: { main: VERDICT.good },
    warning: { main: VERDICT.edge },
    error: { main: VERDICT.bad },
    text: { primary: PAPER.ink, secondary: PAPER.soft },
    background: { default: PAPER.ground, paper: PAPER.sheet },
    divider: PAPER.line,
  },
  shape: { borderRadius: 3 },
  typography: {
    fontFamily: '"Atkinson Hyperlegible Next", sans-serif',
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
        body: { fontVariantNumeric: 'tabular-nums' },
        ':focus-visible': { outline: `2px solid ${PAPER.accent}`, outlineOffset: 2 },
      },
    },
    MuiButtonBase: {
      defaultProps: { disableRipple: true },
      styleOverrides: {
        root: { '&:focus-visible': { outline: `2px solid ${PAPER.accent}`, outlineOffset: 2 } },
      },
    },
    MuiButton: { defaultProps: { disableElevation: true } },
    MuiPaper: { defaultProps: { elevation: 0 } },
    MuiTooltip: {
      defaultProps: { enterDelay: 500 },
      styleOverrides: { tooltip: { fontSize: 12.5, backgroundColor: PAPER.ink } },
    },
    MuiTextField: { defaultProps: { size: 'small' } },
  },
});
