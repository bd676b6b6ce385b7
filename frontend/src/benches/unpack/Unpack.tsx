/** Unpack: what there is. Kits, the stash and scraps on the left, what the open one holds beside it. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useRef, useState } from "react";
import { Link, NavLink, useNavigate, useParams } from "react-router";
import type { Schemas } from "../../api/client";
import {
  addDemoKit,
  addKit,
  KIT_TEMPLATE,
  type Kit,
  type KitOut,
  kitsQuery,
  type Paper,
  putKit,
  readKitCsv,
  readKitJson,
} from "../../api/kits";
import { takeParcelIn, told } from "../../api/parcels";
import { useUsual } from "../../api/usual";
import { useFrame } from "../../app/FrameContext";
import { colours, narrow, small } from "../../app/theme";
import { FileInput } from "../../ui/FileInput";
import { Icon } from "../../ui/Icon";
import { useInSight } from "../../ui/useInSight";
import { CsvDialog } from "./CsvDialog";
import { KitBench } from "./KitBench";
import { SheetsPhoto } from "./SheetsPhoto";

const WORD = { kit: "", stash: "stash", scraps: "scraps" } as const;

export default function Unpack() {
  const usual = useUsual();
  const { id } = useParams();
  const { data: kits } = useQuery(kitsQuery);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { say } = useFrame();
  const file = useRef<HTMLInputElement>(null);
  const [read, setRead] = useState<{ name: string; file: File; rows: Schemas["Rows"] } | null>(null);
  const taken = useRef<typeof read>(null);
  const camera = useRef<HTMLInputElement>(null);
  const [sheets, setSheets] = useState<File | null>(null);
  if (!kits) return null;
  const open = kits.find((kit) => kit.saved.id === id) ?? kits[0];

  async function keep(kit: Kit): Promise<void> {
    try {
      const kept = await addKit(kit);
      await queries.invalidateQueries({ queryKey: ["kits"] });
      navigate(`/unpack/${kept.saved.id}`);
    } catch (error) {
      say((error as Error).message);
    }
  }

  async function bringIn(chosen: File): Promise<void> {
    try {
      if (/\.zip$/i.test(chosen.name)) {
        say(told(await takeParcelIn(chosen)));
        await queries.invalidateQueries();
      } else if (/\.json$/i.test(chosen.name)) await keep(await readKitJson(chosen));
      else setRead({ name: chosen.name, file: chosen, rows: await readKitCsv(chosen) });
    } catch (error) {
      say(`${chosen.name}: ${(error as Error).message}`);
    }
  }

  async function readAgain(columns: string[]): Promise<void> {
    if (!read) return;
    try {
      setRead({ ...read, rows: await readKitCsv(read.file, columns) });
    } catch (error) {
      say((error as Error).message);
    }
  }

  async function takeRows(into: "open" | "new"): Promise<void> {
    if (!read || taken.current === read) return; // pressed twice before it was gone
    taken.current = read;
    const { papers, things, alphabets } = read.rows;
    setRead(null);
    if (into === "new" || !open) {
      await keep({
        ...usual.kit,
        name: read.name.replace(/\.\w+$/, "") || usual.kit.name,
        papers,
        things,
        alphabets,
      });
      return;
    }
    try {
      const kit = {
        ...open.kit,
        papers: [...open.kit.papers, ...papers],
        things: [...open.kit.things, ...things],
        alphabets: [...open.kit.alphabets, ...alphabets],
      };
      await putKit(open.saved.id, open.saved.version, `brought in ${read.name}`, kit);
      await queries.invalidateQueries({ queryKey: ["kits"] });
    } catch (error) {
      say((error as Error).message);
    }
  }

  /** Into the open kit, or as the first papers of one. */
  async function takePapers(papers: Paper[]): Promise<void> {
    if (!open) {
      await keep({ ...usual.kit, papers });
      return;
    }
    try {
      const kit = { ...open.kit, papers: [...open.kit.papers, ...papers] };
      await putKit(open.saved.id, open.saved.version, "photographed sheets", kit);
      await queries.invalidateQueries({ queryKey: ["kits"] });
    } catch (error) {
      say((error as Error).message);
    }
  }

  async function demo(): Promise<void> {
    try {
      const kept = await addDemoKit();
      await queries.invalidateQueries({ queryKey: ["kits"] });
      navigate(`/unpack/${kept.saved.id}`);
    } catch (error) {
      say((error as Error).message);
    }
  }

  const dialogs = (
    <>
      <FileInput
        label="A kit as CSV or JSON, or a backup"
        accept=".csv,.json,.zip,text/csv,application/json,application/zip"
        inputRef={file}
        onFiles={([chosen]) => chosen && void bringIn(chosen)}
      />
      <FileInput
        label="A photograph of sheets"
        accept="image/*"
        inputRef={camera}
        onFiles={([chosen]) => chosen && setSheets(chosen)}
      />
      {sheets && (
        <SheetsPhoto file={sheets} onClose={() => setSheets(null)} onTake={(papers) => void takePapers(papers)} />
      )}
      {read && (
        <CsvDialog
          file={read.name}
          rows={read.rows}
          open={open?.kit.name ?? null}
          onColumns={(columns) => void readAgain(columns)}
          onClose={() => setRead(null)}
          onTake={(into) => void takeRows(into)}
        />
      )}
    </>
  );

  if (!kits.length) {
    return (
      <NoKits
        onBegin={() => void keep(usual.kit)}
        onFile={() => file.current?.click()}
        onCamera={() => camera.current?.click()}
        onDemo={() => void demo()}
      >
        {dialogs}
      </NoKits>
    );
  }

  return (
    <Box
      sx={{
        height: "100%",
        display: "grid",
        gridTemplateColumns: "220px minmax(0, 1fr)",
        [narrow]: { gridTemplateColumns: "minmax(0, 1fr)", gridTemplateRows: "auto minmax(0, 1fr)" },
        [small]: { height: "auto" },
      }}
    >
      <Box
        component="nav"
        aria-label="Kits"
        sx={{
          borderRight: `1px solid ${colours.line}`,
          py: 1.5,
          overflow: "auto",
          display: "flex",
          flexDirection: "column",
          [narrow]: {
            flexDirection: "row",
            flexWrap: "wrap",
            maxHeight: 132,
            py: 0,
            borderRight: 0,
            borderBottom: `1px solid ${colours.line}`,
          },
        }}
      >
        {kits.map((kit) => (
          <KitLink key={kit.saved.id} kit={kit} open={kit === open} />
        ))}
        <Box
          sx={{
            px: 1,
            pt: 2,
            display: "flex",
            flexDirection: "column",
            alignItems: "flex-start",
            [narrow]: { flexDirection: "row", flexWrap: "wrap", alignItems: "center", pt: 0 },
          }}
        >
          <Button size="small" startIcon={<Icon name="add" size={16} />} onClick={() => void keep(usual.kit)}>
            Unpack a kit
          </Button>
          <Button size="small" component={Link} to="/club">
            From the club
          </Button>
          <Button size="small" onClick={() => file.current?.click()}>
            Bring in a table or file
          </Button>
          <Button size="small" onClick={() => camera.current?.click()}>
            Photograph sheets
          </Button>
          <Button size="small" href={KIT_TEMPLATE}>
            Template for CSV
          </Button>
        </Box>
      </Box>
      {open && <KitBench key={open.saved.id} answer={open} />}
      {dialogs}
    </Box>
  );
}

