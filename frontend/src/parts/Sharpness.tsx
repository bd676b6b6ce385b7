/** How sharp a print will be, in a figure and a word, what of the picture is lost, and whether a face is. */
import Box from "@mui/material/Box";
import type { Schemas } from "../api/client";
import { colours } from "../app/theme";

const WORDS = {
  good: "good: sharp at reading distance",
  fine: "fine",
  soft: "soft: better a size smaller",
  "too few": "too few: it would look blurred; print it smaller",
} as const;

type Props = Pick<Schemas["PrintCrop"], "crop" | "ppi" | "word" | "faces_cut">;

export function Sharpness({ crop, ppi, word, faces_cut }: Props) {
  if (!crop || !word) return null;
  return (
    <Box data-sharpness sx={{ color: word === "too few" ? colours.madder : colours.ink }}>
      <b>{ppi}</b> pixels per inch, {WORDS[word]}
      {crop.lost > 0.005 && `; ${Math.round(crop.lost * 100)} % of the picture is cut away`}
      {faces_cut > 0 && (
        <Box component="span" sx={{ color: colours.madder, fontWeight: 700 }}>
          ; {faces_cut === 1 ? "a face is cut" : `${faces_cut} faces are cut`}
        </Box>
      )}
    </Box>
  );
}
