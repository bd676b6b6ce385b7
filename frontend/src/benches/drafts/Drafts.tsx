/** First drafts: from photos and the shelf to whole pages side by side, to be taken, changed or left. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import Typography from "@mui/material/Typography";
import { useQueryClient } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link, useLocation, useNavigate } from "react-router";
import type { Draft, DraftAsked, Sketch } from "../../api/drafts";
import { useShelf } from "../../api/kits";
import { addPage, type Recipe } from "../../api/pages";
import { usePhotos, usePictures } from "../../api/photos";
import { useUsual } from "../../api/usual";
import { useFrame } from "../../app/FrameContext";
import { colours, small } from "../../app/theme";
import { PictureTray } from "../../parts/PictureTray";
import { Sentence } from "../../parts/Sentence";
import { Choice } from "../../ui/Choice";
import { counted } from "../../ui/figures";
import { fieldStyle } from "../../ui/LengthField";
import { FormatFields } from "../page/FormatFields";
import { formatOf } from "../page/formats";
import { keyOf } from "./best";
import { DraftCard } from "./DraftCard";
import { SketchPicture } from "./SketchPicture";
import { useDrafting } from "./useDrafting";

type Mood = DraftAsked["mood"];

const WIDE = {
  ...fieldStyle(),
  textAlign: "left",
  width: "100%",
  maxWidth: "none",
  font: "inherit",
  p: 1,
  fieldSizing: "fixed",
} as const;

/** What the bench is opened with: a sketch to fill, or a page whose parts stay. */
interface Given {
  sketch?: Sketch;
  page?: Recipe;
  id?: string;
  fixed?: string[];
}

