/** With the cutting machine: outlines nested on scraps first, sheets sent to it one by one, what came out ticked. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";
import {
  type Bed,
  isUnderWay,
  type MachineJob,
  type MachineOut,
  machine,
  machineQuery,
  nestedFile,
  trayPicture,
} from "../../api/machine";
import { FOLLOWS } from "../../api/useDesk";
import { head } from "../../app/bench";
import { useFrame } from "../../app/FrameContext";
import { colours, daylight } from "../../app/theme";
import { unbroken } from "../../ui/figures";
import { SaveMenu } from "../../ui/SaveMenu";

export default function MachineBench() {
  const { id = "" } = useParams();
  const queries = useQueryClient();
  const { data, error } = useQuery(machineQuery(id));
  const { say } = useFrame();
  const [busy, setBusy] = useState(false);

  async function ask(asked: () => Promise<MachineOut>): Promise<void> {
    setBusy(true);
    try {
      queries.setQueryData(machineQuery(id).queryKey, await asked());
      for (const follows of [...FOLLOWS.cutting, "cutting"])
        void queries.invalidateQueries({ queryKey: [follows] });
    } catch (problem) {
      say((problem as Error).message);
    } finally {
      setBusy(false);
    }
  }

  if (!data) return <Box sx={{ p: 4 }}>{error ? error.message : "Nesting the outlines …"}</Box>;
  const files = [
    ["Nested outlines (SVG)", nestedFile(id, "svg", false)],
    ["Nested outlines (DXF)", nestedFile(id, "dxf", false)],
    ["Mirrored, to cut from the back (SVG)", nestedFile(id, "svg", true)],
    ["Mirrored, to cut from the back (DXF)", nestedFile(id, "dxf", true)],
  ] as const;
  const scraps = data.beds.filter((bed) => bed.scrap).length;
  const sheets = data.beds.length - scraps;
  return (
    <Box sx={{ height: "100%", overflow: "auto" }}>
      <Box sx={head}>
        <Button component={Link} to={`/cut/${id}`} sx={{ minHeight: 44 }}>
          The whole list
        </Button>
        <Box component="h1" sx={{ m: 0, fontSize: "1.2rem" }}>
          With the cutting machine
        </Box>
        <Box sx={{ ml: "auto" }}>
          {data.beds.length > 0 && <SaveMenu name="Save for a machine" files={files} />}
        </Box>
      </Box>
      <Box sx={{ maxWidth: 1080, mx: "auto", px: 2, py: 2 }}>
        <Box role="status" sx={{ color: data.there ? colours.soft : colours.madder, pb: 1 }}>
          {data.there ? `${data.name} is on; its blade is good for ${data.blade} in more.` : sentence(data.says)}
          {data.bed_full && (
            <Button size="small" onClick={() => void ask(() => machine.hand(id, "empty"))}>
              The bed is cleared
            </Button>
          )}
        </Box>
        {data.jobs.map((job) => (
          <Job key={job.job} id={id} job={job} version={data.version} busy={busy} onAsk={ask} />
        ))}
        {data.beds.length > 0 ? (
          <p>
            {unbroken(
              `${many(
                data.beds.reduce((all, bed) => all + bed.pieces.length, 0),
                "piece",
              )} on ${[scraps && many(scraps, "scrap"), sheets && many(sheets, "sheet")]
                .filter(Boolean)
                .join(
                  " and ",
                )}, nested by their outlines; cut by hand they take ${many(data.by_hand, "sheet or scrap")}.`,
            )}
          </p>
        ) : (
          data.jobs.length === 0 && <p>Nothing on this page is cut along an outline that is not cut already.</p>
        )}
        <Box
          component="ul"
          aria-label="Sheets for the machine"
          sx={{
            listStyle: "none",
            m: 0,
            p: 0,
            display: "grid",
            gap: 2,
            gridTemplateColumns: "repeat(auto-fill, minmax(260px, 1fr))",
          }}
        >
          {data.beds.map((bed) => (
            <Box component="li" key={bed.key}>
              <OnBed bed={bed} />
              <Box sx={{ fontWeight: 700, pt: 0.5 }}>{unbroken(`${bed.name}, ${bed.size}`)}</Box>
              <Box sx={{ fontSize: "0.92rem" }}>
                {bed.pieces.map((piece) => `${piece.number} ${piece.name}`).join(", ")}
              </Box>
              <Box sx={{ color: colours.soft, fontSize: "0.92rem" }}>
                {unbroken(
                  `about ${Math.max(1, bed.seconds)} s; ${bed.rests.length ? `${bed.rests.join(", ")} stay` : "nothing worth keeping stays"}`,
                )}
              </Box>
              {bed.refuses && <Box sx={{ color: colours.madder }}>The machine refuses it: {bed.refuses}.</Box>}
              <Button
                variant="contained"
                sx={{ mt: 0.5 }}
                disabled={!data.there || busy || Boolean(bed.refuses)}
                onClick={() => void ask(() => machine.send(id, bed.key))}
              >
                Send {bed.name}
              </Button>
            </Box>
          ))}
        </Box>
        {data.left.length > 0 && (
          <p>{unbroken(`By hand, for no bed has room for them: ${[...new Set(data.left)].join(", ")}.`)}</p>
        )}
      </Box>
    </Box>
  );
}

interface JobProps {
  id: string;
  job: MachineJob;
  version: number;
  busy: boolean;
  onAsk: (asked: () => Promise<MachineOut>) => Promise<void>;
}

/** A sheet that was sent: how far it is, what it needs, and once it is over what came of it. */
function Job({ id, job, version, busy, onAsk }: JobProps) {
  const [bad, setBad] = useState<readonly number[]>([]);
  const over = !isUnderWay(job);
  const good = job.bed.pieces.filter((piece) => piece.fate === "done" && !bad.includes(piece.number)).length;
  return (
    <Box
      component="section"
      aria-label={`Sheet ${job.bed.name}`}
      sx={{
        border: `1px solid ${colours.line}`,
        borderRadius: 1,
        p: 1.5,
        mb: 2,
        display: "grid",
        gap: 2,
        gridTemplateColumns: "minmax(180px, 300px) minmax(0, 1fr)",
        "@media (max-width: 640px)": { gridTemplateColumns: "1fr" },
      }}
    >
      {job.state === "unknown" ? (
        <OnBed bed={job.bed} />
      ) : (
        <img
          src={trayPicture(job.job, `${job.done} ${job.state} ${job.trouble}`)}
          alt={`${job.bed.name} on the bed, ${many(job.of, "line")} in their order`}
          style={{ ...daylight, width: "100%", maxHeight: 320, objectFit: "contain" }}
        />
      )}
      <div>
        <Box component="h2" sx={{ m: 0, fontSize: "1.1rem" }}>
          {unbroken(`${job.bed.name}, ${job.bed.size}`)}
        </Box>
        {job.of > 0 && (
          <LinearProgress
            variant="determinate"
            aria-label={`Lines cut of ${job.bed.name}`}
            value={(100 * job.done) / job.of}
            sx={{ my: 1 }}
          />
        )}
        <Box
          role="status"
          sx={{ fontWeight: 700, color: job.trouble || job.state === "unknown" ? colours.madder : undefined }}
        >
          {job.says || TOLD[job.state]?.(job) || ""}
        </Box>
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, py: 1 }}>
          {job.trouble === "paper slipped" && (
            <Button
              variant="contained"
              disabled={busy}
              onClick={() => void onAsk(() => machine.hand(id, "straighten"))}
            >
              It lies straight again
            </Button>
          )}
          {job.trouble === "blade worn" && (
            <Button variant="contained" disabled={busy} onClick={() => void onAsk(() => machine.hand(id, "blade"))}>
              A new blade is in
            </Button>
          )}
          {job.trouble === "bed full" && (
            <Button variant="contained" disabled={busy} onClick={() => void onAsk(() => machine.hand(id, "empty"))}>
              The bed is cleared
            </Button>
          )}
          {(job.state === "cutting" || job.state === "waiting") && (
            <Button
              variant="outlined"
              disabled={busy}
              onClick={() => void onAsk(() => machine.tell(id, job.job, "pause"))}
            >
              Pause
            </Button>
          )}
          {job.state === "paused" && (
            <Button
              variant="contained"
              disabled={busy}
              onClick={() => void onAsk(() => machine.tell(id, job.job, "resume"))}
            >
              Go on
            </Button>
          )}
          {!over && (
            <Button disabled={busy} onClick={() => void onAsk(() => machine.tell(id, job.job, "cancel"))}>
              Stop
            </Button>
          )}
          {over && (
            <Button disabled={busy} onClick={() => void onAsk(() => machine.callBack(id, job.job))}>
              Nothing of it can be used
            </Button>
          )}
        </Box>
        {over && job.state !== "unknown" && (
          <>
            <Box component="ul" aria-label="What came out" sx={{ listStyle: "none", m: 0, p: 0 }}>
              {job.bed.pieces.map((piece) => (
                <li key={piece.number}>
                  <label>
                    <input
                      type="checkbox"
                      checked={piece.fate === "done" && !bad.includes(piece.number)}
                      disabled={piece.fate !== "done"}
                      onChange={(event) =>
                        setBad(
                          event.target.checked ? bad.filter((one) => one !== piece.number) : [...bad, piece.number],
                        )
                      }
                    />{" "}
                    {piece.number} {piece.name}
                    {piece.fate === "spoiled" && ": spoiled, it is cut again"}
                    {piece.fate === "to do" && ": not cut"}
                  </label>
                </li>
              ))}
            </Box>
            <Button
              variant="contained"
              sx={{ mt: 1 }}
              disabled={busy}
              onClick={() => void onAsk(() => machine.taken(id, job.job, [...bad], version))}
            >
              {`Tick ${many(good, "piece")} in the cut list`}
            </Button>
          </>
        )}
      </div>
    </Box>
  );
}

