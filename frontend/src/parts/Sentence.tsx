/** A line of a part's recipe: words with values in place. */
import Box from "@mui/material/Box";
import type { ReactNode } from "react";

export function Sentence({ children, inset }: { children: ReactNode; inset?: boolean }) {
  return (
    <Box
      sx={{
        display: "flex",
        flexWrap: "wrap",
        alignItems: "center",
        columnGap: 0.75,
        rowGap: 0.75,
        py: 0.4,
        pl: inset ? 2 : 0,
      }}
    >
      {children}
    </Box>
  );
}
