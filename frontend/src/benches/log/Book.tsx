/** The kit's book: what there was of every paper, what was cut from it and for which page, what is left. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { kitsQuery, putKit, type ShelfPaper, useShelf } from "../../api/kits";
import { BOOK_CSV, bookQuery } from "../../api/pages";
import { useThings } from "../../api/things";
import { useFrame } from "../../app/FrameContext";
import { colours, small } from "../../app/theme";
import { useDoing } from "../../app/useDoing";
import { unbroken } from "../../ui/figures";
import { Swatch } from "../../ui/Swatch";
import { ThingPicture } from "../../ui/ThingPicture";
import { unseen } from "../../ui/unseen";
import { useSome } from "../../ui/useSome";
import { SheetMap } from "../cut/SheetMap";

const NO_KITS: Schemas["KitBook"][] = [];

export default function Book() {
  const { data: kits } = useQuery(bookQuery);
  const shelf = useShelf();
  const { some, after } = useSome(kits ?? NO_KITS, 0, 4);
  if (!kits) return null;
  const any = kits.some((kit) => kit.papers.length);
  return (
    <Box sx={{ maxWidth: 1120, mx: "auto", p: 3 }}>
      <Typography variant="h1" gutterBottom>
        The kit’s book
      </Typography>
      <Link to="/log">To the log</Link>
      {!any && (
        <Typography>
          Nothing is in it yet: <Link to="/unpack">unpack a kit</Link>, and every sheet is kept account of here.
        </Typography>
      )}
      {any && (
        <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 2 }}>
          <Legend />
          <Button component="a" href={BOOK_CSV} download size="small">
            What was cut (CSV)
          </Button>
        </Box>
      )}
      {some.map((kit) => (
        <Box component="section" key={kit.kit} aria-label={kit.name} sx={{ mt: 3 }}>
          <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", columnGap: 2 }}>
            <Typography variant="h2">{kit.name}</Typography>
            <Box sx={{ color: colours.soft }}>{kit.areas.says}</Box>
            {kit.pages > 0 && (
              <Box sx={{ color: colours.soft }}>
                It gave {kit.pages} {kit.pages === 1 ? "page" : "pages"}.
              </Box>
            )}
            {kit.kind === "kit" && <ToStash kit={kit.kit} name={kit.name} />}
          </Box>
          <Bar areas={kit.areas} tall />
          <Box component="ul" sx={{ listStyle: "none", m: 0, mt: 1.5, p: 0 }}>
            {kit.papers.map((paper) => (
              <PaperLine key={paper.paper} paper={paper} shelf={shelf} />
            ))}
          </Box>
          <ThingLines things={kit.things} />
        </Box>
      ))}
      {after}
    </Box>
  );
}

/** A kit that is done with: what is left of it lies in the stash from then on, its papers keep their names. */
function ToStash({ kit, name }: { kit: string; name: string }) {
  const { data: kits } = useQuery(kitsQuery);
  const queries = useQueryClient();
  const { busy, doing } = useDoing();
  const { say } = useFrame();
  const here = kits?.find((one) => one.saved.id === kit);
  if (!here) return null;

  const put = (kind: "kit" | "stash", version: number) =>
    doing(async () => {
      const what = kind === "stash" ? "put the rest into the stash" : "took it out of the stash";
      const { saved } = await putKit(kit, version, what, { ...here.kit, kind });
      await queries.invalidateQueries();
      if (kind === "stash")
        say(`What is left of ${name} lies in the stash.`, {
          name: "Take it out again",
          run: () => void put("kit", saved.version),
        });
    });
  return (
    <Button size="small" disabled={busy} onClick={() => void put("stash", here.saved.version)}>
      Put the rest into the stash
    </Button>
  );
}

/** What there was of each thing, what is left, and on which pages the rest is. */
function ThingLines({ things }: { things: Schemas["ThingBook"][] }) {
  const known = useThings();
  if (!things.length) return null;
  return (
    <Box
      component="ul"
      aria-label="Things"
      sx={{
        listStyle: "none",
        m: 0,
        mt: 1,
        p: 0,
        display: "grid",
        gridTemplateColumns: "repeat(auto-fill, minmax(290px, 1fr))",
        gap: 1,
      }}
    >
      {things.map((one) => (
        <Box
          component="li"
          key={one.thing}
          sx={{ display: "flex", gap: 1.25, alignItems: "center", minHeight: 44 }}
        >
          <ThingPicture thing={known.find((it) => it.thing.id === one.thing)} size={40} />
          <Box>
            {one.name}: {one.left} of {one.had} left
            {one.used.map((use) => (
              <Box key={use.page} sx={{ fontSize: "0.85rem", color: colours.soft }}>
                {use.says} on <Link to={`/page/${use.page}`}>{use.page_name}</Link>
              </Box>
            ))}
          </Box>
        </Box>
      ))}
    </Box>
  );
}

