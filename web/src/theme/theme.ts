import { createTheme } from '@mui/material/styles';

/** The one place of colours and sizes. Neutral, without hue; ember coral for what is active. */
export const colours = {
  surround: '#6f6f6f',
  panel: '#1f1f1f',
  raised: '#262626',
  control: '#303030',
  line: '#3c3c3c',
  text: '#ececec',
  quiet: '#a8a8a8',
  ember: '#ff6a55',
  warning: '#e8b04a',
  error: '#ff5a5a',
};

export const sizes = { top: 44, rooms: 72, details: 300, tray: 196, strip: 88, radius: 6 };

export const mono = '"IBM Plex Mono", monospace';

export const theme = createTheme({
  palette: {
    mode: 'dark',
    primary: { main: colours.ember, contrastText: '#1a0f0d' },
    warning: { main: colours.warning },
    error: { main: colours.error },
    background: { default: colours.panel, paper: colours.raised },
    text: { primary: colours.text, secondary: colours.quiet },
    divider: colours.line,
  },
  shape: { borderRadius: sizes.radius },
  spacing: 4,
  typography: {
    fontFamily: '"Hanken Grotesk", sans-serif',
    fontSize: 13,
    body1: { fontSize: 13 },
    body2: { fontSize: 13 },
    caption: { fontSize: 11, lineHeight: 1.3 },
    button: { fontSize: 13, textTransform: 'none' },
    subtitle2: { fontSize: 13, fontWeight: 600 },
  },
  components: {
    MuiCssBaseline: {
      styleOverrides: {
        'html, body, #root': { height: '100%', overflow: 'hidden' },
        '*': { scrollbarColor: `${colours.line} transparent`, scrollbarWidth: 'thin' },
        '*:focus-visible': { outline: `2px solid ${colours.ember}`, outlineOffset: 1 },
      },
    },
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiPaper: { styleOverrides: { root: { backgroundImage: 'none' } } },
    MuiTooltip: { defaultProps: { enterDelay: 500 } },
    MuiFormControlLabel: { styleOverrides: { root: { marginLeft: -6 } } },
    MuiButton: { defaultProps: { size: 'small' } },
    MuiIconButton: { defaultProps: { size: 'small' } },
    MuiSelect: { defaultProps: { size: 'small' } },
    MuiTextField: { defaultProps: { size: 'small' } },
    MuiMenuItem: { defaultProps: { dense: true } },
  },
});
