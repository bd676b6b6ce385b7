/** Something went wrong at a step: what, and what is done about it. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useState } from "react";
import { Link } from "react-router";
import type { BuildStep } from "../../api/building";
import type { Schemas } from "../../api/client";
import { Choice } from "../../ui/Choice";

type What = Schemas["Wrong"]["what"];
type Did = Schemas["Wrong"]["did"];

interface Props {
  step: BuildStep;
  page: string;
  onSay: (what: What, did: Did) => void;
  onClose: () => void;
}

export function WentWrong({ step, page, onSay, onClose }: Props) {
  const [what, setWhat] = useState<What>("torn");
  return (
    <Dialog open onClose={onClose} aria-labelledby="went-wrong">
      <DialogTitle id="went-wrong">That went wrong</DialogTitle>
      <DialogContent>
        <Box sx={{ pb: 1.5 }}>{step.says}</Box>
        <Box sx={{ display: "flex", alignItems: "center", gap: 1, pb: 2 }}>
          It is
          <Choice
            label="What went wrong"
            value={what}
            options={[
              ["torn", "torn"],
              ["askew", "glued askew"],
              ["wrong colour", "of the wrong colour"],
            ]}
            onChange={setWhat}
          />
        </Box>
        <Box sx={{ display: "flex", flexDirection: "column", gap: 1 }}>
          <Button variant="outlined" onClick={() => onSay(what, "covered")}>
            Cover it up, and do the step again
          </Button>
          <Button variant="outlined" component={Link} to={`/cut/${page}`} onClick={() => onSay(what, "cut again")}>
            Cut it again from what is left
          </Button>
          <Button variant="outlined" onClick={() => onSay(what, "went on")}>
            Go on without
          </Button>
          <Button onClick={onClose}>Never mind</Button>
        </Box>
      </DialogContent>
    </Dialog>
  );
}
