/** One step of building: what to mind first, what is done, where each piece goes, with what, what must not be pressed. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { BuildStep } from "../../api/building";
import { colours, figures } from "../../app/theme";
import { unbroken } from "../../ui/figures";
import { Icon } from "../../ui/Icon";
import { useSaid } from "./useSaid";

interface Props {
  step: BuildStep;
  number: number;
  of: number;
  done: boolean;
  /** What is still wet under it. */
  waits: BuildStep["waits"];
  /** There is a step that need not wait. */
  meanwhile: boolean;
  onDone: () => void;
  onBack: () => void;
  onGo: (by: number) => void;
  onWrong: () => void;
}

export function StepCard({ step, number, of, done, waits, meanwhile, ...on }: Props) {
  const cautions = useSaid(step);
  const { glue } = step;
  return (
    <Box sx={{ p: 2, fontSize: "1.12rem", lineHeight: 1.45 }} aria-live="polite">
      {cautions.map((one) => (
        <Box
          key={one.id}
          role="note"
          sx={{ display: "flex", gap: 1, color: colours.madder, fontWeight: 700, fontSize: "1rem", pb: 0.75 }}
        >
          <Icon name="stop" size={20} />
          <span>{one.says}</span>
        </Box>
      ))}
      <Box sx={{ color: colours.soft }}>
        Step {number} of {of}
        {done && ", done"}
      </Box>
      <Box component="h2" sx={{ m: 0, mb: 1, fontSize: "1.5rem", lineHeight: 1.25 }}>
        {unbroken(step.says)}
      </Box>
      {waits.map((one) => (
        <Box key={one.after} role="alert" sx={{ color: colours.madder, fontWeight: 700 }}>
          Not yet, {one.says}.{meanwhile && " Something else can be done meanwhile."}
        </Box>
      ))}
      {step.within > 0 && (
        <Box sx={{ color: colours.madder, fontWeight: 700 }}>Within {step.within} minutes, while it is wet.</Box>
      )}
      {step.spots.length > 0 && (
        <Box component="ul" aria-label="Where" sx={{ listStyle: "none", m: 0, p: 0, ...figures }}>
          {step.spots.map((spot) => (
            <Box component="li" key={spot.piece} sx={{ py: 0.75, borderTop: `1px solid ${colours.line}` }}>
              <Box sx={{ color: colours.soft, fontSize: "1rem" }}>
                {spot.number !== null && <b>{spot.number} · </b>}
                {unbroken(spot.name)}
              </Box>
              <Box sx={{ fontSize: step.spots.length > 8 ? "1.1rem" : "1.35rem", fontWeight: 600 }}>
                {unbroken(spot.says)}
              </Box>
            </Box>
          ))}
        </Box>
      )}
      {glue && glue.name !== "none" && (
        <Box sx={{ pt: 1 }}>
          With <b>{glue.says}</b>
          {step.level !== "flat" && `, ${step.level}`}
          {glue.movable > 0 && `; movable for ${glue.movable} seconds`}.
        </Box>
      )}
      {step.careful.map((one) => (
        <Box key={one}>{unbroken(one)}</Box>
      ))}
      {step.dries > 1 && (
        <Box>
          Dries for {step.dries} minutes
          {step.heat === "shortens" ? "; heat shortens it." : step.heat === "spoils" ? "; heat spoils it." : "."}
        </Box>
      )}
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, pt: 2 }}>
        <Button
          variant="contained"
          disabled={done}
          onClick={on.onDone}
          sx={{ minHeight: 56, px: 4, fontSize: "1.1rem" }}
        >
          Done
        </Button>
        <Button onClick={on.onBack} sx={{ minHeight: 56 }}>
          Take it back
        </Button>
        <Button onClick={on.onWrong} sx={{ minHeight: 56 }}>
          That went wrong
        </Button>
        <Box sx={{ ml: "auto", display: "flex" }}>
          <Button
            aria-label="The step before"
            disabled={number === 1}
            onClick={() => on.onGo(-1)}
            sx={{ minHeight: 56 }}
          >
            ←
          </Button>
          <Button
            aria-label="The next step"
            disabled={number === of}
            onClick={() => on.onGo(1)}
            sx={{ minHeight: 56 }}
          >
            →
          </Button>
        </Box>
      </Box>
    </Box>
  );
}
