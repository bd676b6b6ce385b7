/** The photo printer: what is loaded, what it is doing, what it needs; a run from here through to its tray. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { printer as line, type PrintList, printerQuery } from "../../api/prints";
import { useFrame } from "../../app/FrameContext";
import { colours } from "../../app/theme";
import { Choice } from "../../ui/Choice";
import { unbroken } from "../../ui/figures";
import { Icon } from "../../ui/Icon";
import { InlineText, wholeNumber } from "../../ui/InlineText";

type PrinterOut = Schemas["PrinterOut"];
type Job = NonNullable<PrinterOut["printer"]>["jobs"][number];

interface Props {
  sheets: number;
  /** Whether the list that is on the screen is the one that would be printed. */
  saved: boolean;
  papers: PrintList["papers"];
}

export function PrinterPanel({ sheets, saved, papers }: Props) {
  const queries = useQueryClient();
  const { data } = useQuery(printerQuery);
  const { say } = useFrame();

  async function ask(asked: Promise<PrinterOut>): Promise<void> {
    try {
      queries.setQueryData(printerQuery.queryKey, await asked);
    } catch (error) {
      say((error as Error).message);
    }
  }

  if (!data) return null;
  const { there, printer, run } = data;
  const busy = run?.phase === "making" || run?.phase === "sending";
  const jobs = [...(printer?.jobs ?? [])].reverse().slice(0, 6);
  return (
    <Box component="section" aria-label="Photo printer">
      <Box component="h2" sx={{ m: 0, fontSize: "1.12rem", pb: 0.5 }}>
        Photo printer
      </Box>
      {!there && <Box sx={{ color: colours.madder, lineHeight: 1.4 }}>{sentence(data.says)}</Box>}
      {printer && (
        <Box data-loaded sx={{ lineHeight: 1.4 }}>
          {data.loaded ? unbroken(`Loaded: ${data.loaded}`) : "No paper is loaded."}
        </Box>
      )}
      {printer && <Load papers={papers} onLoad={(body) => void ask(line.load(body))} />}
      {printer?.jammed && (
        <Button
          size="small"
          variant="outlined"
          color="error"
          sx={{ mb: 0.5 }}
          onClick={() => void ask(line.clear())}
        >
          The stuck sheet is out
        </Button>
      )}
      <Button
        variant="contained"
        fullWidth
        sx={{ mt: 0.5 }}
        startIcon={<Icon name="printer" size={18} />}
        disabled={!there || !sheets || !saved || busy}
        onClick={() => void ask(line.run())}
      >
        Print {sheets} {sheets === 1 ? "sheet" : "sheets"}
      </Button>
      {run && (busy || run.says) && (
        <Box role="status" sx={{ pt: 1 }}>
          {busy && (
            <>
              <LinearProgress
                variant="determinate"
                aria-label="Prints made"
                value={(100 * run.made) / Math.max(1, run.of)}
              />
              <Box sx={{ display: "flex", justifyContent: "space-between", alignItems: "center" }}>
                {run.phase === "making" ? `Making ${run.made} of ${run.of} prints` : "Sending them to the printer"}
                <Button size="small" onClick={() => void ask(line.stop())}>
                  Stop
                </Button>
              </Box>
            </>
          )}
          {!busy && run.says && (
            <Box sx={{ color: run.phase === "failed" ? colours.madder : colours.soft }}>{sentence(run.says)}</Box>
          )}
        </Box>
      )}
      <Box component="ul" aria-label="Printer’s jobs" sx={{ listStyle: "none", m: 0, p: 0 }}>
        {jobs.map((job) => (
          <OneJob key={job.id} job={job} onCancel={() => void ask(line.cancel(job.id))} />
        ))}
      </Box>
      {printer && !printer.jammed && jobs.some((job) => job.state === "printing") && (
        <Button size="small" sx={{ color: colours.soft }} onClick={() => void ask(line.jam())}>
          Let a sheet get stuck
        </Button>
      )}
    </Box>
  );
}

function sentence(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1) + (/[.!?]$/.test(words) ? "" : ".");
}

const STATE = {
  waiting: "Waiting",
  printing: "Printing",
  stopped: "Stopped",
  done: "Done",
  cancelled: "Taken back",
} as const;

function OneJob({ job, onCancel }: { job: Job; onCancel: () => void }) {
  const over = job.state === "done" || job.state === "cancelled";
  return (
    <Box component="li" sx={{ pt: 1, lineHeight: 1.35 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 1 }}>
        <Box sx={{ flex: 1 }} role="status">
          <b>{STATE[job.state]}</b>: {job.printed} of {job.sheets} {job.sheets === 1 ? "sheet" : "sheets"},{" "}
          {job.name}
        </Box>
        {!over && (
          <Button size="small" onClick={onCancel}>
            Take back
          </Button>
        )}
      </Box>
      {!over && (
        <LinearProgress
          variant="determinate"
          aria-label={`Sheets of ${job.name}`}
          value={(100 * job.printed) / job.sheets}
        />
      )}
      {job.says && <Box sx={{ color: colours.madder }}>{job.says}</Box>}
      {job.printed > 0 && (
        <a href={line.tray(job.id)} target="_blank" rel="noreferrer">
          What lies in the tray
        </a>
      )}
    </Box>
  );
}

function Load({ papers, onLoad }: { papers: PrintList["papers"]; onLoad: (paper: Schemas["Loaded"]) => void }) {
  const [sheets, setSheets] = useState("10");
  const [chosen, setChosen] = useState<string | null>(null);
  const paper = papers.find((p) => p.id === chosen) ?? papers.find((p) => p.use) ?? papers[0];
  if (!paper) return null;
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 0.5, py: 0.5 }}>
      Put in
      <InlineText
        label="Sheets to load"
        value={sheets}
        width={44}
        align="center"
        numeric
        check={wholeNumber(0)}
        onCommit={setSheets}
      />
      of
      <Choice
        label="Paper to load"
        value={paper.id}
        options={papers.map((p) => [p.id, p.name] as const)}
        onChange={setChosen}
      />
      <Button
        size="small"
        variant="outlined"
        onClick={() =>
          onLoad({
            name: paper.name,
            width: paper.width,
            height: paper.height,
            sheets: Math.min(500, Number(sheets)),
          })
        }
      >
        Load
      </Button>
    </Box>
  );
}
