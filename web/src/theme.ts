import { createTheme } from '@mui/material/styles';

export const serif = '"Source Serif 4", Georgia, serif';
const sans = '"IBM Plex Sans", "Helvetica Neue", sans-serif';

declare module '@mui/material/styles' {
  interface Palette {
    rule: string;
    paper: string;
  }
  interface PaletteOptions {
    rule?: string;
    paper?: string;
  }
}

const light = {
  paper: '#FBF8F2',
  page: '#FFFDF9',
  ink: '#1D2733',
  soft: '#56606A',
  rule: '#D9D2C5',
  vermilion: '#B93A26',
  ochre: '#7F5A10',
  verdigris: '#1F6F68',
};
const dark = {
  paper: '#171C22',
  page: '#1D242B',
  ink: '#E9E3D6',
  soft: '#A9B0B3',
  rule: '#3A434B',
  vermilion: '#EE8A77',
  ochre: '#DDB364',
  verdigris: '#7CC6BD',
};

/** Paper, ink and three colours with a meaning: must fix, weigh, supported. */
export function makeTheme(isDark: boolean) {
  const c = isDark ? dark : light;
  return createTheme({
    shape: { borderRadius: 0 },
    palette: {
      mode: isDark ? 'dark' : 'light',
      background: { default: c.paper, paper: c.page },
      text: { primary: c.ink, secondary: c.soft },
      divider: c.rule,
      rule: c.rule,
      paper: c.paper,
      primary: { main: c.ink, contrastText: c.paper },
      error: { main: c.vermilion },
      warning: { main: c.ochre },
      success: { main: c.verdigris },
    },
    typography: {
      fontFamily: sans,
      fontSize: 13.5,
      h1: { fontFamily: serif, fontSize: 30, fontWeight: 600, lineHeight: 1.2 },
      h2: { fontFamily: serif, fontSize: 22, fontWeight: 600, lineHeight: 1.3 },
      h3: { fontFamily: serif, fontSize: 17, fontWeight: 600 },
      button: { textTransform: 'none', fontWeight: 500 },
    },
    components: {
      MuiButton: {
        defaultProps: { disableElevation: true, disableRipple: true },
        styleOverrides: { root: { minWidth: 0, paddingInline: 14 } },
      },
      MuiPaper: { defaultProps: { elevation: 0 } },
      MuiTableCell: {
        styleOverrides: {
          root: {
            padding: '7px 12px 7px 0',
            borderColor: c.rule,
            fontVariantNumeric: 'tabular-nums',
          },
          head: { color: c.soft, fontWeight: 500, whiteSpace: 'nowrap' },
        },
      },
      MuiCssBaseline: {
        styleOverrides: {
          // What is scrolled to must not hide behind the bar.
          html: { scrollPaddingTop: 80, scrollPaddingBottom: 70 },
          body: { fontVariantNumeric: 'tabular-nums' },
          // Who asked their system for less motion gets each state at once.
          '@media (prefers-reduced-motion: reduce)': {
            '*, *::before, *::after': {
              transitionDuration: '0s !important',
              transitionDelay: '0s !important',
              scrollBehavior: 'auto !important',
            },
          },
          ':focus-visible': { outline: `2px solid ${c.verdigris}`, outlineOffset: 2 },
          a: { color: 'inherit' },
        },
      },
    },
  });
}