const TOLD: Partial<Record<MachineJob["state"], (job: MachineJob) => string>> = {
  waiting: () => "It waits its turn.",
  cutting: (job) => `${job.done} of ${job.of} lines are cut; about ${Math.max(1, job.left)} s to go.`,
  paused: (job) => `Paused after ${job.done} of ${job.of} lines.`,
  done: () => "It is cut. Take it off the bed, and tick what is good.",
  cancelled: (job) => `Stopped after ${job.done} of ${job.of} lines.`,
};

/** A sheet with its outlines as they lie on the bed. */
function OnBed({ bed }: { bed: Bed }) {
  return (
    <svg
      viewBox={`-0.1 -0.1 ${bed.width + 0.2} ${bed.height + 0.2}`}
      role="img"
      aria-label={`${bed.name} on the bed, ${many(bed.pieces.length, "outline")}`}
      style={{ ...daylight, width: "100%", maxHeight: 320, display: "block" }}
    >
      <rect width={bed.width} height={bed.height} fill="#fffdf8" stroke="#b9b2a3" strokeWidth={0.03} />
      <path d={bed.lines} fill="#dfe9e6" fillRule="evenodd" stroke={colours.ink} strokeWidth={0.03} />
      {bed.turns.map(([x = 0, y = 0], k) => (
        <text key={`${x} ${y}`} x={x + 0.04} y={y - 0.04} fontSize={0.2} fill={colours.soft}>
          {k + 1}
        </text>
      ))}
    </svg>
  );
}

function many(count: number, what: string): string {
  if (count === 1) return `1 ${what}`;
  return `${count} ${what === "sheet or scrap" ? "sheets or scraps" : `${what}s`}`;
}

function sentence(text: string): string {
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;
}
