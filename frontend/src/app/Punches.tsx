/** The punches and dies that are there: what can be punched is said where tiles and shapes are of another size. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Settings } from "../api/settings";
import { useUsual } from "../api/usual";
import { Choice } from "../ui/Choice";
import { Icon } from "../ui/Icon";
import { IconAction } from "../ui/IconAction";
import { LengthField } from "../ui/LengthField";

const FIGURES = ["circle", "hexagon", "square", "triangle", "heart", "scalloped", "tag", "banner"].map(
  (figure) => [figure, figure] as const,
);

interface Props {
  settings: Settings;
  onChange: (settings: Settings) => void;
}

export function Punches({ settings, onChange }: Props) {
  const usual = useUsual();
  const { punches } = settings;
  const put = (next: Settings["punches"]) => onChange({ ...settings, punches: next });
  return (
    <Box sx={{ gridColumn: "1 / 3", maxHeight: 220, overflow: "auto" }}>
      <Box sx={{ pb: 0.5 }}>Punches and dies</Box>
      {punches.map((punch, k) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a punch is its place in the list
        <Box key={k} sx={{ display: "flex", gap: 1, alignItems: "center", pb: 0.5 }}>
          <Choice
            label={`Punch ${k + 1}: figure`}
            value={punch.figure}
            options={FIGURES}
            onChange={(figure) => put(punches.map((old, n) => (n === k ? { ...old, figure } : old)))}
          />
          <LengthField
            label={`Punch ${k + 1}: size`}
            value={punch.size}
            onCommit={(size) => put(punches.map((old, n) => (n === k ? { ...old, size } : old)))}
          />
          <IconAction
            small
            icon="bin"
            name={`Take punch ${k + 1} away`}
            onClick={() => put(punches.filter((_, n) => n !== k))}
          />
        </Box>
      ))}
      <Button size="small" startIcon={<Icon name="add" size={16} />} onClick={() => put([...punches, usual.punch])}>
        A punch
      </Button>
    </Box>
  );
}
