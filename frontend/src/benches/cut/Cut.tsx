/** Cut: sheet by sheet, one cut after the other in trimmer figures, ticked off as they are made. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import type { Schemas } from "../../api/client";
import type { CuttingOut } from "../../api/cutting";
import { cutsFile, cutsPdf, machineFile, sheetFile } from "../../api/cutting";
import { useShelf } from "../../api/kits";
import { pagesQuery } from "../../api/pages";
import { head, twoPanes } from "../../app/bench";
import { colours, figures, narrow, small } from "../../app/theme";
import { Choice } from "../../ui/Choice";
import { Finding } from "../../ui/Finding";
import { unbroken } from "../../ui/figures";
import { SaveMenu } from "../../ui/SaveMenu";
import { useInSight } from "../../ui/useInSight";
import { Better } from "./Better";
import { NoList } from "./NoList";
import { SheetMap } from "./SheetMap";
import { StepList } from "./StepList";
import { useCutting } from "./useCutting";

export default function Cut() {
  const { id } = useParams();
  const { data: pages } = useQuery(pagesQuery);
  const navigate = useNavigate();
  useEffect(() => {
    const begun = pages?.find((page) => page.cutting === "begun") ?? pages?.[0];
    if (!id && begun) navigate(`/cut/${begun.saved.id}`, { replace: true });
  }, [id, pages, navigate]);
  if (!pages) return null;
  if (!pages.length) {
    return (
      <Box sx={{ maxWidth: 620, mx: "auto", px: 3, py: 8 }}>
        <Typography variant="h1" gutterBottom>
          Nothing to cut yet
        </Typography>
        The cut list follows from a page: <Link to="/page">begin one</Link>, choose its papers, and come back.
      </Box>
    );
  }
  return id ? (
    <CutBench
      key={id}
      id={id}
      pages={pages.map((page) => [page.saved.id, page.page.name] as const)}
      onPage={(other) => navigate(`/cut/${other}`)}
    />
  ) : null;
}

interface BenchProps {
  id: string;
  pages: readonly (readonly [string, string])[];
  onPage: (id: string) => void;
}

function CutBench({ id, pages, onPage }: BenchProps) {
  const { data, problem, ticked, tick, act } = useCutting(id);
  const shelf = useShelf();
  const [open, setOpen] = useState<string | null>(null);
  if (!data) return <NoList id={id} problem={problem} />;
  const sheets = data.cuts.sheets;
  const undone = sheets.find((sheet) => sheet.steps.some((step) => !ticked.has(step.key)));
  const sheet = sheets.find((s) => s.key === open) ?? undone ?? sheets[0];
  const number = sheet ? sheets.indexOf(sheet) + 1 : 0;
  const tileOf = (s: Schemas["CutSheet"]) =>
    shelf.find((p) => p.paper.id === s.of_paper)?.tiles?.[s.face === "A" ? "a" : "b"];
  const files = [
    ["Cut list on letter (PDF)", cutsPdf(id, "letter")],
    ["Cut list on A4 (PDF)", cutsPdf(id, "a4")],
    ["Pieces (CSV)", cutsFile(id, "pieces.csv")],
    ["Every sheet and outline at true size (SVG)", cutsFile(id, "cuts.svg")],
    ["Outlines for a cutting machine (SVG)", machineFile(id, "svg", false)],
    ["Outlines for a cutting machine (DXF)", machineFile(id, "dxf", false)],
    ["The same mirrored, to cut from the back (SVG)", machineFile(id, "svg", true)],
    ["The same mirrored, to cut from the back (DXF)", machineFile(id, "dxf", true)],
    ["The whole list for programs (JSON)", cutsFile(id, "cuts.json")],
    ...(sheet ? [[`Sheet ${number} at true size (SVG)`, sheetFile(id, number)] as const] : []),
  ] as const;

  return (
    <Box
      sx={{
        ...twoPanes("minmax(300px, 380px)"),
        [narrow]: { gridTemplateColumns: "minmax(0, 1fr) minmax(280px, 320px)" },
      }}
    >
      <Box sx={{ ...head, [small]: { order: -2 } }}>
        <Typography variant="h1" sx={{ fontSize: "1.2rem" }}>
          Cut
        </Typography>
        <Choice label="Page to cut" value={id} options={pages} onChange={onPage} wide />
        <span data-done>
          <b>{data.done}</b> of <b>{data.pieces}</b> pieces cut
        </span>
        <Box sx={{ ml: "auto", display: "flex", gap: 1 }}>
          {sheets.length > 0 && (
            <Button component={Link} to={`/cut/${id}/bench`} variant="contained" size="small">
              {data.begun ? "Go on cutting" : "Begin to cut"}
            </Button>
          )}
          <Button component={Link} to={`/cut/${id}/machine`} size="small">
            With the machine
          </Button>
          <SaveMenu name="Print or save" files={files} />
        </Box>
        <Better key={id} id={id} data={data} />
        <Notices data={data} onAgain={() => act({ kind: "again" })} />
      </Box>
      {sheet ? (
        <>
          <Box
            sx={{
              p: 2,
              minWidth: 0,
              display: "flex",
              flexDirection: "column",
              [small]: { height: "80vw" },
            }}
          >
            <Box sx={{ pb: 1 }}>
              <Typography variant="h2" component="h2">
                {sheet.scrap && !sheet.print ? (
                  <>
                    {data.sheet_names[sheet.key]}, scrap{" "}
                    <Box component="span" sx={{ typography: "body1", ...figures }}>
                      {unbroken(data.sheet_sizes[sheet.key] ?? "")}
                    </Box>
                  </>
                ) : (
                  nameOf(sheet, data)
                )}
              </Typography>
              <Box sx={{ color: colours.soft }} data-side>
                {sheet.print ? "picture" : `${sheet.face} side`} up
                {sheet.strip ? `, branding strip at the ${sheet.strip.edge}` : ""}
                {sheet.pieces.some((p) => p.side !== sheet.face) && ` · pieces ${listed(sheet)} show B`}
              </Box>
            </Box>
            <Box sx={{ flex: 1, minHeight: 0 }}>
              <SheetMap
                sheet={sheet}
                sizes={data.sizes}
                restSizes={data.rest_sizes[sheet.key]}
                tile={tileOf(sheet)}
                ticked={ticked}
                next={sheet.steps.find((step) => !ticked.has(step.key))?.key}
                lines={data.lines}
              />
            </Box>
          </Box>
          <StepList sheet={sheet} directions={data.directions} sizes={data.sizes} ticked={ticked} onTick={tick} />
        </>
      ) : (
        <Box sx={{ p: 3, gridColumn: "1 / -1" }}>
          No piece of this page has a paper yet. <Link to={`/page/${id}`}>Choose papers on the page</Link>; the cut
          list follows.
        </Box>
      )}
      <Box
        component="nav"
        aria-label="Sheets in the order of use"
        // The sheets that are to be cut lie along the edge of the table, the next one nearest.
        sx={{
          gridColumn: "1 / -1",
          display: "flex",
          gap: 0.5,
          overflow: "auto",
          px: 1.5,
          pt: 1.5,
          borderTop: `1px solid ${colours.line}`,
          background: colours.ground,
          [small]: { order: -1, borderBottom: `1px solid ${colours.line}` },
        }}
      >
        {sheets.map((s, k) => (
          <SheetLink
            key={s.key}
            sheet={s}
            number={k + 1}
            name={nameOf(s, data)}
            open={s === sheet}
            ticked={ticked}
            onOpen={() => setOpen(s.key)}
          >
            <SheetMap sheet={s} sizes={data.sizes} tile={tileOf(s)} ticked={ticked} lines={data.lines} small />
          </SheetLink>
        ))}
      </Box>
    </Box>
  );
}

function Notices({ data, onAgain }: { data: CuttingOut; onAgain: () => void }) {
  const moved = data.begun && (data.new.length > 0 || data.gone.length > 0);
  return (
    <>
      {moved && (
        <Alert
          severity="warning"
          sx={{ width: "100%" }}
          action={
            <Button color="inherit" size="small" onClick={onAgain}>
              Plan the rest again
            </Button>
          }
        >
          The page has changed since you began to cut.
          {data.new.length > 0 && ` Not on this list: ${some(data.new)}.`}
          {data.gone.length > 0 && ` No longer wanted: ${some(data.gone)}.`}
        </Alert>
      )}
      {data.lacking.map((l) => (
        <Box key={l.piece} sx={{ width: "100%" }}>
          <Finding severity="stop" sentence={l.sentence} />
        </Box>
      ))}
    </>
  );
}

/** The first few of some names, and how many more there are. */
function some(names: string[]): string {
  const more = names.length - 3;
  return names.slice(0, 3).join(", ") + (more > 0 ? `, and ${more} more` : "");
}

