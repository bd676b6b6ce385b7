/** Something the core found: what is wrong, what to look at, or what is good to know. */
import Box from "@mui/material/Box";
import type { ReactNode } from "react";
import { colours } from "../app/theme";
import { unbroken } from "./figures";
import { Icon } from "./Icon";

interface Props {
  severity: "stop" | "warn" | "note";
  sentence: string;
  /** What would do, each one press. */
  children?: ReactNode;
}

export function Finding({ severity, sentence, children }: Props) {
  const ink = severity === "stop" ? colours.madder : severity === "warn" ? colours.ochre : colours.soft;
  return (
    <Box sx={{ display: "flex", gap: 0.5, color: ink, fontSize: "0.88rem", lineHeight: 1.35, py: 0.25 }}>
      {severity !== "note" && <Icon name="stop" size={17} />}
      <span>
        {unbroken(sentence)} {children}
      </span>
    </Box>
  );
}
