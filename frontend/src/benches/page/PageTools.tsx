/** What can be done with a page, in a row above it. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { ReactNode } from "react";
import { Link } from "react-router";
import { galleryPicture } from "../../api/club";
import { pageAtPrintSize, pageFile, type Recipe } from "../../api/pages";
import { parcelOf } from "../../api/parcels";
import { SaveMenu } from "../../ui/SaveMenu";
import { type Arrange, ArrangeMenu } from "./ArrangeMenu";

interface Props {
  id: string;
  page: Recipe;
  chosen: string | null;
  /** How many go along with it. */
  also: number;
  onArrange: Arrange;
  auditioning: boolean;
  onAudition: () => void;
  measuring: boolean;
  onMeasure: () => void;
  shelved: boolean;
  onShelf: () => void;
  edit: ReactNode;
  things: ReactNode;
  /** How much a second pair of eyes found; null before it has looked. */
  found: number | null;
}

export function PageTools({ id, page, chosen, also, onArrange, ...on }: Props) {
  const exports = [
    ["To look at, for friends (one HTML file)", pageFile(id, "html")],
    ["A picture of it (PNG)", pageFile(id, "png")],
    ["A picture to print, 300 an inch (PNG)", pageAtPrintSize(id)],
    ["A drawing of it (SVG)", pageFile(id, "svg")],
    ["For the club’s gallery, photos hidden (PNG)", galleryPicture(id, "hidden")],
    ["For the club’s gallery, photos shown (PNG)", galleryPicture(id, "shown")],
    ["To work on in another Ulna: papers, photos and cuts too", parcelOf(id)],
    ["The recipe alone (JSON)", pageFile(id, "json")],
  ] as const;
  return (
    <Box
      sx={{
        display: "flex",
        flexWrap: "wrap",
        justifyContent: "flex-end",
        columnGap: 0.25,
        px: 1.5,
        pt: 0.75,
        "& .MuiButton-root": { minWidth: 44, px: 0.75 },
      }}
    >
      <Button component={Link} to="/page" size="small" sx={{ mr: "auto" }}>
        All pages
      </Button>
      {on.edit}
      <ArrangeMenu
        many={chosen ? 1 + also : 0}
        grouped={page.groups.some((group) => chosen !== null && group.parts.includes(chosen))}
        pages={page.format.pages}
        onArrange={onArrange}
      />
      {on.things}
      <Button size="small" disabled={chosen === null} aria-pressed={on.auditioning} onClick={on.onAudition}>
        Audition papers
      </Button>
      <Button size="small" aria-pressed={on.measuring} onClick={on.onMeasure}>
        {on.measuring ? "Done measuring" : "Measure"}
      </Button>
      <Button size="small" aria-pressed={on.shelved} onClick={on.onShelf}>
        {on.shelved ? "Close the shelf" : "Shelf"}
      </Button>
      <Button component={Link} to={`/page/${id}/variants`} size="small">
        Variants
      </Button>
      <SaveMenu name="Save a copy" files={exports} />
      <Button component={Link} to={`/photos/prints?page=${id}`} size="small">
        Prints
      </Button>
      <Button component={Link} to={`/check/${id}`} size="small">
        {on.found ? `Check: ${on.found}` : "Check"}
      </Button>
      <Button component={Link} to={`/cut/${id}`} variant="outlined" size="small">
        Cut list
      </Button>
    </Box>
  );
}