function nameOf(sheet: Schemas["CutSheet"], data: CuttingOut): string {
  if (sheet.print) return sheet.print.charAt(0).toUpperCase() + sheet.print.slice(1);
  return `${data.sheet_names[sheet.key]}${sheet.scrap ? `, scrap ${unbroken(data.sheet_sizes[sheet.key] ?? "")}` : ""}`;
}

function listed(sheet: Schemas["CutSheet"]): string {
  return sheet.pieces
    .filter((p) => p.side !== sheet.face)
    .map((p) => p.number)
    .join(", ");
}

function SheetLink(props: {
  sheet: Schemas["CutSheet"];
  number: number;
  name: string;
  open: boolean;
  ticked: ReadonlySet<string>;
  onOpen: () => void;
  children: React.ReactNode;
}) {
  const { sheet, number, name, open, ticked, onOpen, children } = props;
  const left = sheet.steps.filter((step) => !ticked.has(step.key)).length;
  const words = left === 0 ? "cut" : left === sheet.steps.length ? count(left) : `${count(left)} left`;
  return (
    <Box
      ref={useInSight(open)}
      component="button"
      type="button"
      aria-current={open ? "true" : undefined}
      onClick={onOpen}
      sx={{
        flex: "none",
        width: 132,
        p: 1,
        pb: 0.75,
        font: "inherit",
        color: "inherit",
        textAlign: "center",
        border: 0,
        borderRadius: "3px 3px 0 0",
        background: open ? colours.paper : "transparent",
        boxShadow: open ? `inset 0 4px 0 ${colours.verdigris}, 0 -2px 8px rgba(40, 30, 15, 0.16)` : "none",
        cursor: "pointer",
      }}
    >
      <Box sx={{ width: 62, height: 62, mx: "auto" }}>{children}</Box>
      <Box sx={{ lineHeight: 1.25, fontSize: "0.88rem", fontWeight: 700, pt: 0.5, overflowWrap: "anywhere" }}>
        {number} · {name}
      </Box>
      <Box sx={{ fontSize: "0.82rem", color: colours.soft }}>{words}</Box>
    </Box>
  );
}

function count(cuts: number): string {
  return cuts === 1 ? "1 cut" : `${cuts} cuts`;
}
