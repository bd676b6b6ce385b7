/** The same as the keys do, for who looks for it. */
import Button from "@mui/material/Button";
import Divider from "@mui/material/Divider";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import { useState } from "react";
import { copiedLast } from "./copied";
import type { Hand } from "./useHand";

interface Props {
  hand: Hand;
  onDuplicatePage: () => void;
  onSketch: () => void;
  /** What is chosen stays, and the rest of the page is drafted round it. */
  onDraft: () => void;
  onKeys: () => void;
}

export function HandMenu({ hand, onDuplicatePage, onSketch, onDraft, onKeys }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const none = !hand.all.length;
  const item = (words: string, keys: string, act: () => void, disabled = false) => (
    <MenuItem
      key={words}
      disabled={disabled}
      onClick={() => {
        setAnchor(null);
        act();
      }}
      sx={{ justifyContent: "space-between", gap: 4 }}
    >
      {words}
      <small>{keys}</small>
    </MenuItem>
  );
  return (
    <>
      <Button size="small" aria-haspopup="menu" onClick={(event) => setAnchor(event.currentTarget)}>
        Edit
      </Button>
      <Menu
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        slotProps={{ list: { dense: true } }}
      >
        {item("Choose all parts", "Ctrl A", hand.chooseEverything)}
        {item("Copy", "Ctrl C", () => hand.copy(), none)}
        {item("Cut", "Ctrl X", () => hand.cut(), none)}
        {item("Paste", "Ctrl V", () => void hand.paste(), copiedLast() === null)}
        {item("Another like it", "Ctrl D", hand.again, none)}
        {item("Take off the page", "Delete", () => hand.remove(), none)}
        <Divider />
        {item("Another page like this", "", onDuplicatePage)}
        {item("Keep the arrangement as a sketch", "", onSketch)}
        {item("Draft the rest round what is chosen …", "", onDraft, none)}
        {item("The keys …", "?", onKeys)}
      </Menu>
    </>
  );
}
