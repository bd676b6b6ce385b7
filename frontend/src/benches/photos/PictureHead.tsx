/** The name of what is open on the photos bench, what can be done with it, and putting it away. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { ReactNode } from "react";
import type { Saved } from "../../api/desk";
import { words } from "../../app/theme";
import { usePutAway } from "../../app/usePutAway";
import { aName, InlineText } from "../../ui/InlineText";

interface Props {
  kind: "photo" | "template";
  name: string;
  onName: (name: string) => void;
  /** The document as it is saved now. */
  saved: () => Saved;
  children: ReactNode;
}

export function PictureHead({ kind, name, onName, saved, children }: Props) {
  const putAway = usePutAway();
  return (
    <Box sx={{ display: "flex", alignItems: "center", columnGap: 1, flexWrap: "wrap" }}>
      <Box component="h1" sx={{ m: 0, ...words, fontSize: "1.35rem", fontWeight: 600, flex: "1 1 220px" }}>
        <InlineText
          label={`Name of the ${kind}`}
          value={name}
          width="100%"
          check={aName}
          onCommit={(text) => onName(text.trim())}
        />
      </Box>
      {children}
      <Button size="small" color="error" onClick={() => putAway(kind, name, saved())}>
        Put away
      </Button>
    </Box>
  );
}
