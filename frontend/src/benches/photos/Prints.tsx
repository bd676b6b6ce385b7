/** Print sheets: the prints that are wanted on the left, the sheets they lie on in the middle, printer and papers right. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { Link, useSearchParams } from "react-router";
import type { Schemas } from "../../api/client";
import { pagesQuery } from "../../api/pages";
import { pictureWith } from "../../api/pictures";
import {
  PRINT_SHEETS,
  type PrintList,
  type PrintListOut,
  printListQuery,
  printListSource,
  printPlanQuery,
  printSheet,
  wantPrintsOfPage,
} from "../../api/prints";
import { useDesk } from "../../api/useDesk";
import { useFrame, useInFrame } from "../../app/FrameContext";
import { colours, narrow } from "../../app/theme";
import { Choice } from "../../ui/Choice";
import { Finding } from "../../ui/Finding";
import { unbroken } from "../../ui/figures";
import { IconAction } from "../../ui/IconAction";
import { InlineText } from "../../ui/InlineText";
import { LengthField } from "../../ui/LengthField";
import { SaveMenu } from "../../ui/SaveMenu";
import { PrinterPanel } from "./PrinterPanel";
import { PrintPapers } from "./PrintPapers";
import { PrintSheet } from "./PrintSheet";

export default function Prints() {
  const { data } = useQuery(printListQuery);
  return data ? <Bench answer={data} /> : null;
}

function Bench({ answer }: { answer: PrintListOut }) {
  const [desk, state] = useDesk("prints", answer, printListSource);
  useInFrame(desk, state);
  const prints = state.body;
  const { data: plan } = useQuery(printPlanQuery(prints));
  const edit = (what: string, change: Partial<PrintList>, group?: string) =>
    desk.edit(what, { ...desk.getState().body, ...change }, group);
  const wantPage = useWantPage(() => desk.getState().answer.saved.version);
  const copies = prints.wanted.reduce((sum, one) => sum + one.copies, 0);
  const sheets = plan?.sheets ?? [];
  const files = [
    ["All sheets (PDF)", PRINT_SHEETS] as const,
    ...sheets.map((_, k) => [`Sheet ${k + 1} as a picture (PNG)`, printSheet(k + 1)] as const),
  ];
  return (
    <Box
      sx={{
        height: "100%",
        display: "grid",
        gridTemplateColumns: "minmax(270px, 320px) minmax(0, 1fr) minmax(270px, 310px)",
        [narrow]: { gridTemplateColumns: "1fr", height: "auto" },
      }}
    >
      <Box sx={{ ...pane, borderRight: `1px solid ${colours.line}` }}>
        <Box sx={{ display: "flex", alignItems: "baseline", gap: 1 }}>
          <Box component="h1" sx={{ ...head, flex: 1 }}>
            Prints wanted
          </Box>
          <Button component={Link} to="/photos" size="small">
            All photos
          </Button>
        </Box>
        <AddPage onAdd={wantPage} />
        {!prints.wanted.length && (
          <Box sx={{ color: colours.soft, py: 1 }}>
            Nothing yet. Take the prints of a page, or press “Print it” on a photo or a template.
          </Box>
        )}
        <Wanted answer={state.answer} prints={prints} pictures={plan?.pictures ?? {}} onChange={edit} />
        {prints.wanted.length > 0 && (
          <Button size="small" sx={{ mt: 0.5 }} onClick={() => edit("cleared the print list", { wanted: [] })}>
            Clear the list
          </Button>
        )}
      </Box>
      <Box sx={{ ...pane, p: 2 }}>
        <Box sx={{ display: "flex", alignItems: "center", gap: 1, flexWrap: "wrap", pb: 1 }}>
          <Box data-sheets sx={{ flex: 1, fontSize: "1.05rem" }}>
            <b>{copies}</b> {copies === 1 ? "print" : "prints"} on <b>{sheets.length}</b>{" "}
            {sheets.length === 1 ? "sheet" : "sheets"}
          </Box>
          {sheets.length > 0 && <SaveMenu name="Keep as files" files={files} />}
        </Box>
        {plan?.left.map((left) => (
          <Finding key={left.sentence} severity="stop" sentence={left.sentence} />
        ))}
        {plan?.notes.map((note) => (
          <Finding key={note} severity="note" sentence={note} />
        ))}
        <Box
          component="ul"
          aria-label="Sheets"
          sx={{
            listStyle: "none",
            m: 0,
            p: 0,
            pt: 1,
            display: "grid",
            gap: 2,
            gridTemplateColumns: "repeat(auto-fill, minmax(240px, 1fr))",
          }}
        >
          {plan &&
            sheets.map((sheet, k) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: a sheet is its place in the run
              <Box component="li" key={k}>
                <PrintSheet sheet={sheet} number={k + 1} pictures={plan.pictures} />
              </Box>
            ))}
        </Box>
      </Box>
      <Box sx={{ ...pane, borderLeft: `1px solid ${colours.line}` }}>
        <PrinterPanel sheets={sheets.length} saved={state.saving === "saved"} papers={prints.papers} />
        <Box component="h2" sx={{ ...head, pt: 2 }}>
          Papers
        </Box>
        <PrintPapers papers={prints.papers} onChange={(what, papers, group) => edit(what, { papers }, group)} />
        <Box sx={{ pt: 1 }}>
          Prints lie{" "}
          <LengthField
            label="Gap between prints"
            range="gap"
            value={prints.gap}
            onCommit={(gap) => edit("changed the gap", { gap }, "gap")}
          />{" "}
          apart.
        </Box>
      </Box>
    </Box>
  );
}

const pane = { minHeight: 0, minWidth: 0, overflow: "auto", p: 1.5 } as const;
const head = { m: 0, fontSize: "1.12rem", fontWeight: 700, pb: 0.5 } as const;

/** Takes a page's prints onto the list; also the page that the address names, once. */
function useWantPage(version: () => number): (page: string) => Promise<void> {
  const queries = useQueryClient();
  const { say } = useFrame();
  const [asked, setAsked] = useSearchParams();
  const page = asked.get("page");
  const begun = useRef(false);

  async function want(id: string): Promise<void> {
    try {
      queries.setQueryData(["prints"], await wantPrintsOfPage(id, version()));
    } catch (error) {
      say((error as Error).message);
    }
  }

  // biome-ignore lint/correctness/useExhaustiveDependencies: once for the address
  useEffect(() => {
    if (!page || begun.current) return;
    begun.current = true;
    setAsked({}, { replace: true });
    void want(page);
  }, [page]);
  return want;
}

