/**
 * A workroom: by day warm paper ground and deep ink, in the evening a lamp over dark wood. Madder for cuts, verdigris
 * for what is chosen, ochre for scraps. Papers, photos and what is drawn on them look the same in either light.
 */
import { createTheme } from "@mui/material/styles";
import type { CSSProperties } from "react";

export const DAY = {
  ground: "#f7f3ea",
  paper: "#fffdf8",
  ink: "#23262b",
  soft: "#5c5a54",
  line: "#d8d0bf",
  faint: "#ece6d9",
  mark: "#8d8472",
  madder: "#9e2b25",
  madderTint: "#f8e3dc",
  verdigris: "#23665f",
  tint: "#dcebe6",
  on: "#ffffff",
  ochre: "#8a5a10",
  ochreTint: "#f3e6cd",
} as const;

const EVENING: Record<keyof typeof DAY, string> = {
  ground: "#201d19",
  paper: "#2a2621",
  ink: "#f1e9da",
  soft: "#bdb29f",
  line: "#4d463b",
  faint: "#37312a",
  mark: "#8f8573",
  madder: "#f29a8f",
  madderTint: "#4a2a26",
  verdigris: "#86cfc3",
  tint: "#26433e",
  on: "#1b1916",
  ochre: "#e3b56b",
  ochreTint: "#46371a",
};

export type Light = "day" | "evening";

const named = (palette: typeof EVENING) =>
  Object.fromEntries(Object.entries(palette).map(([name, colour]) => [`--${name}`, colour]));

/** The colours of the light that is on. */
export const colours = Object.fromEntries(Object.keys(DAY).map((name) => [name, `var(--${name})`])) as Record<
  keyof typeof DAY,
  string
>;

/** What lies on paper is drawn as by day, whatever light is on round it. */
export const daylight = named(DAY) as CSSProperties;

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

export function themeIn(light: Light) {
  const now = light === "day" ? DAY : EVENING;
  return createTheme({
    palette: {
      mode: light === "day" ? "light" : "dark",
      primary: { main: now.verdigris, contrastText: now.on },
      error: { main: now.madder, contrastText: now.on },
      warning: { main: now.ochre, contrastText: now.on },
      background: { default: now.ground, paper: now.paper },
      text: { primary: now.ink, secondary: now.soft },
      divider: now.line,
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
          ":root": { ...named(now), "--table": now.ground, colorScheme: light === "day" ? "light" : "dark" },
          body: { ...figures, backgroundColor: now.ground },
          "a:where(:any-link)": { color: now.verdigris },
          // Where one is is always seen, whatever the component thinks of it.
          ":is(:focus-visible, .Mui-focusVisible):not(main)": {
            outline: `3px solid ${now.verdigris} !important`,
            outlineOffset: "1px !important",
          },
          // An outline is at least a unit wide, which on a drawing is an inch: it has rings of its own.
          "svg [tabindex]": { outline: "none !important" },
          "[data-ring]": { display: "none" },
          "[data-rolling] *": { filter: "none !important" },
          "svg rect[tabindex]:focus-visible": { stroke: `${now.ochre} !important` },
          ":focus-visible > [data-ring]": { display: "inline" },
          "::placeholder": { color: `${now.soft} !important`, opacity: "1 !important" },
          "@media (prefers-reduced-motion: reduce)": {
            "*, *::before, *::after": {
              animationDuration: "0.01ms !important",
              animationIterationCount: "1 !important",
              transitionDuration: "0.01ms !important",
              scrollBehavior: "auto !important",
            },
          },
          // A thumb finds a link that stands for itself; one in a sentence is as tall as its line.
          "@media (pointer: coarse)": {
            "main :not(p) > a:not([class])": { display: "inline-block", minHeight: 44, lineHeight: "44px" },
          },
          // Colours that the person has forced leave shapes and lines alone: what is filled or chosen gets an edge.
          "@media (forced-colors: active)": {
            ".MuiButton-contained, [aria-pressed=true], [aria-current]:not([aria-current=false]), [aria-selected=true]":
              { outline: "2px solid Highlight", outlineOffset: "-2px" },
            "button:disabled, [aria-disabled=true]": { color: "GrayText", borderColor: "GrayText" },
            "svg[role=group], svg[role=img], [data-swatch]": { forcedColorAdjust: "none" },
          },
        },
      },
      MuiButton: {
        defaultProps: { disableElevation: true, disableRipple: true },
        styleOverrides: {
          root: { minHeight: 36, whiteSpace: "nowrap", "@media (pointer: coarse)": { minHeight: 44 } },
        },
      },
      MuiCheckbox: { styleOverrides: { root: { "@media (pointer: coarse)": { minWidth: 44, minHeight: 44 } } } },
      MuiSlider: { styleOverrides: { root: { "@media (pointer: coarse)": { padding: "21px 0" } } } },
      MuiAutocomplete: {
        styleOverrides: {
          root: {
            "@media (pointer: coarse)": {
              "& .MuiInputBase-root": { minHeight: 44 },
              "& .MuiAutocomplete-popupIndicator, & .MuiAutocomplete-clearIndicator": { width: 44, height: 44 },
            },
          },
        },
      },
      MuiIconButton: { defaultProps: { disableRipple: true } },
      MuiMenuItem: { styleOverrides: { root: { "@media (pointer: coarse)": { minHeight: 44 } } } },
      MuiPaper: { styleOverrides: { root: { backgroundImage: "none" } } },
      MuiTooltip: {
        defaultProps: { enterDelay: 500, disableInteractive: true },
        styleOverrides: {
          tooltip: {
            backgroundColor: now.ink,
            color: now.paper,
            fontSize: "0.82rem",
            maxWidth: 320,
            ...figures,
          },
        },
      },
      // A menu is there and gone at once: its button can be pressed again right after.
      MuiMenu: { defaultProps: { transitionDuration: 0 } },
      // A slip of paper laid down for a moment.
      MuiSnackbarContent: {
        styleOverrides: {
          root: {
            backgroundColor: now.paper,
            color: now.ink,
            borderLeft: `5px solid ${now.verdigris}`,
            borderRadius: 2,
            boxShadow: "0 6px 22px rgba(40, 30, 15, 0.4)",
            fontSize: "0.95rem",
            maxWidth: 640,
          },
        },
      },
      MuiDialogActions: { styleOverrides: { root: { justifyContent: "flex-start", padding: "8px 24px 20px" } } },
      MuiDialogTitle: { styleOverrides: { root: { ...words, fontWeight: 600, fontSize: "1.2rem" } } },
    },
  });
}