const KINDS = [
  ["pieces", "on pages", colours.verdigris],
  ["open", "still to be cut", "#8fb8ae"],
  ["scraps", "in scraps", "#c99a4a"],
  ["whole", "whole", colours.paper],
  ["waste", "waste", "#8d867a"],
] as const;

function Legend() {
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 2, color: colours.soft, fontSize: "0.9rem" }}>
      {KINDS.map(([kind, name, ink]) => (
        <Box key={kind} sx={{ display: "flex", alignItems: "center", gap: 0.75 }}>
          <Box sx={{ width: 14, height: 14, background: ink, border: `1px solid ${colours.ink}` }} />
          {name}
        </Box>
      ))}
    </Box>
  );
}

/** What there was, as one band; its words stand beside it. */
function Bar({ areas, tall }: { areas: Schemas["AreasOut"]; tall?: boolean }) {
  return (
    <Box
      role="img"
      aria-label={areas.says}
      sx={{ display: "flex", height: tall ? 16 : 10, border: `1px solid ${colours.ink}`, mt: 0.5 }}
    >
      {KINDS.map(([kind, , ink]) => (
        <Box key={kind} sx={{ width: `${areas[kind] * 100}%`, background: ink }} />
      ))}
    </Box>
  );
}

function PaperLine({ paper, shelf }: { paper: Schemas["PaperBook"]; shelf: ShelfPaper[] }) {
  const tiles = shelf.find((one) => one.paper.id === paper.paper)?.tiles;
  const begun = paper.had - paper.left + paper.over;
  return (
    <Box
      component="li"
      data-paper={paper.name}
      sx={{
        display: "grid",
        gridTemplateColumns: "64px minmax(0, 1fr) minmax(0, 1.1fr)",
        columnGap: 2,
        py: 1.5,
        borderTop: `1px solid ${colours.line}`,
        [small]: { gridTemplateColumns: "64px minmax(0, 1fr)" },
      }}
    >
      <Swatch tile={tiles?.a} width={60} height={60} inches={4} />
      <Box>
        <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 1, alignItems: "baseline" }}>
          <b>{paper.name}</b>
          {paper.used_up && (
            <Box component="span" sx={{ color: colours.verdigris, fontWeight: 700 }}>
              used up
            </Box>
          )}
        </Box>
        <Box>
          had {paper.had}, {begun ? `${begun} begun` : "none begun"},{" "}
          {paper.over > 0 && `${paper.over} more begun than were unpacked (count them again), `}
          {paper.left ? `${paper.left} whole` : "none whole"}
          {paper.scraps.length > 0 && `, ${paper.scraps.length} ${paper.scraps.length === 1 ? "scrap" : "scraps"}`}
        </Box>
        {paper.kept_back.map((kept) => (
          <Box key={kept.page} sx={{ color: colours.ochre }}>
            {kept.count} kept back for <Link to={`/page/${kept.page}`}>{kept.page_name}</Link>
          </Box>
        ))}
        <Bar areas={paper.areas} />
        <Box sx={{ color: colours.soft, fontSize: "0.88rem" }}>{paper.areas.says}</Box>
        {paper.makes.length > 0 && (
          <Box sx={{ fontSize: "0.92rem", mt: 0.5 }}>
            What is left makes {paper.makes.map((make) => `${make.count} ${unbroken(make.what)}`).join(", or ")}.
          </Box>
        )}
      </Box>
      <Box sx={{ [small]: { gridColumn: "2" } }}>
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5 }}>
          {paper.sheets.map((one) => (
            <Sheet key={one.sheet.key} one={one} tile={tiles?.[one.sheet.face === "A" ? "a" : "b"]} />
          ))}
        </Box>
        {paper.scraps.length > 0 && (
          <Box sx={{ fontSize: "0.92rem", color: colours.ochre, mt: paper.sheets.length ? 0.75 : 0 }}>
            On the shelf: {paper.scraps.map((scrap) => `${scrap.name}, ${unbroken(scrap.size)}`).join(" · ")}
          </Box>
        )}
      </Box>
    </Box>
  );
}

const DAY = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short" });

function Sheet({ one, tile }: { one: Schemas["SheetOut"]; tile: Schemas["Tile"] | undefined }) {
  const pieces = one.pieces.length ? one.pieces.join("; ") : "no piece yet";
  const when = one.when ? `, ${DAY.format(new Date(one.when))}` : "";
  return (
    <Box
      component={Link}
      to={`/cut/${one.page}`}
      title={pieces}
      sx={{ width: 92, color: "inherit", textDecoration: "none", lineHeight: 1.25, fontSize: "0.8rem" }}
    >
      <Box sx={{ width: 84, height: 84 }}>
        <SheetMap sheet={one.sheet} sizes={{}} tile={tile} ticked={new Set(one.ticked)} lines={{}} small />
      </Box>
      <b>{one.called}</b>
      <Box sx={{ color: colours.soft }}>
        {one.page_name}
        {when}
        <Box component="span" sx={unseen}>
          : {pieces}
        </Box>
      </Box>
    </Box>
  );
}
