/** One kit: its papers with an editor for the chosen ones, and its things. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useRef, useState } from "react";
import { type Kit, type KitOut, kitFile, kitSource, type Paper, useShelf } from "../../api/kits";
import { useDesk } from "../../api/useDesk";
import { useUsual } from "../../api/usual";
import { useFrame, useInFrame } from "../../app/FrameContext";
import { colours, small, words } from "../../app/theme";
import { usePutAway } from "../../app/usePutAway";
import { newId } from "../../parts/kinds";
import { Choice } from "../../ui/Choice";
import { Dividers } from "../../ui/Dividers";
import { counted } from "../../ui/figures";
import { aName, InlineText } from "../../ui/InlineText";
import { SaveMenu } from "../../ui/SaveMenu";
import { AlphabetList } from "./AlphabetList";
import { PaperEditor } from "./PaperEditor";
import { PaperList } from "./PaperList";
import { KIT_KINDS, paperLike } from "./papers";
import { ThingList } from "./ThingList";

export function KitBench({ answer }: { answer: KitOut }) {
  const usual = useUsual();
  const id = answer.saved.id;
  const [desk, state] = useDesk("kit", answer, kitSource);
  useInFrame(desk, state);
  const kit = state.body;
  const putAway = usePutAway();
  const { say } = useFrame();
  const others = useShelf();
  const [tab, setTab] = useState<"papers" | "things" | "letters">("papers");
  const [chosenIds, setChosen] = useState<string[]>([]);
  const editor = useRef<HTMLDivElement>(null);
  const chosen = kit.papers.filter((paper) => chosenIds.includes(paper.id));

  const now = () => desk.getState().body;
  const edit = (what: string, change: Partial<Kit>, group?: string) =>
    desk.edit(what, { ...now(), ...change }, group);
  const editPapers = (what: string, ids: string[], change: (paper: Paper) => Paper, group?: string) =>
    edit(what, { papers: now().papers.map((paper) => (ids.includes(paper.id) ? change(paper) : paper)) }, group);

  function add(name: string): void {
    const paper = paperLike(usual, now().papers.at(-1), name);
    edit(`added ${name}`, { papers: [...now().papers, paper] });
    setChosen([paper.id]);
  }

  /** From the list on to the pattern of the A side; Escape leads back to the list. */
  function toEditor(ids: string[]): void {
    setChosen(ids);
    setTimeout(() => {
      const field = editor.current?.querySelector<HTMLInputElement>('[aria-label="A side: pattern"]');
      field?.focus();
      field?.select();
    });
  }

  function onEditorKey(event: React.KeyboardEvent): void {
    if (event.key !== "Escape" || event.defaultPrevented) return;
    const [first] = chosenIds;
    document.querySelector<HTMLElement>(`[data-paper="${first}"]`)?.focus();
  }

  function copy(ids: string[]): void {
    const twins = now()
      .papers.filter((paper) => ids.includes(paper.id))
      .map((paper) => ({ ...paper, id: newId("paper") }));
    edit("added another like it", { papers: [...now().papers, ...twins] });
    setChosen(twins.map((paper) => paper.id));
  }

  function remove(ids: string[]): void {
    edit("took papers out", { papers: now().papers.filter((paper) => !ids.includes(paper.id)) });
    setChosen([]);
    say(ids.length === 1 ? "A paper was taken out" : `${ids.length} papers were taken out`, {
      name: "Undo",
      run: () => desk.undo(),
    });
  }

  const palette = [...new Set(kit.papers.flatMap((paper) => [...paper.a.colours, ...paper.b.colours]))].slice(
    0,
    30,
  );
  return (
    <Box sx={{ display: "flex", flexDirection: "column", minHeight: 0, minWidth: 0 }}>
      <KitHead
        id={id}
        kit={kit}
        onEdit={edit}
        onPutAway={() => putAway("kit", kit.name, desk.getState().answer.saved)}
      />
      <Dividers
        label="What is in the kit"
        value={tab}
        options={[
          ["papers", counted(kit.papers.length, "paper")],
          ["things", counted(kit.things.length, "thing")],
          ["letters", counted(kit.alphabets.length, "alphabet")],
        ]}
        onChange={setTab}
      />
      {tab === "letters" ? (
        <Box sx={{ overflow: "auto", flex: 1 }}>
          <AlphabetList
            alphabets={kit.alphabets}
            onChange={(what, alphabets, group) => edit(what, { alphabets }, group)}
          />
        </Box>
      ) : tab === "things" ? (
        <Box sx={{ overflow: "auto", flex: 1 }}>
          <ThingList things={kit.things} onChange={(what, things, group) => edit(what, { things }, group)} />
        </Box>
      ) : (
        <Box
          sx={{
            flex: 1,
            minHeight: 0,
            display: "grid",
            gridTemplateColumns: "minmax(0, 1fr) minmax(320px, 400px)",
            [small]: { gridTemplateColumns: "1fr" },
          }}
        >
          <Box sx={{ overflow: "auto", [small]: { maxHeight: "70vh" } }}>
            <PaperList
              papers={kit.papers}
              tiles={state.answer.tiles}
              chosen={chosenIds}
              onChoose={setChosen}
              onChange={(what, ids, change) => editPapers(what, ids, (old) => ({ ...old, ...change(old) }))}
              onAdd={add}
              onCopy={copy}
              onRemove={remove}
              onEdit={toEditor}
            />
          </Box>
          <Box
            ref={editor}
            onKeyDown={onEditorKey}
            sx={{ borderLeft: `1px solid ${colours.line}`, background: colours.paper, overflow: "auto" }}
          >
            {chosen.length ? (
              <PaperEditor
                papers={chosen}
                tiles={state.answer.tiles}
                palette={palette}
                others={others.map((o) => o.paper).filter((p) => p.form !== "scrap" && !chosenIds.includes(p.id))}
                onChange={(what, change, group) =>
                  editPapers(what, chosenIds, change, group && `${group} ${chosenIds.join(" ")}`)
                }
                onCopy={() => copy(chosenIds)}
                onRemove={() => remove(chosenIds)}
              />
            ) : (
              <Box sx={{ p: 3, color: colours.soft }}>
                {kit.papers.length
                  ? "Choose a paper to say how it looks. With Ctrl, or the boxes, choose several and change them at once. On a line 1, 2 and 3 sort it (likely, another story, not this time), 0 takes that back, T turns it over."
                  : "Type the names of the papers one after another, Enter after each. Then choose one to say how it looks."}
              </Box>
            )}
          </Box>
        </Box>
      )}
    </Box>
  );
}

