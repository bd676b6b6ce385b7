/** A page beside what was found on it, the graver first; each remedy is one press, and shows before and after. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { compareCosts, type Found, type Remedy, takeRemedies, useChecked } from "../../api/checks";
import { merged } from "../../api/merge";
import { type PageOut, pageSource, type Recipe } from "../../api/pages";
import { putSettings, settingsQuery } from "../../api/settings";
import { useDesk } from "../../api/useDesk";
import { head, twoPanes } from "../../app/bench";
import { useFrame, useInFrame } from "../../app/FrameContext";
import { colours } from "../../app/theme";
import { useTime } from "../../app/useTime";
import { Choice } from "../../ui/Choice";
import { Decided } from "./Decided";
import { FoundList } from "./FoundList";
import { PageWith } from "./PageWith";

interface Props {
  answer: PageOut;
  pages: readonly (readonly [string, string])[];
  onPage: (id: string) => void;
}

/** What the page was before remedies were taken, which ones, and what they cost together. */
interface Compared {
  before: Recipe;
  taken: string[];
  costs: string;
}

export function CheckBench({ answer, pages, onPage }: Props) {
  const id = answer.saved.id;
  const { say } = useFrame();
  useTime("check", id);
  const queries = useQueryClient();
  const [desk, state] = useDesk("page", answer, pageSource);
  useInFrame(desk, state);
  const page = state.body;
  const checked = useChecked(id, page);
  const { data: settings } = useQuery(settingsQuery);
  const [looked, setLooked] = useState<Found | null>(null);
  const [compared, setCompared] = useState<Compared | null>(null);
  const found = checked?.found ?? [];
  const told = found.filter((one) => !one.finding.aside);
  const aside = found.filter((one) => one.finding.aside);

  async function mend(remedy: Remedy): Promise<void> {
    const then = desk.getState().body;
    const before = compared?.before ?? then;
    try {
      const after = merged(then, await takeRemedies(id, then, [remedy]), desk.getState().body);
      desk.edit(remedy.says.charAt(0).toLowerCase() + remedy.says.slice(1), after);
      setLooked(null);
      const taken = [...(compared?.taken ?? []), remedy.says];
      setCompared({ before, taken, costs: "" });
      setCompared({ before, taken, costs: (await compareCosts(id, before, after)).says });
    } catch (error) {
      say((error as Error).message);
    }
  }

  const like = ({ finding }: Found) =>
    desk.edit("put a finding aside", {
      ...page,
      aside: [...page.aside, { code: finding.code, part: finding.part ?? "" }],
    });

  async function never({ finding }: Found): Promise<void> {
    if (!settings) return;
    await keep([...new Set([...settings.settings.aside, finding.code])]);
    say("It is not told any more, on any page.", {
      name: "Tell it again",
      run: () => void keep(settings.settings.aside),
    });
  }

  async function again({ finding }: Found): Promise<void> {
    if (finding.aside === "page") {
      const part = finding.part ?? "";
      desk.edit("told it again", {
        ...page,
        aside: page.aside.filter((one) => one.code !== finding.code || one.part !== part),
      });
    } else if (settings) {
      await keep(settings.settings.aside.filter((code) => code !== finding.code));
    }
  }

  async function keep(codes: string[]): Promise<void> {
    try {
      const now = await queries.fetchQuery({ ...settingsQuery, staleTime: 0 });
      queries.setQueryData(
        settingsQuery.queryKey,
        await putSettings({ ...now.settings, aside: codes }, now.saved.version),
      );
      await queries.invalidateQueries({ queryKey: ["checked"] });
    } catch (error) {
      say((error as Error).message);
    }
  }

  return (
    <Box sx={twoPanes("minmax(320px, 420px)")}>
      <Box sx={head}>
        <Typography variant="h1" sx={{ fontSize: "1.2rem" }}>
          Check
        </Typography>
        <Choice label="Page to check" value={id} options={pages} onChange={onPage} wide />
        <span role="status">{checked ? counted(told.length, aside.length) : "Looking…"}</span>
        <Box sx={{ ml: "auto", display: "flex", gap: 1 }}>
          <Button component={Link} to={`/page/${id}`} size="small">
            To the page
          </Button>
          <Button component={Link} to="/check/learn" size="small">
            Learn to see
          </Button>
        </Box>
      </Box>
      <Box sx={{ minWidth: 0, minHeight: 0, overflow: "auto", p: 2 }}>
        {compared ? (
          <>
            <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1, pb: 1 }}>
              <span>
                <b>{compared.taken.join("; ")}</b>
                {compared.costs && `: ${compared.costs}`}.
              </span>
              <Button size="small" variant="contained" onClick={() => setCompared(null)}>
                All right
              </Button>
              <Button
                size="small"
                onClick={() => {
                  desk.edit("went back to the page before", compared.before);
                  setCompared(null);
                }}
              >
                Go back to before
              </Button>
            </Box>
            <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 2 }}>
              <PageWith id={id} name="Before" page={compared.before} places={[]} />
              <PageWith id={id} name="After" page={page} places={places(told, looked)} onPlace={setLooked} />
            </Box>
          </>
        ) : (
          <PageWith id={id} name={page.name} page={page} places={places(told, looked)} onPlace={setLooked} plain />
        )}
      </Box>
      <Box sx={{ minHeight: 0, overflow: "auto", borderLeft: `1px solid ${colours.line}` }}>
        <FoundList
          id={id}
          page={page}
          told={told}
          aside={aside}
          looked={looked}
          ready={Boolean(checked)}
          current={checked?.of === page}
          onLook={setLooked}
          onMend={(remedy) => void mend(remedy)}
          onLike={like}
          onNever={(one) => void never(one)}
          onAgain={(one) => void again(one)}
        />
        {checked && checked.first_seen.length > 0 && (
          <Box sx={{ p: 2, borderTop: `1px solid ${colours.line}` }}>
            Seen first, by size and contrast: <b>{checked.first_seen.join(", then ")}</b>.
          </Box>
        )}
        {checked && <Decided decided={checked.decided} page={id} />}
      </Box>
    </Box>
  );
}

function counted(told: number, aside: number): string {
  const found = told === 0 ? "Nothing is found" : told === 1 ? "One thing is found" : `${told} things are found`;
  return aside ? `${found}, ${aside} put aside` : found;
}

/** The places of all that is told, numbered as in the list; what is looked at stands out. */
function places(told: readonly Found[], looked: Found | null) {
  return told.map((one, k) => ({
    found: one,
    number: k + 1,
    looked: one.finding.code === looked?.finding.code && one.finding.sentence === looked.finding.sentence,
  }));
}
