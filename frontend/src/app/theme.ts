/** A workroom in daylight: warm paper ground, deep ink, madder for cuts, verdigris for what is chosen, ochre for scraps. */
import { createTheme } from "@mui/material/styles";

export const colours = {
  ground: "#f7f3ea",
  paper: "#fffdf8",
  ink: "#23262b",
  soft: "#5c5a54",
  line: "#d8d0bf",
  faint: "#ece6d9",
  madder: "#9e2b25",
  verdigris: "#23665f",
  tint: "#dcebe6",
  ochre: "#8a5a10",
  ochreTint: "#f3e6cd",
} as const;

export const measureFont = '"Inter", sans-serif';
export const wordsFont = '"Literata", serif';

/** A tablet held upright, or 200 % zoom: what stood beside the work goes above it, as a strip. */
export const narrow = "@media (max-width: 960px)";

/** Too small for that as well: a bench is as high as it needs to be and scrolls as a whole. */
export const small = "@media (max-width: 700px), (max-width: 960px) and (max-height: 640px)";

/** Figures with true fractions that stand under each other. */
export const figures = { fontVariantNumeric: "tabular-nums diagonal-fractions" } as const;

/** The serif, whose figures are plain: it takes every digit for part of a fraction. */
export const words = { fontFamily: wordsFont, fontVariantNumeric: "normal" } as const;

export const theme = createTheme({
  palette: {
    mode: "light",
    primary: { main: colours.verdigris },
    error: { main: colours.madder },
    warning: { main: colours.ochre },
    background: { default: colours.ground, paper: colours.paper },
    text: { primary: colours.ink, secondary: colours.soft },
    divider: colours.line,
  },
  shape: { borderRadius: 4 },
  typography: {
    fontFamily: measureFont,
    fontSize: 14,
    h1: { ...words, fontSize: "1.55rem", fontWeight: 600, lineHeight: 1.25 },
    h2: { ...words, fontSize: "1.12rem", fontWeight: 600, lineHeight: 1.35 },
    button: { textTransform: "none", fontWeight: 700 },
    body2: { fontSize: "0.9rem" },
  },
  components: {
    MuiCssBaseline: {
      styleOverrides: {
        body: { ...figures, backgroundColor: colours.ground },
        "a:where(:any-link)": { color: colours.verdigris },
        ":focus-visible": { outline: `2px solid ${colours.verdigris}`, outlineOffset: 2 },
      },
    },
    MuiButton: {
      defaultProps: { disableElevation: true, disableRipple: true },
      styleOverrides: { root: { minHeight: 36, whiteSpace: "nowrap" } },
    },
    MuiIconButton: { defaultProps: { disableRipple: true } },
    MuiPaper: { styleOverrides: { root: { backgroundImage: "none" } } },
    MuiTooltip: {
      defaultProps: { enterDelay: 500, disableInteractive: true },
      styleOverrides: { tooltip: { backgroundColor: colours.ink, fontSize: "0.82rem", maxWidth: 320, ...figures } },
    },
    // A menu is there and gone at once: its button can be pressed again right after.
    MuiMenu: { defaultProps: { transitionDuration: 0 } },
    MuiDialogTitle: { styleOverrides: { root: { ...words, fontWeight: 600, fontSize: "1.2rem" } } },
  },
});
