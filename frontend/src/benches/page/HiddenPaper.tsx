/** Hidden middles of a page: what each would give back, what that saves, and a person's word about it. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import type { Schemas } from "../../api/client";
import type { Recipe } from "../../api/pages";
import { piecingQuery } from "../../api/recipe";
import { colours } from "../../app/theme";
import { unbroken } from "../../ui/figures";

type Offer = Schemas["GutOffer"];

const LINE = {
  display: "flex",
  flexWrap: "wrap",
  alignItems: "center",
  columnGap: 1,
  lineHeight: 1.35,
  borderBottom: `1px solid ${colours.faint}`,
} as const;

interface Props {
  id: string;
  page: Recipe;
  onTake: (says: string, recipe: Recipe) => void;
  offers: Offer[];
  /** Of which pieces something was said, so that they can be left to the house rule again. */
  said: ReadonlySet<string>;
  onSay: (piece: string, gut: boolean | null) => void;
  /** The middle that is looked at, to be drawn on the page. */
  onLook: (offer: Offer | null) => void;
}

export function HiddenPaper({ id, page, offers, said, onSay, onLook, onTake }: Props) {
  const { data: pieced } = useQuery(piecingQuery(id, page));
  return (
    <Box
      component="ul"
      aria-label="Hidden paper"
      sx={{ flex: 1, listStyle: "none", m: 0, p: 0, fontSize: "0.92rem" }}
    >
      {pieced?.map((help) => (
        <Box component="li" key={help.says} sx={LINE}>
          <Box component="span" sx={{ flex: "1 1 420px" }}>
            {unbroken(help.says)}.
          </Box>
          <Button size="small" onClick={() => onTake("pieced a mat", help.recipe)}>
            Piece it
          </Button>
        </Box>
      ))}
      {offers.map((offer) => (
        <Box
          component="li"
          key={offer.piece}
          onMouseEnter={() => onLook(offer)}
          onMouseLeave={() => onLook(null)}
          onFocus={() => onLook(offer)}
          onBlur={() => onLook(null)}
          sx={LINE}
        >
          <Box component="span" sx={{ flex: "1 1 420px" }}>
            {unbroken(offer.sentence)}{" "}
            <Box component="span" sx={{ color: offer.gut ? colours.madder : colours.soft }}>
              {offer.gut ? `Cut out by ${offer.by}.` : said.has(offer.piece) ? "Left whole by your word." : ""}
            </Box>
          </Box>
          {said.has(offer.piece) && (
            <Button size="small" color="inherit" onClick={() => onSay(offer.piece, null)}>
              As the house rule
            </Button>
          )}
          <Button size="small" onClick={() => onSay(offer.piece, !offer.gut)}>
            {offer.gut ? "Leave it whole" : "Cut it out"}
          </Button>
        </Box>
      ))}
    </Box>
  );
}

/** Such as "2 middles cut out, 1 sheet less, 9 more could be". */
export function hiddenWords(offers: Offer[]): string {
  const gut = offers.filter((offer) => offer.gut);
  const sheets = Math.max(0, ...offers.map((offer) => offer.sheets));
  const more = offers.length - gut.length;
  const words = [];
  if (gut.length) words.push(`${gut.length} ${gut.length === 1 ? "middle" : "middles"} cut out`);
  if (sheets) words.push(`${sheets} ${sheets === 1 ? "sheet" : "sheets"} less`);
  if (more)
    words.push(gut.length ? `${more} more could be` : `${more} hidden ${more === 1 ? "middle" : "middles"}`);
  return words.join(", ");
}
