import { createTheme, type Theme } from '@mui/material/styles';
import { booth, paper, type Tokens } from './tokens.ts';

declare module '@mui/material/styles' {
  interface Theme {
    tokens: Tokens;
  }
  interface ThemeOptions {
    tokens?: Tokens;
  }
}

export const MONO = '"Atkinson Hyperlegible Mono Variable", ui-monospace, monospace';
const TEXT = '"Atkinson Hyperlegible Next Variable", system-ui, sans-serif';
const HEADING = '"Bricolage Grotesque Variable", system-ui, sans-serif';

function themeOf(mode: 'light' | 'dark', t: Tokens): Theme {
  const heading = { fontFamily: HEADING, fontWeight: 650, letterSpacing: '-0.01em' };
  return createTheme({
    tokens: t,
    palette: {
      mode,
      primary: { main: t.neck, contrastText: t.onAction },
      secondary: { main: t.instrument, contrastText: t.onAction },
      error: { main: t.stop, contrastText: t.onAction },
      warning: { main: t.attention },
      success: { main: t.ready },
      info: { main: t.waiting },
      background: { default: t.ground, paper: t.raised },
      text: { primary: t.ink, secondary: t.quiet },
      divider: t.rule,
      action: { active: t.quiet },
    },
    shape: { borderRadius: 6 },
    typography: {
      fontFamily: TEXT,
      fontSize: 14,
      h1: { ...heading, fontSize: '1.6rem' },
      h2: { ...heading, fontSize: '1.1rem' },
      h3: { ...heading, fontSize: '0.95rem' },
      button: { textTransform: 'none', fontWeight: 600 },
    },
    components: {
      MuiCssBaseline: {
        styleOverrides: {
          body: { fontVariantNumeric: 'tabular-nums' },
          ':focus-visible': { outline: `2px solid ${t.neck}`, outlineOffset: 2 },
          '@media print': { 'nav, header, .no-print': { display: 'none !important' } },
        },
      },
      MuiPaper: {
        defaultProps: { elevation: 0 },
        styleOverrides: { root: { backgroundImage: 'none', border: `1px solid ${t.rule}` } },
      },
      MuiButton: { defaultProps: { disableElevation: true, size: 'small' } },
      MuiTextField: { defaultProps: { size: 'small' } },
      MuiLink: { styleOverrides: { root: { color: t.neck, textDecorationColor: 'currentColor' } } },
      MuiTooltip: { styleOverrides: { tooltip: { backgroundColor: t.ink, color: t.ground, fontSize: 13 } } },
    },
  });
}

export const themes = { paper: themeOf('light', paper), booth: themeOf('dark', booth) };
