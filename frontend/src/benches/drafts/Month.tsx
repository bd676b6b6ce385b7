/** A kit's month: the stories that wait become a set of pages, and what is left of the kit is seen before the first cut. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import Typography from "@mui/material/Typography";
import { useQueryClient } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link, useNavigate } from "react-router";
import { askMonth, type Month } from "../../api/drafts";
import { addPage, putTogether, togetherQuery } from "../../api/pages";
import { usePhotos } from "../../api/photos";
import { useUsual } from "../../api/usual";
import { colours } from "../../app/theme";
import { useDoing } from "../../app/useDoing";
import { Sentence } from "../../parts/Sentence";
import { counted } from "../../ui/figures";
import { fieldStyle } from "../../ui/LengthField";
import { FormatFields } from "../page/FormatFields";
import { formatOf } from "../page/formats";
import { DraftCard } from "./DraftCard";
import { byDay } from "./Drafts";

export default function MonthBench() {
  const usual = useUsual();
  const photos = usePhotos();
  const days = useMemo(() => byDay(photos), [photos]);
  const [format, setFormat] = useState(() => formatOf(usual, "12x12", 1));
  const [taken, setTaken] = useState<readonly string[]>([]);
  const [titles, setTitles] = useState<Record<string, string>>({});
  const [found, setFound] = useState<Month | null>(null);
  const { busy, doing } = useDoing();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const stories = days.filter(([day]) => taken.includes(day));

  const draft = () =>
    doing(async () => {
      const asked = stories.map(([day, ids]) => ({
        title: titles[day] ?? day,
        words: "",
        date: day,
        photos: ids.slice(0, 12),
      }));
      setFound(await askMonth({ stories: asked, format, mood: "middle", keep: [], seed: 0 }));
    });
  const takeAll = () =>
    doing(async () => {
      const pages: string[] = [];
      for (const one of found?.drafts ?? []) if (one) pages.push((await addPage(one.plan)).saved.id);
      const version = (await queries.fetchQuery(togetherQuery)).saved?.version ?? 0;
      await putTogether({ pages, version });
      await queries.invalidateQueries();
      navigate("/page/together");
    });

  return (
    <Box sx={{ maxWidth: 1180, mx: "auto", p: 3 }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 2 }}>
        <Typography variant="h1" sx={{ mr: "auto" }}>
          A kit’s month
        </Typography>
        <FormatFields format={format} onChange={setFormat} />
        <Link to="/page/drafts">First drafts</Link>
      </Box>
      <p>
        The days of the roll that are still to be told. Each chosen one becomes a page; together they use the kit
        up.
      </p>
      {!days.length && (
        <p>
          No photo has a date yet: <Link to="/photos">take some in</Link> first.
        </p>
      )}
      <Box component="ul" aria-label="Stories that wait" sx={{ listStyle: "none", m: 0, p: 0 }}>
        {days.map(([day, ids]) => (
          <Box component="li" key={day} sx={{ display: "flex", alignItems: "center", gap: 1, minHeight: 44 }}>
            <Checkbox
              slotProps={{ input: { "aria-label": `Plan ${day}` } }}
              checked={taken.includes(day)}
              onChange={() => setTaken(taken.includes(day) ? taken.filter((one) => one !== day) : [...taken, day])}
            />
            <Box sx={{ width: 110 }}>{day}</Box>
            <Box
              component="input"
              aria-label={`Title for ${day}`}
              placeholder="its title"
              value={titles[day] ?? ""}
              onChange={(event: React.ChangeEvent<HTMLInputElement>) =>
                setTitles({ ...titles, [day]: event.target.value })
              }
              sx={{ ...fieldStyle(), textAlign: "left", width: 240 }}
            />
            <Box sx={{ color: colours.soft }}>{counted(ids.length, "photo")}</Box>
          </Box>
        ))}
      </Box>
      <Sentence>
        <Button variant="contained" disabled={busy || !stories.length} onClick={() => void draft()}>
          {busy ? "Planning …" : `Plan ${counted(stories.length, "page")} together`}
        </Button>
        {found?.drafts.some(Boolean) && (
          <Button variant="outlined" disabled={busy} onClick={() => void takeAll()}>
            Take all of them
          </Button>
        )}
      </Sentence>
      {found && (
        <>
          <Box
            component="ul"
            aria-label="Pages of the month"
            sx={{
              listStyle: "none",
              m: 0,
              mt: 2,
              p: 0,
              display: "grid",
              gap: 2,
              gridTemplateColumns: "repeat(auto-fill, minmax(min(100%, 300px), 1fr))",
            }}
          >
            {found.drafts.map((one, k) =>
              one ? (
                <DraftCard
                  key={one.plan.name}
                  draft={one}
                  onTake={() =>
                    void doing(async () => void navigate(`/page/${(await addPage(one.plan)).saved.id}`))
                  }
                />
              ) : (
                <Box component="li" key={stories[k]?.[0]} sx={{ p: 2, color: colours.madder }}>
                  Nothing is left for {stories[k]?.[0]}: choose fewer stories, or unpack more.
                </Box>
              ),
            )}
          </Box>
          <Typography variant="h2" sx={{ mt: 3 }}>
            What stays
          </Typography>
          <Box component="ul" aria-label="What stays of each paper" sx={{ columns: { xs: 1, md: 3 }, m: 0, pl: 2 }}>
            {found.left.map((one) => (
              <li key={one.name}>
                {one.name}: {one.left} of {one.had}
              </li>
            ))}
          </Box>
        </>
      )}
    </Box>
  );
}
