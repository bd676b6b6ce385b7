/** A page that is finished: its picture, its story, how long it took, what one would do otherwise. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useEffect, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { type Finished, finishedQuery, finishPage, unfinishPage } from "../../api/building";
import { type PageOut, pagesQuery, pageThumb } from "../../api/pages";
import { pictureAt } from "../../api/pictures";
import { useFrame } from "../../app/FrameContext";
import { colours, narrow } from "../../app/theme";
import { useDoing } from "../../app/useDoing";
import { inches } from "../../page/scale";
import { CountField } from "../../ui/CountField";
import { InlineText } from "../../ui/InlineText";
import { SheetPhoto } from "../unpack/SheetPhoto";

const BENCHES = ["page", "check", "cut", "build"] as const;
const CALLED = { page: "planning", check: "checking", cut: "cutting", build: "building" } as const;

export default function Finish() {
  const { id = "" } = useParams();
  const { data: pages } = useQuery(pagesQuery);
  const { data } = useQuery(finishedQuery(id));
  const page = pages?.find((one) => one.saved.id === id);
  if (pages && !page) {
    return (
      <Box sx={{ p: 4 }}>
        This page is not here any more. <Link to="/log">The log</Link>
      </Box>
    );
  }
  if (!page || !data) return null;
  return <Entry key={id} page={page} begun={data} />;
}

function Entry({ page, begun }: { page: PageOut; begun: Finished }) {
  const id = page.saved.id;
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { say } = useFrame();
  const { busy, doing } = useDoing();
  const [entry, setEntry] = useKept(id, begun);
  const [photo, setPhoto] = useState(false);
  const set = (change: Partial<Finished>) => setEntry({ ...entry, ...change });
  const minutes = (bench: string) => entry.spent.find((one) => one.bench === bench)?.minutes ?? 0;
  const all = entry.spent.reduce((sum, one) => sum + one.minutes, 0);
  const isIn = page.built === "finished";

  const save = () =>
    doing(async () => {
      await finishPage(id, entry);
      setEntry(null);
      await queries.invalidateQueries();
      say(isIn ? "The log is put right." : `${entry.name} is finished and in the log.`);
      navigate("/log");
    });
  const takeOut = () =>
    doing(async () => {
      await unfinishPage(id);
      await queries.invalidateQueries();
      say("It is not finished after all; what the log said is kept.", {
        name: "Put it back",
        run: () => void finishPage(id, entry).then(() => queries.invalidateQueries()),
      });
    });

  const { format } = page.page;
  return (
    <Box
      sx={{
        maxWidth: 1120,
        mx: "auto",
        p: 3,
        display: "grid",
        gridTemplateColumns: "minmax(0, 1fr) minmax(300px, 420px)",
        gap: 3,
        [narrow]: { gridTemplateColumns: "minmax(0, 1fr)" },
      }}
    >
      <Box>
        <Typography variant="h1" gutterBottom>
          {isIn ? "Finished" : "Is it finished?"}
        </Typography>
        <Box
          component="img"
          src={entry.picture ? pictureAt(entry.picture, "view") : pageThumb(page)}
          alt={entry.picture ? `${entry.name}, photographed` : `${entry.name}, as it was planned`}
          sx={{ maxWidth: "100%", maxHeight: "62vh", boxShadow: "2px 3px 8px rgba(42, 34, 22, 0.25)" }}
        />
        <Box sx={{ display: "flex", gap: 1, pt: 1 }}>
          <Button variant="outlined" onClick={() => setPhoto(true)}>
            {entry.picture ? "Another photograph" : "A photograph of it"}
          </Button>
          {entry.picture && <Button onClick={() => set({ picture: null })}>Show it as planned</Button>}
        </Box>
        {photo && (
          <SheetPhoto
            paper={{
              name: entry.name,
              width: `${inches(format.width) * format.pages} in`,
              height: format.height,
            }}
            onClose={() => setPhoto(false)}
            onDone={(picture) => set({ picture })}
          />
        )}
      </Box>
      <Box sx={{ display: "flex", flexDirection: "column", gap: 1.5 }}>
        <Line name="Its name">
          <InlineText label="Name" value={entry.name} width="100%" onCommit={(name) => name && set({ name })} />
        </Line>
        <Line name="The day of the story">
          <Box
            component="input"
            type="date"
            aria-label="The day of the story"
            value={entry.told ?? ""}
            onChange={(event: React.ChangeEvent<HTMLInputElement>) => set({ told: event.target.value || null })}
            sx={FIELD}
          />
        </Line>
        <Line name="Who is on it">
          <InlineText
            label="People"
            value={entry.people}
            width="100%"
            onCommit={(people) => set({ people: people.trim() })}
          />
        </Line>
        <Text name="Its story" value={entry.story} onChange={(story) => set({ story })} rows={5} />
        <Line name={`Time, ${all} minutes in all`}>
          <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 2 }}>
            {BENCHES.map((bench) => (
              <span key={bench}>
                <CountField
                  label={`Minutes ${CALLED[bench]}`}
                  least={0}
                  most={10_000}
                  value={minutes(bench)}
                  onCommit={(many) =>
                    set({
                      spent: [...entry.spent.filter((one) => one.bench !== bench), { bench, minutes: many }],
                    })
                  }
                />{" "}
                {CALLED[bench]}
              </span>
            ))}
          </Box>
          {(
            [
              ["cut", "cutting", entry.expected_cutting],
              ["build", "building", entry.expected],
            ] as const
          ).map(
            ([bench, called, expected]) =>
              expected > 0 && (
                <Box key={bench} sx={{ color: colours.soft, fontSize: "0.9rem" }}>
                  {expected} minutes of {called} were expected{minutes(bench) > 0 && `, ${minutes(bench)} it took`}.
                </Box>
              ),
          )}
        </Line>
        <Text
          name="What I would do otherwise"
          value={entry.otherwise}
          onChange={(otherwise) => set({ otherwise })}
          rows={2}
        />
        {entry.used.length > 0 && (
          <Line name="What was used">
            <Box sx={{ color: colours.soft, fontSize: "0.92rem" }}>{entry.used.join(", ")}</Box>
          </Line>
        )}
        <Box sx={{ display: "flex", gap: 1 }}>
          <Button variant="contained" disabled={busy} onClick={() => void save()}>
            {isIn ? "Put the log right" : "It is finished"}
          </Button>
          {isIn && (
            <Button disabled={busy} onClick={() => void takeOut()}>
              It is not finished
            </Button>
          )}
          <Button component={Link} to="/log">
            To the log
          </Button>
        </Box>
      </Box>
    </Box>
  );
}

const FIELD = {
  font: "inherit",
  color: "inherit",
  background: colours.ground,
  border: 0,
  borderBottom: `1px solid ${colours.soft}`,
  minHeight: 36,
  "@media (pointer: coarse)": { minHeight: 44 },
} as const;

function Line({ name, children }: { name: string; children: ReactNode }) {
  return (
    <Box>
      <Box sx={{ fontWeight: 700, fontSize: "0.92rem" }}>{name}</Box>
      {children}
    </Box>
  );
}

function Text(of: { name: string; value: string; rows: number; onChange: (text: string) => void }) {
  return (
    <Line name={of.name}>
      <Box
        component="textarea"
        aria-label={of.name}
        rows={of.rows}
        value={of.value}
        onChange={(event: React.ChangeEvent<HTMLTextAreaElement>) => of.onChange(event.target.value)}
        sx={{ ...FIELD, width: "100%", resize: "vertical" }}
      />
    </Line>
  );
}

/** What was entered is kept in the browser until it is saved, over a reload too. */
function useKept(id: string, begun: Finished): [Finished, (entry: Finished | null) => void] {
  const key = `ulna finishing ${id}`;
  const [entry, setEntry] = useState<Finished>(() => {
    const kept = window.localStorage.getItem(key);
    try {
      return kept ? { ...begun, ...(JSON.parse(kept) as Finished) } : begun;
    } catch {
      return begun;
    }
  });
  const [saved, setSaved] = useState(true);
  useEffect(() => {
    if (!saved) window.localStorage.setItem(key, JSON.stringify(entry));
  }, [entry, saved, key]);
  return [
    entry,
    (next) => {
      if (next) {
        setSaved(false);
        setEntry(next);
      } else {
        setSaved(true);
        window.localStorage.removeItem(key);
      }
    },
  ];
}