interface KitHeadProps {
  id: string;
  kit: Kit;
  onEdit: (what: string, change: Partial<Kit>) => void;
  onPutAway: () => void;
}

/** Its name, what it is, and where it goes. */
function KitHead({ id, kit, onEdit, onPutAway }: KitHeadProps) {
  return (
    <Box sx={{ display: "flex", alignItems: "center", flexWrap: "wrap", gap: 1, px: 2, pt: 1.5 }}>
      <Box
        component="h1"
        sx={{ m: 0, ...words, fontSize: "1.35rem", fontWeight: 600, width: 340, maxWidth: "100%" }}
      >
        <InlineText
          label="Name of the kit"
          value={kit.name}
          width="100%"
          check={aName}
          onCommit={(name) => onEdit("named the kit", { name: name.trim() })}
        />
      </Box>
      <Choice
        label="What it is"
        value={kit.kind}
        options={KIT_KINDS}
        onChange={(kind) => onEdit("changed what it is", { kind })}
      />
      <Box sx={{ ml: "auto", display: "flex", gap: 1 }}>
        <SaveMenu
          name="Save a copy"
          files={[
            ["CSV, for a spreadsheet", kitFile(id, "csv")],
            ["JSON, with everything", kitFile(id, "json")],
          ]}
        />
        <Button size="small" color="error" onClick={onPutAway}>
          Put away
        </Button>
      </Box>
    </Box>
  );
}
