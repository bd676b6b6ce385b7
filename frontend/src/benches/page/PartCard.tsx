/** Where the recipe lies below the drawing, the fields of the chosen part come to the hand: on a card over its foot. */
import Box from "@mui/material/Box";
import GlobalStyles from "@mui/material/GlobalStyles";
import { colours } from "../../app/theme";
import { IconAction } from "../../ui/IconAction";
import { PartRow, type Rows } from "./PartRow";

export function PartCard({ chosen, onClose, ...rows }: Rows & { chosen: string; onClose: () => void }) {
  const k = rows.parts.findIndex((part) => part.id === chosen);
  const part = rows.parts[k];
  if (!part) return null;
  return (
    <>
      {/* What is scrolled to is not left under the card. */}
      <GlobalStyles styles={{ main: { scrollPaddingBottom: "48dvh", paddingBottom: "48dvh" } }} />
      <Box
        role="region"
        aria-label="The chosen part"
        sx={{
          position: "fixed",
          left: 0,
          right: 0,
          bottom: 0,
          zIndex: 5,
          maxHeight: "46dvh",
          overflow: "auto",
          background: colours.paper,
          borderTop: `3px solid ${colours.verdigris}`,
          boxShadow: "0 -4px 18px rgba(40, 30, 15, 0.3)",
          p: 1.25,
          pr: 6,
          fontSize: "0.94rem",
        }}
      >
        <Box sx={{ position: "absolute", right: 4, top: 4 }}>
          <IconAction icon="down" name="Put the card away" onClick={onClose} />
        </Box>
        <PartRow {...rows} part={part} k={k} isChosen />
      </Box>
    </>
  );
}
