/** All pages as pictures; the place to begin one. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useDeferredValue, useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import { kitsQuery } from "../../api/kits";
import { addPage, type PageOut, pagesQuery, pageThumb, readPage } from "../../api/pages";
import { takeParcelIn, told } from "../../api/parcels";
import { type Usual, useUsual } from "../../api/usual";
import { useFrame } from "../../app/FrameContext";
import { newId } from "../../parts/kinds";
import { FileInput } from "../../ui/FileInput";
import { Icon } from "../../ui/Icon";
import { IconAction } from "../../ui/IconAction";
import { SearchField } from "../../ui/SearchField";
import { isCalled, wordsOf } from "../../ui/search";
import { useSome } from "../../ui/useSome";
import { FormatFields } from "./FormatFields";
import { formatOf } from "./formats";
import { SetAside } from "./SetAside";

/** So many are looked through at a glance. */
const FEW = 24;

const STATE = { planned: "planned", begun: "half cut", cut: "all cut" } as const;

export default function Pages() {
  const { data: pages } = useQuery(pagesQuery);
  const usual = useUsual();
  const { data: kits } = useQuery(kitsQuery);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { say } = useFrame();
  const [aside, setAside] = useState<PageOut | null>(null);
  const [format, setFormat] = useState(() => formatOf(usual, "12x12", 2));
  const file = useRef<HTMLInputElement>(null);
  const [typed, setTyped] = useState("");
  const asked = useDeferredValue(typed);
  const listed = pages?.filter(({ page }) => isCalled(asked, wordsOf(page.name))) ?? [];
  const { some, after } = useSome(listed, 0, FEW);

  async function begin(): Promise<void> {
    const sides = (["left", "right"] as const).slice(0, format.pages);
    const parts = sides.map((on) => ({ ...usual.base, id: newId("base"), on }));
    try {
      const page = await addPage({ ...usual.page, format, parts });
      await queries.invalidateQueries({ queryKey: ["pages"] });
      navigate(`/page/${page.saved.id}`);
    } catch (error) {
      say((error as Error).message);
    }
  }

  async function bringIn(chosen: File): Promise<void> {
    try {
      if (/\.zip$/i.test(chosen.name)) {
        const came = await takeParcelIn(chosen);
        await queries.invalidateQueries();
        say(told(came));
        const [only] = came.pages;
        if (only && came.pages.length === 1) navigate(`/page/${only}`);
        return;
      }
      const page = await readPage(chosen);
      await queries.invalidateQueries({ queryKey: ["pages"] });
      navigate(`/page/${page.saved.id}`);
    } catch (error) {
      say(`${chosen.name}: ${(error as Error).message}`);
    }
  }

  if (!pages || !kits) return null;
  return (
    <Box sx={{ maxWidth: 1180, mx: "auto", p: 3 }}>
      <Box sx={{ display: "flex", alignItems: "center", flexWrap: "wrap", gap: 1.25, mb: 3 }}>
        <Typography variant="h1" sx={{ mr: "auto" }}>
          {pages.length ? "Pages" : "The first page"}
        </Typography>
        {pages.length > 1 && (
          <Button component={Link} to="/page/together">
            Plan pages together
          </Button>
        )}
        <Button component={Link} to="/page/drafts">
          Draft a page
        </Button>
        <FormatFields format={format} onChange={setFormat} />
        <Button variant="contained" startIcon={<Icon name="add" size={18} />} onClick={() => void begin()}>
          Begin a page
        </Button>
        <Button onClick={() => file.current?.click()}>Bring one in</Button>
        <FileInput
          label="A page or parcel"
          accept="application/json,.json,.zip,application/zip"
          inputRef={file}
          onFiles={([chosen]) => chosen && void bringIn(chosen)}
        />
      </Box>
      {pages.length > FEW && (
        <Box sx={{ maxWidth: 320, mb: 2 }}>
          <SearchField label="Look for a page" placeholder="its name …" value={typed} onChange={setTyped} />
        </Box>
      )}
      {!listed.length && pages.length > 0 && "No page goes by that word."}
      {!pages.length && (
        <Typography sx={{ maxWidth: 560 }}>
          A page is a short list of parts: base papers, panels, photos on their mats. Choose a format and begin;
          every size and cut follows from the list.{" "}
          {!kits.some((k) => k.kit.papers.length) && (
            <>
              It goes best with papers on the shelf: <Link to="/unpack">unpack a kit</Link> first.
            </>
          )}
        </Typography>
      )}
      <Box
        sx={{ display: "grid", gap: 3, gridTemplateColumns: "repeat(auto-fill, minmax(min(100%, 340px), 1fr))" }}
      >
        {some.map((page) => (
          <Box
            key={page.saved.id}
            sx={{ position: "relative", "&:hover [data-away], &:focus-within [data-away]": { opacity: 1 } }}
          >
            <Box
              component={Link}
              to={`/page/${page.saved.id}`}
              sx={{ color: "inherit", textDecoration: "none", display: "block" }}
            >
              <Box
                sx={{
                  height: 230,
                  display: "flex",
                  alignItems: "flex-end",
                  justifyContent: "flex-start",
                  p: 1,
                }}
              >
                <Box
                  component="img"
                  loading="lazy"
                  src={pageThumb(page)}
                  alt=""
                  sx={{
                    maxWidth: "100%",
                    maxHeight: "100%",
                    minHeight: 60,
                    boxShadow: "0 3px 10px rgba(60,45,20,.28)",
                  }}
                />
              </Box>
              <Typography variant="h2" sx={{ mt: 1 }}>
                {page.page.name}
              </Typography>
              <Box sx={{ color: "text.secondary" }}>
                {nameOf(usual, page)} · {BUILT[page.built] ?? STATE[page.cutting]}
              </Box>
            </Box>
            <Box data-away sx={PUT_AWAY}>
              <IconAction small icon="bin" name={`Put ${page.page.name} away`} onClick={() => setAside(page)} />
            </Box>
          </Box>
        ))}
        {after}
      </Box>
      {aside && <SetAside page={aside} onClose={() => setAside(null)} />}
    </Box>
  );
}

const BUILT: Partial<Record<PageOut["built"], string>> = { begun: "half built", finished: "finished" };

/** At hand where one is, out of sight elsewhere; under a finger always there. */
const PUT_AWAY = {
  position: "absolute",
  right: 0,
  bottom: 0,
  opacity: 0,
  "@media (pointer: coarse)": { opacity: 1 },
} as const;

function nameOf({ formats }: Usual, { page }: PageOut): string {
  const found = formats.find(({ format }) => format.kind === page.format.kind);
  const many = page.format.pages === 2 ? (page.format.kind.startsWith("notebook") ? "spread" : "double") : "single";
  return `${found?.name ?? "own size"}, ${many}`;
}
