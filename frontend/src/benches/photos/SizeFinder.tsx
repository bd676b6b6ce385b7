/** What size a print should be for a place: a width, an opening, a cell; each answer is one press. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { sizesQuery } from "../../api/photos";
import { useUsual } from "../../api/usual";
import { colours } from "../../app/theme";
import { Choice } from "../../ui/Choice";
import { unbroken } from "../../ui/figures";
import { LengthField } from "../../ui/LengthField";

type Spot = Schemas["SpotIn"];

interface Props {
  id: string;
  onTake: (width: string, height: string) => void;
}

export function SizeFinder({ id, onTake }: Props) {
  const usual = useUsual();
  const [spot, setSpot] = useState<Spot>({
    kind: "opening",
    width: usual.print.width,
    height: usual.print.width,
    lap: usual.narrow,
  });
  const { data: offers } = useQuery(sizesQuery(id, spot));
  return (
    <Box
      component="section"
      aria-label="What size it should be"
      sx={{ borderLeft: `3px solid ${colours.verdigris}`, pl: 1.5, py: 0.5 }}
    >
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 0.75 }}>
        For
        <Choice
          label="What kind of place"
          value={spot.kind}
          options={[
            ["width", "a width on the page of"],
            ["opening", "an opening of"],
            ["cell", "a cell of a grid of"],
          ]}
          onChange={(kind) => setSpot({ ...spot, kind })}
        />
        <LengthField
          label="Width of the place"
          value={spot.width}
          onCommit={(width) => setSpot({ ...spot, width })}
        />
        {spot.kind !== "width" && (
          <>
            ×
            <LengthField
              label="Height of the place"
              value={spot.height ?? spot.width}
              onCommit={(height) => setSpot({ ...spot, height })}
            />
          </>
        )}
        {spot.kind === "opening" && (
          <>
            with a lap of
            <LengthField
              label="Lap"
              range="gap"
              value={spot.lap ?? usual.narrow}
              onCommit={(lap) => setSpot({ ...spot, lap })}
            />
          </>
        )}
      </Box>
      <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0, pt: 0.5 }} aria-label="Sizes that serve">
        {offers?.map((offer) => (
          <Box
            component="li"
            key={`${offer.width} ${offer.height}`}
            sx={{ display: "flex", gap: 1, alignItems: "center" }}
          >
            <Button
              size="small"
              variant="outlined"
              sx={{ minWidth: 104, minHeight: 32 }}
              onClick={() => onTake(offer.width, offer.height)}
            >
              {unbroken(offer.size)}
            </Button>
            <Box sx={{ lineHeight: 1.3 }}>
              {unbroken(offer.says)}; loses {Math.round(offer.lost * 100)} % of the picture, {offer.ppi} pixels per
              inch
              {offer.word === "too few" && " (too few)"}
            </Box>
          </Box>
        ))}
      </Box>
      {offers && !offers.length && "No usual size is large enough: print it in a size of your own, or in parts."}
    </Box>
  );
}
