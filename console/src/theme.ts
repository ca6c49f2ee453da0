import { createTheme } from '@mui/material/styles';

const serif = "'Newsreader', Georgia, serif";
const sans = "'Atkinson Hyperlegible Next', system-ui, sans-serif";
/** For codes and addresses. */
export const mono = "'Atkinson Hyperlegible Mono', ui-monospace, monospace";

/**
 * The look of the console: a workshop on a moor. Warm paper and ink, heather for what can be done, amber for
 * what wants a look; at night the same on peat.
 */
export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'data-theme' },
  colorSchemes: {
    light: {
      palette: {
        primary: { main: '#5d3a5f', dark: '#452947', light: '#7d5780', contrastText: '#fffdf8' },
        secondary: { main: '#8a5a12', contrastText: '#fffdf8' },
        success: { main: '#2f6145' },
        warning: { main: '#8a5a12' },
        error: { main: '#9c2f24' },
        info: { main: '#3c5a70' },
        background: { default: '#f5f1e8', paper: '#fffdf8' },
        text: { primary: '#232a27', secondary: '#5a615c' },
        divider: '#ddd5c5',
      },
    },
    dark: {
      palette: {
        primary: { main: '#d9b3d6', dark: '#c294be', light: '#ead0e8', contrastText: '#241b25' },
        secondary: { main: '#e0a84f', contrastText: '#241b25' },
        success: { main: '#8fc7a3' },
        warning: { main: '#e0a84f' },
        error: { main: '#ef9a8d' },
        info: { main: '#a9c6da' },
        background: { default: '#171b19', paper: '#1f2522' },
        text: { primary: '#ece7db', secondary: '#aab0a9' },
        divider: '#38403b',
      },
    },
  },
  // Who asks their system for less motion gets menus and windows that open and close at once.
  motion: { reducedMotion: 'system' },
  shape: { borderRadius: 10 },
  typography: {
    fontFamily: sans,
    fontSize: 15,
    h1: { fontFamily: serif, fontSize: '2.1rem', fontWeight: 500, lineHeight: 1.2, letterSpacing: '-0.01em' },
    h2: { fontFamily: serif, fontSize: '1.4rem', fontWeight: 500, lineHeight: 1.3 },
    h3: { fontFamily: sans, fontSize: '1rem', fontWeight: 700, lineHeight: 1.4 },
    button: { textTransform: 'none', fontWeight: 600 },
  },
  components: {
    MuiCssBaseline: {
      styleOverrides: {
        'body': { fontVariantNumeric: 'tabular-nums' },
        'a': { color: 'var(--mui-palette-primary-main)', textUnderlineOffset: '0.18em' },
        ':focus-visible': { outline: '3px solid var(--mui-palette-secondary-main)', outlineOffset: 2 },
      },
    },
    MuiButton: { defaultProps: { disableElevation: true } },
    MuiPaper: { defaultProps: { elevation: 0 }, styleOverrides: { root: { backgroundImage: 'none' } } },
    MuiTextField: { defaultProps: { size: 'small', fullWidth: true } },
    MuiTableCell: {
      styleOverrides: {
        head: { fontWeight: 600, color: 'var(--mui-palette-text-secondary)', borderBottomWidth: 2 },
        root: { verticalAlign: 'top' },
      },
    },
    // Why something cannot be set is to be read as well as anything else.
    MuiFormHelperText: {
      styleOverrides: { root: { '&.Mui-disabled': { color: 'var(--mui-palette-text-secondary)' } } },
    },
    MuiToggleButton: { styleOverrides: { root: { color: 'var(--mui-palette-text-secondary)' } } },
    MuiTooltip: { defaultProps: { arrow: true } },
  },
});
