/** A bar on the screen and how long it is by a ruler held to it, so that 1 : 1 is as large as the paper. */
import Box from "@mui/material/Box";
import { useState } from "react";
import { asLength, inches } from "../page/scale";
import { BAR, measured, pixelsToAnInch } from "../page/trueSize";
import { LengthField } from "../ui/LengthField";
import { colours } from "./theme";

export function ScreenSize() {
  const [long, setLong] = useState(() => Math.round((BAR / pixelsToAnInch()) * 32) / 32);
  const [odd, setOdd] = useState(false);
  return (
    <Box sx={{ gridColumn: "1 / 3" }}>
      By a ruler held to the screen this bar is
      <Box
        sx={{
          width: BAR,
          maxWidth: "100%",
          height: 14,
          my: 0.75,
          background: colours.verdigris,
          forcedColorAdjust: "none",
        }}
      />
      <LengthField
        label="Length of the bar by a ruler"
        value={asLength(long)}
        onCommit={(length) => {
          const said = inches(length);
          const can = measured(said);
          setOdd(!can);
          if (can) setLong(said);
        }}
        unit
      />{" "}
      long: so 1 : 1 is as large as the paper.
      {odd && <Box sx={{ color: colours.madder }}>No screen is so; measure the bar from end to end once more.</Box>}
    </Box>
  );
}
