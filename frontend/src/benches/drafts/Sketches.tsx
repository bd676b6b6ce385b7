/** Sketches: Ulna's own for a format, and those one keeps; filled with photos, turned, drawn from a page or a picture. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import {
  designsQuery,
  keepSketch,
  putSketchAway,
  readSketch,
  type Sketch,
  type SketchOut,
  sketchesQuery,
  sketchFile,
  turnSketch,
} from "../../api/drafts";
import { useUsual } from "../../api/usual";
import { useFrame } from "../../app/FrameContext";
import { colours } from "../../app/theme";
import { Choice } from "../../ui/Choice";
import { FileInput } from "../../ui/FileInput";
import { FormatFields } from "../page/FormatFields";
import { formatOf } from "../page/formats";
import { SketchPicture } from "./SketchPicture";
import { TracedSketch } from "./TracedSketch";

const MOST = 12;

export default function Sketches() {
  const usual = useUsual();
  const [format, setFormat] = useState(() => formatOf(usual, "12x12", 1));
  const [photos, setPhotos] = useState("");
  const { data: designs = [] } = useQuery(designsQuery(format));
  const { data: own = [] } = useQuery(sketchesQuery);
  const queries = useQueryClient();
  const { say } = useFrame();
  const navigate = useNavigate();
  const file = useRef<HTMLInputElement>(null);
  const picture = useRef<HTMLInputElement>(null);
  const [traced, setTraced] = useState<File | null>(null);
  const has = (sketch: Sketch) => sketch.places.filter((place) => place.role === "photo").length;
  const wanted = (sketch: Sketch) => !photos || has(sketch) === Number(photos);
  const fill = (sketch: Sketch) => navigate("/page/drafts", { state: { sketch } });

  async function done(deed: () => Promise<unknown>, told?: string): Promise<void> {
    try {
      await deed();
      await queries.invalidateQueries({ queryKey: sketchesQuery.queryKey });
      if (told) say(told);
    } catch (error) {
      say((error as Error).message);
    }
  }

  return (
    <Box sx={{ maxWidth: 1180, mx: "auto", p: 3 }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1.25, mb: 2 }}>
        <Typography variant="h1" sx={{ mr: "auto" }}>
          Sketches
        </Typography>
        <FormatFields format={format} onChange={setFormat} />
        <Choice
          label="Number of photos"
          value={photos}
          options={[
            ["", "any number of photos"],
            ...Array.from({ length: MOST }, (_, k) => [String(k + 1), `${k + 1} photo${k ? "s" : ""}`] as const),
          ]}
          onChange={setPhotos}
        />
        <Button onClick={() => picture.current?.click()}>Trace an arrangement</Button>
        <Button onClick={() => file.current?.click()}>Bring one in</Button>
        <FileInput
          label="A sketch as JSON"
          accept="application/json,.json"
          inputRef={file}
          onFiles={([chosen]) => chosen && void done(() => readSketch(chosen), "The sketch is kept")}
        />
        <FileInput
          label="A photograph of an arrangement"
          accept="image/jpeg,image/png,image/webp,image/heic,image/heif"
          inputRef={picture}
          onFiles={([chosen]) => chosen && setTraced(chosen)}
        />
        <Link to="/page/drafts">First drafts</Link>
      </Box>
      {own.some((one) => wanted(one.sketch)) && (
        <>
          <Typography variant="h2">Your own</Typography>
          <Grid label="Your own sketches">
            {own
              .filter((one) => wanted(one.sketch))
              .map((one) => (
                <Card key={one.saved.id} sketch={one.sketch} onFill={fill}>
                  <OwnDeeds one={one} done={done} />
                </Card>
              ))}
          </Grid>
        </>
      )}
      <Typography variant="h2" sx={{ mt: 2 }}>
        {designs.filter(wanted).length} of Ulna’s own
      </Typography>
      <Grid label="Ulna’s sketches">
        {designs.filter(wanted).map((sketch) => (
          <Card key={sketch.name} sketch={sketch} onFill={fill}>
            <Button size="small" onClick={() => void done(() => keepSketch(sketch), "Kept among your own")}>
              Keep it
            </Button>
          </Card>
        ))}
      </Grid>
      {traced && (
        <TracedSketch
          file={traced}
          format={format}
          onClose={() => setTraced(null)}
          onKeep={(sketch) => void done(() => keepSketch(sketch), "The sketch is kept")}
        />
      )}
    </Box>
  );
}

function OwnDeeds({
  one,
  done,
}: {
  one: SketchOut;
  done: (deed: () => Promise<unknown>, told?: string) => Promise<void>;
}) {
  const turned = (how: "mirror" | "upside down" | "turn", words: string) => (
    <Button
      size="small"
      onClick={() =>
        void done(async () => {
          const sketch = await turnSketch(one.sketch, how);
          await keepSketch({ ...sketch, name: `${one.sketch.name}, ${words.toLowerCase()}`.slice(0, 120) });
        }, "Kept beside it")
      }
    >
      {words}
    </Button>
  );
  return (
    <>
      {turned("mirror", "Mirrored")}
      {turned("turn", "Turned")}
      <Button size="small" component="a" href={sketchFile(one.saved.id)} download>
        JSON
      </Button>
      <Button size="small" color="error" onClick={() => void done(() => putSketchAway(one), "Put away")}>
        Put away
      </Button>
    </>
  );
}

function Grid({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <Box
      component="ul"
      aria-label={label}
      sx={{
        listStyle: "none",
        m: 0,
        mt: 1,
        p: 0,
        display: "grid",
        gap: 2,
        gridTemplateColumns: "repeat(auto-fill, minmax(min(100%, 210px), 1fr))",
      }}
    >
      {children}
    </Box>
  );
}

function Card(props: { sketch: Sketch; onFill: (sketch: Sketch) => void; children: React.ReactNode }) {
  return (
    <Box component="li" sx={{ background: colours.paper, boxShadow: `0 0 0 1px ${colours.line}`, p: 1.25 }}>
      <Box sx={{ display: "grid", placeItems: "center", height: 118 }}>
        <SketchPicture sketch={props.sketch} />
      </Box>
      <Box sx={{ fontSize: "0.92rem", pt: 0.75 }}>{props.sketch.name}</Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 0.5, mx: -0.75 }}>
        <Button size="small" onClick={() => props.onFill(props.sketch)}>
          Fill it
        </Button>
        {props.children}
      </Box>
    </Box>
  );
}
