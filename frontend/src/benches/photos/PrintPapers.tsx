/** The papers to print on: which are in use, their margins, how many there are. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import { useState } from "react";
import type { PrintList } from "../../api/prints";
import { useUsual } from "../../api/usual";
import { colours } from "../../app/theme";
import { newId } from "../../parts/kinds";
import { Icon } from "../../ui/Icon";
import { IconAction } from "../../ui/IconAction";
import { aName, InlineText } from "../../ui/InlineText";
import { LengthField } from "../../ui/LengthField";

type Paper = PrintList["papers"][number];
const SIDES = ["left", "top", "right", "bottom"] as const;

interface Props {
  papers: Paper[];
  onChange: (what: string, papers: Paper[], group?: string) => void;
}

export function PrintPapers({ papers, onChange }: Props) {
  const usual = useUsual();
  const [open, setOpen] = useState<string | null>(null);
  const replace = (next: Paper) => papers.map((old) => (old.id === next.id ? next : old));

  function add(): void {
    const paper = { ...usual.print_paper, id: newId("paper") };
    onChange("added a paper", [...papers, paper]);
    setOpen(paper.id);
  }

  return (
    <>
      <Box component="ul" aria-label="Papers to print on" sx={{ listStyle: "none", m: 0, p: 0 }}>
        {papers.map((paper) => (
          <Box component="li" key={paper.id} sx={{ borderBottom: `1px solid ${colours.line}`, py: 0.25 }}>
            <Box sx={{ display: "flex", alignItems: "center" }}>
              <Checkbox
                size="small"
                checked={paper.use}
                onChange={(_, use) =>
                  onChange(
                    use ? `took ${paper.name} into use` : `left ${paper.name} aside`,
                    replace({ ...paper, use }),
                  )
                }
                slotProps={{ input: { "aria-label": `Print on ${paper.name}` } }}
              />
              <Box sx={{ flex: 1, lineHeight: 1.3 }}>
                {paper.name}
                {paper.count !== null && (
                  <Box component="span" sx={{ color: colours.soft }}>
                    , {paper.count} there
                  </Box>
                )}
              </Box>
              <Button
                size="small"
                aria-expanded={open === paper.id}
                onClick={() => setOpen(open === paper.id ? null : paper.id)}
              >
                {open === paper.id ? "Done" : "Change"}
              </Button>
            </Box>
            {open === paper.id && (
              <OnePaper
                paper={paper}
                onChange={(what, next, group) => onChange(what, replace(next), group && `${group} ${paper.id}`)}
                onRemove={() =>
                  onChange(
                    "took a paper away",
                    papers.filter((old) => old.id !== paper.id),
                  )
                }
              />
            )}
          </Box>
        ))}
      </Box>
      <Button size="small" startIcon={<Icon name="add" size={16} />} onClick={add}>
        Another paper
      </Button>
    </>
  );
}

interface OneProps {
  paper: Paper;
  onChange: (what: string, paper: Paper, group?: string) => void;
  onRemove: () => void;
}

function OnePaper({ paper, onChange, onRemove }: OneProps) {
  return (
    <Box sx={{ pl: 1, pb: 1, display: "flex", flexWrap: "wrap", gap: 0.75, alignItems: "center" }}>
      <InlineText
        label="Name of the paper"
        value={paper.name}
        width="15ch"
        check={aName}
        onCommit={(name) => onChange("named a paper", { ...paper, name: name.trim() })}
      />
      <LengthField
        label="Paper width"
        range="page size"
        value={paper.width}
        onCommit={(width) => onChange("changed a paper’s size", { ...paper, width }, "width")}
      />
      ×
      <LengthField
        label="Paper height"
        range="page size"
        value={paper.height}
        onCommit={(height) => onChange("changed a paper’s size", { ...paper, height }, "height")}
      />
      <Box sx={{ flexBasis: "100%" }}>The printer cannot print at the edge:</Box>
      {SIDES.map((side) => (
        <Box component="span" key={side}>
          {side}{" "}
          <LengthField
            label={`Margin ${side}`}
            range="gap"
            value={paper.margin[side]}
            onCommit={(length) =>
              onChange("changed a paper’s margin", { ...paper, margin: { ...paper.margin, [side]: length } }, side)
            }
          />
        </Box>
      ))}
      <Box sx={{ flexBasis: "100%", display: "flex", alignItems: "center", gap: 0.5 }}>
        Sheets there
        <InlineText
          label="Sheets there"
          value={paper.count === null ? "" : String(paper.count)}
          placeholder="enough"
          width={64}
          align="center"
          numeric
          check={(text) => (/^\d{0,4}$/.test(text.trim()) ? null : `“${text}” is no whole number from 0 to 9999`)}
          onCommit={(text) => onChange("counted a paper", { ...paper, count: text.trim() ? Number(text) : null })}
        />
        <Box sx={{ flex: 1 }} />
        <IconAction small icon="bin" name={`Take ${paper.name} away`} onClick={onRemove} />
      </Box>
    </Box>
  );
}
