/** Pairs of little pages, one with and one without: press on the one that has it, and see why it matters. */

import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link } from "react-router";
import { pairsQuery } from "../../api/checks";
import type { Schemas } from "../../api/client";
import type { ShelfPaper } from "../../api/kits";
import { colours } from "../../app/theme";
import { PagePicture } from "../../page/PagePicture";
import { OwnPictures } from "../../page/PieceShape";
import { inches } from "../../page/scale";
import { useRoom } from "../../ui/useRoom";

const WIDE = 210;

export default function Learn() {
  const { data } = useQuery(pairsQuery);
  const shelf = useMemo<ShelfPaper[]>(
    () => (data?.papers ?? []).map(({ paper, tiles }) => ({ paper, tiles, kit: "" })),
    [data],
  );
  const [seen, setSeen] = useState<Record<string, "right" | "wrong">>({});
  const pictures = useMemo(
    () => Object.fromEntries((data?.photos ?? []).map((photo) => [photo, `/api/checks/${photo}.svg`])),
    [data],
  );
  if (!data) return null;
  const right = Object.values(seen).filter((one) => one === "right").length;
  return (
    <Box sx={{ maxWidth: 1120, mx: "auto", px: 2, py: 3 }}>
      <Typography variant="h1" gutterBottom>
        Learn to see
      </Typography>
      <p>
        Two little pages, alike but for one thing. Press on the one that has it.{" "}
        <span role="status">
          {Object.keys(seen).length > 0 && `Seen at once: ${right} of ${Object.keys(seen).length}.`}
        </span>{" "}
        <Link to="/check">Back to your pages</Link>
      </p>
      <Box
        sx={{ display: "grid", gap: 4, gridTemplateColumns: "repeat(auto-fill, minmax(min(100%, 500px), 1fr))" }}
      >
        <OwnPictures.Provider value={pictures}>
          {data.pairs.map((pair, k) => (
            <Pair
              key={pair.id}
              pair={pair}
              shelf={shelf}
              first={k % 3 !== 1}
              seen={seen[pair.id]}
              onSeen={(how) => setSeen((before) => ({ ...before, [pair.id]: before[pair.id] ?? how }))}
            />
          ))}
        </OwnPictures.Provider>
      </Box>
    </Box>
  );
}

interface Props {
  pair: Schemas["PairOut"];
  shelf: ShelfPaper[];
  /** The one that has it lies on the left. */
  first: boolean;
  seen: "right" | "wrong" | undefined;
  onSeen: (how: "right" | "wrong") => void;
}

function Pair({ pair, shelf, first, seen, onSeen }: Props) {
  const pages = [
    { page: pair.has, has: true },
    { page: pair.has_not, has: false },
  ];
  if (!first) pages.reverse();
  const [outer, room] = useRoom<HTMLDivElement>(2 * WIDE);
  const wide = Math.min(WIDE, (room - 40) / 2);
  return (
    <Box component="section" aria-label={pair.name} ref={outer} sx={{ minWidth: 0 }}>
      <Typography variant="h2">{pair.name}</Typography>
      <Box sx={{ color: colours.soft, minHeight: "2.7em" }}>{pair.why}</Box>
      <Box sx={{ display: "flex", gap: 2, py: 1 }}>
        {pages.map(({ page, has }, k) => (
          <Box
            key={has ? "has" : "has not"}
            sx={{
              position: "relative",
              minWidth: 0,
              border: `3px solid ${seen && has ? colours.ochre : "transparent"}`,
            }}
          >
            <PagePicture
              name={`${pair.name}, ${k ? "right" : "left"}`}
              page={page}
              shelf={shelf}
              scale={wide / (inches(page.format.width) * page.format.pages)}
            />
            <Box
              component="button"
              type="button"
              aria-label={`${k ? "Right" : "Left"} page${seen ? (has ? ", has it" : ", has it not") : ""}`}
              onClick={() => onSeen(has ? "right" : "wrong")}
              sx={{
                position: "absolute",
                inset: 0,
                width: "100%",
                background: "none",
                border: 0,
                cursor: "pointer",
              }}
            />
          </Box>
        ))}
      </Box>
      <Box role="status" sx={{ minHeight: "1.5em", fontWeight: seen ? 700 : 400 }}>
        {seen && `${seen === "right" ? "Yes." : "It is the other one."} ${pair.look_at}`}
      </Box>
    </Box>
  );
}