function AddPage({ onAdd }: { onAdd: (page: string) => Promise<void> }) {
  const { data: pages = [] } = useQuery(pagesQuery);
  if (!pages.length) return null;
  return (
    <Choice
      label="Take the prints of a page"
      wide
      value=""
      options={[["", "Take the prints of a page…"], ...pages.map((p) => [p.saved.id, p.page.name] as const)]}
      onChange={(id) => id && void onAdd(id)}
    />
  );
}

interface WantedProps {
  answer: PrintListOut;
  prints: PrintList;
  pictures: Record<string, Schemas["PrintPicture"]>;
  onChange: (what: string, change: Partial<PrintList>, group?: string) => void;
}

function Wanted({ answer, prints, pictures, onChange }: WantedProps) {
  return (
    <Box component="ul" aria-label="Prints wanted" sx={{ listStyle: "none", m: 0, p: 0, pt: 1 }}>
      {prints.wanted.map((one) => {
        const name = answer.names[one.id] ?? "…";
        const set = (copies: number) =>
          onChange(
            "changed how many",
            { wanted: prints.wanted.map((w) => (w.id === one.id ? { ...w, copies } : w)) },
            one.id,
          );
        return (
          <Box
            component="li"
            key={one.id}
            sx={{
              display: "flex",
              gap: 1,
              alignItems: "center",
              py: 0.75,
              borderBottom: `1px solid ${colours.line}`,
            }}
          >
            <Box
              component="img"
              src={pictureWith(one.print.photo ?? "", "thumb", pictures[one.id]?.picture.query ?? "")}
              alt=""
              sx={{ width: 46, height: 46, objectFit: "cover", flex: "none", background: colours.faint }}
            />
            <Box sx={{ flex: 1, minWidth: 0, lineHeight: 1.3 }}>
              <Box sx={{ fontWeight: 700, overflowWrap: "anywhere" }}>{name}</Box>
              <Box sx={{ fontSize: "0.88rem", color: colours.soft }}>{unbroken(answer.says[one.id] ?? "")}</Box>
            </Box>
            <InlineText
              label={`Copies of ${name}`}
              value={String(one.copies)}
              width={44}
              align="center"
              numeric
              check={(text) => (/^\d{1,2}$/.test(text.trim()) ? null : `“${text}” is no whole number from 0 to 99`)}
              onCommit={(text) => set(Number(text))}
            />
            <IconAction
              small
              icon="bin"
              name={`Take ${name} off the list`}
              onClick={() =>
                onChange("took a print off the list", { wanted: prints.wanted.filter((w) => w.id !== one.id) })
              }
            />
          </Box>
        );
      })}
    </Box>
  );
}
