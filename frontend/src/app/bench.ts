/** How a bench is laid out that has one thing before one and what is said of it beside it: a row at the head, two panes. */
import { colours, small } from "./theme";

export const twoPanes = (beside: string) =>
  ({
    height: "100%",
    display: "grid",
    gridTemplateColumns: `minmax(0, 1fr) ${beside}`,
    gridTemplateRows: "auto minmax(0, 1fr) auto",
    [small]: { gridTemplateColumns: "minmax(0, 1fr)", gridTemplateRows: "none", height: "auto" },
  }) as const;

export const head = {
  gridColumn: "1 / -1",
  display: "flex",
  flexWrap: "wrap",
  alignItems: "center",
  gap: 1.5,
  px: 2,
  py: 1,
  borderBottom: `1px solid ${colours.line}`,
} as const;
