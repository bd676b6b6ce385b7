/** How the household measures: unit, finest mark, where the rulers have their zero. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Popover from "@mui/material/Popover";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { doorQuery, signOut } from "../api/door";
import { putSettings, type Settings, settingsQuery } from "../api/settings";
import { useUsual } from "../api/usual";
import { Choice } from "../ui/Choice";
import { IconAction } from "../ui/IconAction";
import { LengthField } from "../ui/LengthField";
import { Backups } from "./Backups";
import { Devices } from "./Devices";
import { useFrame } from "./FrameContext";
import { lightSaid, sayLight, useLight } from "./light";
import { Punches } from "./Punches";
import { PutAway } from "./PutAway";
import { ScreenSize } from "./ScreenSize";

/** In centimetres a mark is said in centimetres. */
const SAID: Partial<Record<Settings["mark"], string>> = { "1 mm": "0.1 cm", "0.5 mm": "0.05 cm" };

export function Measures() {
  const usual = useUsual();
  useLight();
  const { data } = useQuery(settingsQuery);
  const { data: door } = useQuery(doorQuery);
  const queries = useQueryClient();
  const { say } = useFrame();
  const [open, setOpen] = useState(false);
  const [away, setAway] = useState(false);

  async function out(): Promise<void> {
    await signOut();
    window.location.assign("/");
  }

  async function change(settings: Settings): Promise<void> {
    if (!data) return;
    try {
      await putSettings(settings, data.saved.version);
    } catch (error) {
      say((error as Error).message);
    }
    await queries.invalidateQueries();
  }

  const settings = data?.settings;
  return (
    <Box sx={{ display: "inline-flex" }} id="measures">
      <IconAction icon="ruler" name="Units, marks, punches and what was put away" onClick={() => setOpen(true)} />
      {settings && (
        <Popover
          open={open}
          onClose={() => setOpen(false)}
          anchorEl={() => document.getElementById("measures") as HTMLElement}
          anchorOrigin={{ vertical: "bottom", horizontal: "right" }}
          transformOrigin={{ vertical: "top", horizontal: "right" }}
        >
          <Box sx={{ p: 2, display: "grid", gridTemplateColumns: "auto auto", gap: 1.5, alignItems: "center" }}>
            <Typography variant="h2" sx={{ gridColumn: "1 / 3" }}>
              Measures
            </Typography>
            <span>Unit</span>
            <Choice
              label="Unit"
              value={settings.unit}
              options={[
                ["in", "inches"],
                ["mm", "millimetres"],
                ["cm", "centimetres"],
              ]}
              onChange={(unit) => void change({ ...settings, unit, mark: usual.mark[unit] ?? settings.mark })}
            />
            <span>Finest mark</span>
            <Choice
              label="Finest mark"
              value={settings.mark}
              options={(usual.marks[settings.unit] ?? []).map(
                (mark) => [mark, (settings.unit === "cm" && SAID[mark]) || mark] as const,
              )}
              onChange={(mark) => void change({ ...settings, mark })}
            />
            <span>Rulers start</span>
            <Choice
              label="Rulers start"
              value={settings.zero}
              options={[
                ["left", "at the left edge"],
                ["centre", "in the middle"],
              ]}
              onChange={(zero) => void change({ ...settings, zero })}
            />
            <span>Light</span>
            <Choice
              label="Light"
              value={lightSaid()}
              options={[
                ["system", "as this device has it"],
                ["day", "by day"],
                ["evening", "in the evening"],
              ]}
              onChange={sayLight}
            />
            <ScreenSize />
            <Typography variant="h2" sx={{ gridColumn: "1 / 3", mt: 1 }}>
              House rules
            </Typography>
            <Box component={Link} to="/rules" onClick={() => setOpen(false)} sx={{ gridColumn: "1 / 3" }}>
              Exact or loose, gutted or solid, foam or flat: all the rules
            </Box>
            <span>Scraps are kept from</span>
            <span>
              <LengthField
                label="Scraps are kept from"
                value={settings.least_scrap}
                onCommit={(least_scrap) => void change({ ...settings, least_scrap })}
                unit
              />{" "}
              wide
            </span>
            <Punches settings={settings} onChange={(next) => void change(next)} />
            <Devices />
            <Backups />
            <Button
              size="small"
              sx={{ gridColumn: "1 / 3", justifySelf: "start", ml: -0.75 }}
              onClick={() => {
                setOpen(false);
                setAway(true);
              }}
            >
              What was put away …
            </Button>
            {door?.asks && (
              <Button
                size="small"
                sx={{ gridColumn: "1 / 3", justifySelf: "start", ml: -0.75 }}
                onClick={() => void out()}
              >
                Sign out
              </Button>
            )}
          </Box>
        </Popover>
      )}
      {away && <PutAway onClose={() => setAway(false)} />}
    </Box>
  );
}