export default function Drafts() {
  const given = (useLocation().state ?? {}) as Given;
  const usual = useUsual();
  const photos = usePhotos();
  const pictures = usePictures();
  const shelf = useShelf();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { say } = useFrame();
  const drafting = useDrafting();
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const [format, setFormat] = useState(() => given.page?.format ?? formatOf(usual, "12x12", 2));
  const [byNumber, setByNumber] = useState<"number" | "said">("number");
  const [title, setTitle] = useState("");
  const [words, setWords] = useState("");
  const [mood, setMood] = useState<NonNullable<Mood>>("middle");
  const [papers, setPapers] = useState<"any" | "scraps" | "use up">("any");
  const [keep, setKeep] = useState<readonly string[]>([]);
  const [like, setLike] = useState("");
  const days = useMemo(() => byDay(photos), [photos]);
  const shown = pictures.filter((one) => photos.some((photo) => photo.saved.id === one.id));

  function ask(more: Partial<DraftAsked> = {}, seed = 0): void {
    const first = photos.find((one) => one.saved.id === chosen[0])?.photo.taken;
    drafting.begin(
      {
        photos: [...chosen],
        format,
        by_number: byNumber === "number",
        title,
        words,
        date: first
          ? new Date(first).toLocaleDateString("en-GB", { day: "numeric", month: "long", year: "numeric" })
          : "",
        mood,
        scraps_only: papers === "scraps",
        use_up: papers === "use up",
        keep: [...keep],
        like,
        sketch: given.sketch ?? null,
        page: given.page ?? null,
        id: given.id ?? null,
        fixed: given.fixed ?? [],
        ...more,
      } as Omit<DraftAsked, "seed">,
      seed,
    );
  }

  async function takeIt(draft: Draft): Promise<void> {
    drafting.stop();
    try {
      const page = await addPage(draft.plan);
      await queries.invalidateQueries({ queryKey: ["pages"] });
      navigate(`/page/${page.saved.id}`);
    } catch (error) {
      say((error as Error).message);
    }
  }

  return (
    <Box sx={{ maxWidth: 1180, mx: "auto", p: 3 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", flexWrap: "wrap", gap: 2 }}>
        <Typography variant="h1" sx={{ mr: "auto" }}>
          First drafts
        </Typography>
        <Link to="/page/sketches">Sketches</Link>
        <Link to="/page/month">A kit’s month</Link>
        <Link to="/page">All pages</Link>
      </Box>
      <Box
        sx={{
          display: "grid",
          gap: 3,
          gridTemplateColumns: "minmax(320px, 420px) 1fr",
          [small]: { gridTemplateColumns: "1fr" },
        }}
      >
        <Box component="section" aria-label="From which photos">
          {!photos.length && (
            <p>
              Drafts begin with photos: <Link to="/photos">take some in</Link> first.
            </p>
          )}
          {days.length > 1 && (
            <Sentence>
              {days.slice(0, 8).map(([day, ids]) => (
                <Button key={day} size="small" onClick={() => setChosen(ids.slice(0, 12))}>
                  {day} ({ids.length})
                </Button>
              ))}
            </Sentence>
          )}
          <Box sx={{ maxHeight: 360, overflow: "auto" }}>
            <PictureTray
              pictures={shown}
              chosen={chosen}
              onChoose={(id) =>
                setChosen(chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id])
              }
            />
          </Box>
          <Sentence>
            <FormatFields format={format} onChange={setFormat} />
            {!given.sketch && !given.fixed && (
              <Choice
                label="Single or double by number"
                value={byNumber}
                options={[
                  ["number", "single or double by the number of photos"],
                  ["said", "as said"],
                ]}
                onChange={setByNumber}
              />
            )}
          </Sentence>
          {given.sketch && (
            <Sentence>
              filling <SketchPicture sketch={given.sketch} height={70} />
            </Sentence>
          )}
          {given.fixed && (
            <Sentence>
              {counted(given.fixed.length, "part")} of “{given.page?.name}” stay where they are.
            </Sentence>
          )}
          <Sentence>
            <Text label="Title of the page" value={title} onChange={setTitle} placeholder="the title" />
          </Sentence>
          <Box
            component="textarea"
            aria-label="Words of the page"
            placeholder="what is to be told; nothing for lines to write on"
            rows={3}
            value={words}
            onChange={(event: React.ChangeEvent<HTMLTextAreaElement>) => setWords(event.target.value)}
            sx={WIDE}
          />
          <Sentence>
            <Choice
              label="Mood"
              value={mood}
              options={[
                ["calm", "calmer"],
                ["middle", "neither calm nor bold"],
                ["bold", "bolder"],
              ]}
              onChange={setMood}
            />
            <Choice
              label="From which papers"
              value={papers}
              options={[
                ["any", "from all papers"],
                ["scraps", "only from scraps, opening no sheet"],
                ["use up", "using the kit up"],
              ]}
              onChange={setPapers}
            />
          </Sentence>
          <Sentence>
            keep for later
            {keep.map((id) => (
              <Button key={id} size="small" onClick={() => setKeep(keep.filter((one) => one !== id))}>
                {shelf.find((one) => one.paper.id === id)?.paper.name} ×
              </Button>
            ))}
            <Choice
              label="Keep a paper for later"
              value=""
              options={[
                ["", "a paper …"],
                ...shelf
                  .filter((one) => one.paper.form !== "scrap" && !keep.includes(one.paper.id))
                  .map((one) => [one.paper.id, one.paper.name] as const),
              ]}
              onChange={(id) => id && setKeep([...keep, id])}
            />
          </Sentence>
          <Sentence>
            <Button variant="contained" disabled={!chosen.length} onClick={() => ask()}>
              Draft {chosen.length ? `from ${counted(chosen.length, "photo")}` : "a page"}
            </Button>
            {like && (
              <Button
                size="small"
                onClick={() => {
                  setLike("");
                  ask({ like: "" });
                }}
              >
                All kinds again
              </Button>
            )}
          </Sentence>
        </Box>
        <Box component="section" aria-label="Drafts" aria-busy={drafting.round > 0}>
          {drafting.round > 0 && (
            <Box sx={{ display: "flex", alignItems: "center", gap: 2, pb: 1.5 }}>
              <Box sx={{ flex: 1 }} role="status">
                {drafting.drafts.length ? "Looking for better ones …" : "Laying out first drafts …"}
                <LinearProgress
                  variant="determinate"
                  aria-label="Rounds done"
                  value={(100 * (drafting.round - 1)) / drafting.rounds}
                />
              </Box>
              <Button size="small" onClick={drafting.stop}>
                Stop
              </Button>
            </Box>
          )}
          {drafting.trouble && (
            <Box role="alert" sx={{ color: colours.madder }}>
              {drafting.trouble}
            </Box>
          )}
          {!drafting.round && !drafting.trouble && !drafting.drafts.length && (
            <p>Choose the photos of a story; whole pages from your papers, letters and things are laid out here.</p>
          )}
          <Box
            component="ul"
            aria-label="Drafts side by side"
            sx={{
              listStyle: "none",
              m: 0,
              p: 0,
              display: "grid",
              gap: 2,
              gridTemplateColumns: "repeat(auto-fill, minmax(min(100%, 330px), 1fr))",
            }}
          >
            {drafting.drafts.map((draft) => (
              <DraftCard
                key={keyOf(draft)}
                draft={draft}
                onTake={() => void takeIt(draft)}
                onLike={() => {
                  const kind = draft.sketch.split(",")[0] ?? "";
                  setLike(kind);
                  ask({ like: kind }, 100);
                }}
              />
            ))}
          </Box>
        </Box>
      </Box>
    </Box>
  );
}

function Text(props: { label: string; value: string; placeholder: string; onChange: (value: string) => void }) {
  return (
    <Box
      component="input"
      aria-label={props.label}
      placeholder={props.placeholder}
      value={props.value}
      onChange={(event: React.ChangeEvent<HTMLInputElement>) => props.onChange(event.target.value)}
      sx={WIDE}
    />
  );
}

/** The photos of each day, the last day first. */
export function byDay(photos: ReturnType<typeof usePhotos>): [string, string[]][] {
  const days = new Map<string, { at: number; ids: string[] }>();
  for (const one of photos) {
    if (!one.photo.taken || one.photo.kind !== "photo") continue;
    const when = new Date(one.photo.taken);
    const day = when.toLocaleDateString("en-GB", { day: "numeric", month: "short" });
    const known = days.get(day) ?? { at: when.getTime(), ids: [] };
    known.ids.push(one.saved.id);
    days.set(day, known);
  }
  return [...days.entries()].sort((a, b) => b[1].at - a[1].at).map(([day, { ids }]) => [day, ids]);
}
