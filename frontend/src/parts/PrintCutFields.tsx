/** What is done to a print: its own crop, its tone, a rim cut off later, a trim all round. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { type ReactNode, useState } from "react";
import { useUsual } from "../api/usual";
import { Choice } from "../ui/Choice";
import { Icon } from "../ui/Icon";
import { LengthField } from "../ui/LengthField";
import { CropDialog } from "./CropDialog";
import { hasLength, type Print } from "./kinds";
import { Sentence } from "./Sentence";

interface Props {
  print: Print;
  label: string;
  onChange: (what: string, print: Print, group?: string) => void;
  line?: number | null;
  onLine?: (by: number) => void;
  children?: ReactNode;
}

export function PrintCutFields({ print, label, onChange, line, onLine, children }: Props) {
  const [cropping, setCropping] = useState(false);
  const [more, setMore] = useState(false);
  const usual = useUsual();
  const rimmed = hasLength(print.rim) || hasLength(print.below);
  const changed = print.tone !== "as the photo" || print.rim_off || hasLength(print.trim);
  const shown = more || changed;
  return (
    <Sentence inset>
      {print.photo && (
        <Button size="small" startIcon={<Icon name="crop" size={17} />} onClick={() => setCropping(true)}>
          {print.frame ? "Its own crop" : "Crop"}
        </Button>
      )}
      {(print.shape === "tag" || print.hole) && (
        <Choice
          label={`${label}: hole`}
          value={print.hole ? "hole" : "none"}
          options={[
            ["none", "no hole"],
            ["hole", "a hole, from the top"],
          ]}
          onChange={(way) =>
            onChange(way === "none" ? "closed a print’s hole" : "punched a print", {
              ...print,
              hole: way === "none" ? null : usual.from_edge,
            })
          }
        />
      )}
      {print.hole && (
        <LengthField
          label={`${label}: hole from the top`}
          range="gap"
          value={print.hole}
          onCommit={(hole) => onChange("moved a print’s hole", { ...print, hole }, `${label} hole`)}
        />
      )}
      {!changed && (
        <Button size="small" aria-expanded={more} onClick={() => setMore(!more)}>
          {more ? "Less" : "Tone, trim …"}
        </Button>
      )}
      {shown && (
        <>
          <Choice
            label={`${label}: tone`}
            value={print.tone}
            options={[
              ["as the photo", "toned as the photo"],
              ["black and white", "black and white"],
              ["in colour", "in colour"],
            ]}
            onChange={(tone) => onChange("changed a print’s tone", { ...print, tone })}
          />
          {rimmed && (
            <Choice
              label={`${label}: rim stays or is cut off`}
              value={print.rim_off ? "off" : "stays"}
              options={[
                ["stays", "rim stays"],
                ["off", "rim cut off later"],
              ]}
              onChange={(way) =>
                onChange(way === "off" ? "cut a rim off" : "kept a rim", { ...print, rim_off: way === "off" })
              }
            />
          )}
          <Box component="span" sx={{ whiteSpace: "nowrap" }}>
            trim by{" "}
            <LengthField
              label={`${label}: trim`}
              range="gap"
              value={print.trim}
              onCommit={(trim) => onChange("trimmed a print", { ...print, trim }, `${label} trim`)}
            />
          </Box>
          {children}
        </>
      )}
      {cropping && (
        <CropDialog
          print={print}
          onChange={onChange}
          line={line}
          onLine={onLine}
          onClose={() => setCropping(false)}
        />
      )}
    </Sentence>
  );
}
