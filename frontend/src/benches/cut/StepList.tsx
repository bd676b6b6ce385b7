/** The cuts of a sheet in order, each with a box to tick; the next one large enough to read while standing. */
import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import type { Schemas } from "../../api/client";
import type { CuttingOut } from "../../api/cutting";
import { colours } from "../../app/theme";
import { unbroken } from "../../ui/figures";

interface Props {
  sheet: Schemas["CutSheet"];
  directions: CuttingOut["directions"];
  sizes: Record<string, string>;
  ticked: ReadonlySet<string>;
  onTick: (key: string, on: boolean) => void;
}

export function StepList({ sheet, directions, sizes, ticked, onTick }: Props) {
  const next = sheet.steps.find((step) => !ticked.has(step.key))?.key;
  return (
    <Box
      component="section"
      aria-label="Cuts"
      sx={{ overflow: "auto", borderLeft: `1px solid ${colours.line}`, background: colours.paper }}
    >
      <Box component="ol" sx={{ listStyle: "none", m: 0, p: 1 }}>
        {sheet.steps.map((step) => {
          const done = ticked.has(step.key);
          const isNext = step.key === next;
          const told = directions[step.key];
          return (
            <Box
              component="li"
              key={step.key}
              sx={{
                borderRadius: 1,
                background: isNext ? colours.tint : "transparent",
                borderBottom: `1px solid ${colours.faint}`,
              }}
            >
              {told?.caution && (
                <Box
                  data-caution
                  sx={{ px: 1, pt: 0.75, fontWeight: 700, fontSize: "0.92rem", color: colours.madder }}
                >
                  {told.caution}
                </Box>
              )}
              <Box
                component="label"
                sx={{
                  display: "flex",
                  gap: 0.5,
                  alignItems: "flex-start",
                  py: 0.5,
                  pr: 1,
                  cursor: "pointer",
                  minHeight: 44,
                }}
              >
                <Checkbox
                  checked={done}
                  onChange={(event) => onTick(step.key, event.target.checked)}
                  sx={{ p: "9px" }}
                />
                <Box
                  sx={{
                    pt: isNext ? 0.75 : 1,
                    color: done ? colours.soft : colours.ink,
                    textDecoration: done ? "line-through" : "none",
                  }}
                >
                  <Box
                    component="span"
                    sx={{ fontSize: isNext ? "1.35rem" : "1rem", lineHeight: 1.35, fontWeight: isNext ? 700 : 400 }}
                  >
                    {step.n}. {unbroken(told?.says ?? "")}
                  </Box>
                </Box>
              </Box>
            </Box>
          );
        })}
      </Box>
      <Box sx={{ px: 2, pb: 2 }}>
        <Box sx={{ fontWeight: 700, py: 0.5 }}>Pieces of this sheet</Box>
        {sheet.pieces.map((piece) => (
          <Box key={piece.number} sx={{ display: "flex", gap: 1, fontSize: "0.92rem", py: 0.25 }}>
            <Box sx={{ width: 26, textAlign: "right", fontWeight: 700, flex: "none" }}>{piece.number}</Box>
            <Box>
              {piece.name[0]?.toUpperCase()}
              {piece.name.slice(1)}, {unbroken(sizes[piece.number] ?? "")}
              {sheet.print ? "" : `, side\u00a0${piece.side}`}
              {piece.quarters % 2 === 1 && ", turned on the sheet"}
              {piece.of > 0 && `, of what falls off ${piece.of}`}
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