function KitLink({ kit, open }: { kit: KitOut; open: boolean }) {
  const sheets = kit.kit.papers.reduce((sum, paper) => sum + paper.count, 0);
  return (
    <Box
      ref={useInSight(open)}
      component={NavLink}
      to={`/unpack/${kit.saved.id}`}
      aria-current={open ? "page" : undefined}
      sx={{
        display: "block",
        px: 2,
        py: 1,
        color: "inherit",
        textDecoration: "none",
        borderLeft: `4px solid ${open ? colours.verdigris : "transparent"}`,
        background: open ? colours.paper : "transparent",
        "&:hover": { background: colours.paper },
        [narrow]: { flex: "none" },
      }}
    >
      <Box sx={{ fontWeight: 700 }}>{kit.kit.name}</Box>
      <Box sx={{ fontSize: "0.85rem", color: colours.soft }}>
        {WORD[kit.kit.kind] && `${WORD[kit.kit.kind]} · `}
        {kit.kit.papers.length} papers, {sheets} {kit.kit.kind === "scraps" ? "pieces" : "sheets"}
      </Box>
    </Box>
  );
}

interface NoKitsProps {
  onBegin: () => void;
  onFile: () => void;
  onCamera: () => void;
  onDemo: () => void;
  children: ReactNode;
}

/** What an empty household sees: what to do first. */
function NoKits({ onBegin, onFile, onCamera, onDemo, children }: NoKitsProps) {
  return (
    <Box sx={{ maxWidth: 620, mx: "auto", px: 3, py: 8 }}>
      <Typography variant="h1" gutterBottom>
        Begin with what is in the box
      </Typography>
      <Typography sx={{ mb: 3 }}>
        Lay the papers of a kit out once, both sides and how many of each. From then on every page knows what it
        takes from them and what it leaves.
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5 }}>
        <Button variant="contained" onClick={onBegin}>
          Unpack a kit
        </Button>
        <Button variant="outlined" onClick={onFile}>
          Bring in a table, a file or a backup
        </Button>
        <Button variant="outlined" onClick={onCamera}>
          Photograph the sheets
        </Button>
        <Button component={Link} to="/club">
          From the club
        </Button>
        <Button href={KIT_TEMPLATE}>Template for CSV</Button>
        <Button onClick={onDemo}>Look at the demo kit</Button>
      </Box>
      {children}
    </Box>
  );
}
