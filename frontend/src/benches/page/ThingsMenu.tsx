/** What is done with things: clusters proposed, joined, taken apart; one on every photo; answers; cover-ups; room. */
import Button from "@mui/material/Button";
import Divider from "@mui/material/Divider";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import { useState } from "react";
import type { Recipe } from "../../api/pages";
import { joinCluster, onEveryPhoto, takeApart } from "../../api/things";
import { useFrame } from "../../app/FrameContext";
import type { Part } from "../../parts/kinds";
import { AnswersDialog, CoverDialog, RoomDialog } from "./ThingsDialogs";

interface Props {
  id: string;
  page: Recipe;
  /** What is chosen. */
  parts: readonly string[];
  /** What an answer makes of the recipe that was asked about. */
  onEdit: (what: string, asked: Recipe, answer: Recipe) => void;
  onChoose: (parts: readonly string[]) => void;
  onPropose: () => void;
}

export function ThingsMenu({ id, page, parts, onEdit, onChoose, onPropose }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [open, setOpen] = useState<"answers" | "cover" | "room" | null>(null);
  const { say } = useFrame();
  const chosen = (page.parts as Part[]).filter((one) => parts.includes(one.id));
  const one = chosen.length === 1 ? chosen[0] : undefined;
  const thing = chosen.find((part) => part.kind === "thing");

  async function asked(what: string, ask: () => Promise<{ page: Recipe; chosen: string[] }>): Promise<void> {
    setAnchor(null);
    try {
      const { page: answer, chosen: then } = await ask();
      onEdit(what, page, answer);
      onChoose(then);
    } catch (error) {
      say((error as Error).message);
    }
  }

  function dialog(name: "answers" | "cover" | "room"): void {
    setAnchor(null);
    setOpen(name);
  }

  return (
    <>
      <Button size="small" aria-haspopup="menu" onClick={(event) => setAnchor(event.currentTarget)}>
        Things
      </Button>
      <Menu
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        slotProps={{ list: { dense: true } }}
      >
        <MenuItem
          onClick={() => {
            setAnchor(null);
            onPropose();
          }}
        >
          Propose clusters …
        </MenuItem>
        <MenuItem onClick={() => dialog("answers")}>What would answer on the other side …</MenuItem>
        <MenuItem onClick={() => dialog("cover")}>Cover a spot …</MenuItem>
        <Divider />
        <MenuItem
          disabled={!chosen.length}
          onClick={() => void asked("joined a cluster", () => joinCluster(page, id, [...parts]))}
        >
          A cluster of what is chosen
        </MenuItem>
        <MenuItem
          disabled={one?.kind !== "cluster"}
          onClick={() => void asked("took a cluster apart", () => takeApart(page, id, one?.id ?? ""))}
        >
          Take the cluster apart
        </MenuItem>
        <MenuItem
          disabled={one?.kind !== "thing"}
          onClick={() => void asked("put it on every photo", () => onEveryPhoto(page, id, one?.id ?? ""))}
        >
          This on every photo
        </MenuItem>
        <MenuItem disabled={!thing || chosen.length !== 3} onClick={() => dialog("room")}>
          Does it fit between the two …
        </MenuItem>
      </Menu>
      {open === "answers" && (
        <AnswersDialog
          id={id}
          page={page}
          onAdd={(part) => onEdit("answered it", page, { ...page, parts: [...page.parts, part] })}
          onClose={() => setOpen(null)}
        />
      )}
      {open === "cover" && (
        <CoverDialog
          id={id}
          page={page}
          onAdd={(part) => {
            onEdit("covered a spot", page, { ...page, parts: [...page.parts, part] });
            onChoose([part.id]);
          }}
          onClose={() => setOpen(null)}
        />
      )}
      {open === "room" && thing?.kind === "thing" && (
        <RoomDialog
          id={id}
          page={page}
          thing={thing.thing}
          between={chosen.filter((part) => part.id !== thing.id).map((part) => part.id)}
          onClose={() => setOpen(null)}
        />
      )}
    </>
  );
}
