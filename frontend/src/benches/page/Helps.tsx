/** What would help a piece that no sheet can give: each was tried, each is one press. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Recipe } from "../../api/pages";
import { pieceHelpsQuery } from "../../api/recipe";
import { unbroken } from "../../ui/figures";

interface Props {
  id: string;
  page: Recipe;
  piece: string;
  onTake: (says: string, recipe: Recipe) => void;
}

export function Helps({ id, page, piece, onTake }: Props) {
  const [asked, setAsked] = useState(false);
  const { data } = useQuery({ ...pieceHelpsQuery(id, page, piece), enabled: asked });
  if (!asked) {
    return (
      <Button size="small" onClick={() => setAsked(true)}>
        What would help?
      </Button>
    );
  }
  if (!data) return <span>Looking…</span>;
  if (!data.length) return <span>No small change helps.</span>;
  return (
    <Box component="span" sx={{ display: "inline-flex", flexWrap: "wrap", gap: 0.5 }}>
      {data.map((help) => (
        <Button
          key={help.says}
          size="small"
          variant="outlined"
          onClick={() => onTake(help.says, help.recipe)}
          sx={{ whiteSpace: "normal", textAlign: "left" }}
        >
          {unbroken(help.says)}
        </Button>
      ))}
    </Box>
  );
}
