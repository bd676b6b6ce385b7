/** Which papers would do for a mat: ranked for the picture, each with its reason, tried on at a press. */

import Box from "@mui/material/Box";
import { useQuery } from "@tanstack/react-query";
import type { Schemas } from "../api/client";
import { useShelf } from "../api/kits";
import { matChoices } from "../api/recipe";
import { colours } from "../app/theme";
import { Swatch } from "../ui/Swatch";
import { usePageHere } from "./PageHere";

type Choice = Schemas["PaperChoice"];

interface Props {
  part: string;
  mat: number;
  value: Choice;
  onChange: (choice: Choice, name: string) => void;
}

export function MatChooser({ part, mat, value, onChange }: Props) {
  const here = usePageHere();
  const shelf = useShelf();
  const asked = here && withoutChoice(here.page, part, mat);
  const { data } = useQuery({
    queryKey: ["mat choices", here?.id, asked, part, mat],
    queryFn: () => matChoices({ page: here?.page as Schemas["Recipe"], part, mat, id: here?.id }),
    placeholderData: (last) => last,
    enabled: here !== null,
  });
  if (!data) return null;
  if (!data.colours) return <Box sx={{ pl: 2, color: colours.soft }}>Choose its photo first.</Box>;
  const { lightness, colour, liveliness, leading } = data.colours;
  return (
    <Box
      component="section"
      aria-label={`Papers for mat ${mat + 1}`}
      sx={{ borderLeft: `3px solid ${colours.verdigris}`, ml: 1, pl: 1, my: 0.5 }}
    >
      <Box sx={{ display: "flex", alignItems: "center", flexWrap: "wrap", gap: 0.5, lineHeight: 1.3 }}>
        The photo’s edge is {colour}, {liveliness}, lightness {lightness} of 100 (0 is black). Its colours:
        {leading.map((hex) => (
          <Box
            key={hex}
            title={hex}
            sx={{
              width: 16,
              height: 16,
              borderRadius: "50%",
              background: hex,
              boxShadow: `0 0 0 1px ${colours.line}`,
            }}
          />
        ))}
      </Box>
      <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0, pt: 0.5, maxHeight: 244, overflow: "auto" }}>
        {data.choices.map(({ paper, side, good, reason }) => {
          const found = shelf.find((s) => s.paper.id === paper);
          const on = value.paper === paper && value.side === side;
          const name = `${found?.paper.name ?? "a paper"} · ${side}`;
          return (
            <li key={`${paper} ${side}`}>
              <Box
                component="button"
                type="button"
                aria-pressed={on}
                onClick={() => onChange({ ...value, paper, side }, name)}
                sx={{
                  font: "inherit",
                  color: "inherit",
                  textAlign: "left",
                  width: "100%",
                  display: "flex",
                  gap: 1,
                  alignItems: "center",
                  minHeight: 44,
                  p: 0.5,
                  border: 0,
                  borderRadius: 1,
                  cursor: "pointer",
                  background: on ? colours.tint : "transparent",
                  "&:hover": { background: colours.tint },
                }}
              >
                <Swatch
                  tile={side === "A" ? found?.tiles?.a : found?.tiles?.b}
                  width={34}
                  height={34}
                  inches={2.5}
                />
                <Box sx={{ lineHeight: 1.25 }}>
                  <Box component="span" sx={{ fontWeight: 700 }}>
                    {name}
                  </Box>
                  <Box sx={{ fontSize: "0.88rem", color: good ? colours.verdigris : colours.soft }}>
                    {good ? "" : "Not as good: "}
                    {reason}
                  </Box>
                </Box>
              </Box>
            </li>
          );
        })}
      </Box>
    </Box>
  );
}

/** The page but for this mat's paper: trying one on asks for no new ranking. */
function withoutChoice(page: Schemas["Recipe"], part: string, mat: number): unknown {
  const found = page.parts.find((p) => p.id === part);
  if (!found || !("mats" in found)) return null;
  return {
    print: "print" in found ? found.print : "prints" in found ? found.prints : null,
    mats: found.mats.map((m, k) => (k === mat ? m.borders : [m.borders, m.choice])),
  };
}
