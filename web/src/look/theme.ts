import { createTheme } from '@mui/material/styles';

/** Paper, ink and one accent for what can be pressed. Verdicts have inks of their own, always with a shape and a word. */
export const ink = {
  text: '#22201c',
  soft: '#5c564b',
  rule: '#cfc7b5',
  faint: '#e9e3d4',
  paper: '#fbf8f1',
  page: '#fffdf8',
  press: '#1d4f7c',
  valid: '#2d5a3a',
  corrected: '#5a4a8a',
  qualified: '#8a5300',
  open: '#1d4f7c',
  void: '#9a1f1f',
} as const;

export const serif = "'Source Serif 4 Variable', Georgia, 'Times New Roman', serif";
export const sans = "'Source Sans 3 Variable', 'Segoe UI', system-ui, sans-serif";

export const theme = createTheme({
  palette: {
    mode: 'light',
    background: { default: ink.paper, paper: ink.page },
    text: { primary: ink.text, secondary: ink.soft },
    primary: { main: ink.press },
    error: { main: ink.void },
    warning: { main: ink.qualified },
    success: { main: ink.valid },
    divider: ink.rule,
  },
  shape: { borderRadius: 2 },
  typography: {
    fontFamily: sans,
    fontSize: 14.5,
    h1: {
      fontFamily: serif,
      fontSize: '1.75rem',
      fontWeight: 500,
      letterSpacing: '-0.01em',
      lineHeight: 1.2,
    },
    h2: { fontFamily: serif, fontSize: '1.2rem', fontWeight: 600, lineHeight: 1.3 },
    h3: { fontFamily: serif, fontSize: '1.02rem', fontWeight: 600, lineHeight: 1.35 },
    button: { textTransform: 'none', fontWeight: 600 },
  },
  transitions: { create: () => 'none' },
  components: {
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: {
      defaultProps: { disableElevation: true },
      styleOverrides: {
        root: {
          minHeight: 36,
          '&.Mui-focusVisible': { outline: `3px solid ${ink.press}`, outlineOffset: 2 },
        },
      },
    },
    MuiPaper: { defaultProps: { elevation: 0 } },
    MuiTextField: { defaultProps: { size: 'small', variant: 'outlined' } },
    MuiTableCell: {
      styleOverrides: {
        root: { padding: '5px 10px', borderColor: ink.rule, verticalAlign: 'baseline' },
        head: { fontWeight: 600, color: ink.soft, whiteSpace: 'nowrap' },
      },
    },
    MuiDialog: { defaultProps: { transitionDuration: 0 } },
    MuiCssBaseline: {
      styleOverrides: {
        body: { fontVariantNumeric: 'tabular-nums' },
        a: { color: ink.press },
        ':focus-visible': { outline: `3px solid ${ink.press}`, outlineOffset: 2 },
      },
    },
  },
});
