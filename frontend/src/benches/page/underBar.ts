/** How a bar looks that stands under the drawing while something is tried on it. */
import { colours } from "../../app/theme";

export const underBar = {
  display: "flex",
  alignItems: "center",
  gap: 1.5,
  mx: 1.5,
  mb: 1,
  p: 1,
  background: colours.paper,
  borderTop: `2px solid ${colours.verdigris}`,
} as const;
