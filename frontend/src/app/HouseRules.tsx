/** House rules: what the household, a kit or a page holds to. The nearest that says something wins. */

import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import { useSearchParams } from "react-router";
import { rulesQuery } from "../api/checks";
import type { Schemas } from "../api/client";
import { kitsQuery, putKit } from "../api/kits";
import { pageQuery, pagesQuery, putPage } from "../api/pages";
import { putSettings, settingsQuery } from "../api/settings";
import { Choice } from "../ui/Choice";
import { useFrame } from "./FrameContext";
import { colours } from "./theme";

type Rules = Schemas["Rules"];

export default function HouseRules() {
  const { data: known } = useQuery(rulesQuery);
  const { data: settings } = useQuery(settingsQuery);
  const { data: kits } = useQuery(kitsQuery);
  const { data: pages } = useQuery(pagesQuery);
  const [where, setWhere] = useSearchParams();
  const queries = useQueryClient();
  const { say } = useFrame();
  const turn = useRef(Promise.resolve());
  if (!known || !settings || !kits || !pages) return null;
  const page = pages.find((one) => one.saved.id === where.get("page"));
  const kit = kits.find((one) => one.saved.id === where.get("kit"));
  const said: Rules = page?.page.rules ?? kit?.kit.rules ?? settings.settings.rules;
  const house = !page && !kit;

  /** One after the other, each on what the one before it left: however quickly they are chosen, none is lost. */
  function change(id: string, value: string): void {
    turn.current = turn.current.then(() => put(id, value));
  }

  async function put(id: string, value: string): Promise<void> {
    const what = "changed a rule";
    const fresh = { staleTime: 0 };
    try {
      if (page) {
        const { saved, page: now } = await queries.fetchQuery({ ...pageQuery(page.saved.id), ...fresh });
        await putPage(saved.id, saved.version, what, { ...now, rules: { ...now.rules, [id]: value || null } });
      } else if (kit) {
        const all = await queries.fetchQuery({ ...kitsQuery, ...fresh });
        const now = all.find((one) => one.saved.id === kit.saved.id) ?? kit;
        const rules = { ...now.kit.rules, [id]: value || null };
        await putKit(now.saved.id, now.saved.version, what, { ...now.kit, rules });
      } else {
        const { saved, settings: now } = await queries.fetchQuery({ ...settingsQuery, ...fresh });
        await putSettings({ ...now, rules: { ...now.rules, [id]: value || null } }, saved.version);
      }
      await queries.invalidateQueries();
    } catch (error) {
      say((error as Error).message);
    }
  }

  return (
    <Box sx={{ maxWidth: 860, mx: "auto", px: 2, py: 3 }}>
      <Typography variant="h1" gutterBottom>
        House rules
      </Typography>
      <p>
        Where people who are good at this differ. What a page says wins over its kit, and the kit over the
        household.
      </p>
      <Box sx={{ display: "flex", gap: 1, alignItems: "center", pb: 2 }}>
        Rules of
        <Choice
          wide
          label="Whose rules"
          value={page ? `page ${page.saved.id}` : kit ? `kit ${kit.saved.id}` : ""}
          options={[
            ["", "the household"],
            ...kits.map((one) => [`kit ${one.saved.id}`, `the kit ${one.kit.name}`] as const),
            ...pages.map((one) => [`page ${one.saved.id}`, `the page ${one.page.name}`] as const),
          ]}
          onChange={(which) => {
            const [kind = "", id = ""] = which.split(" ");
            setWhere(kind ? { [kind]: id } : {});
          }}
        />
      </Box>
      <Box component="dl" sx={{ m: 0 }}>
        {known
          .filter((rule) => rule.of_house || !house)
          .map((rule) => {
            const value = said[rule.id as keyof Rules];
            const usual = rule.options[0];
            const holds = rule.options.find((one) => one.value === value) ?? (house ? usual : undefined);
            return (
              <Box
                key={rule.id}
                sx={{
                  display: "grid",
                  gridTemplateColumns: "minmax(180px, 240px) 1fr",
                  columnGap: 2,
                  py: 1,
                  borderTop: `1px solid ${colours.line}`,
                  "@media (max-width: 560px)": { gridTemplateColumns: "1fr" },
                }}
              >
                <Box component="dt" sx={{ fontWeight: 700 }}>
                  {rule.asks}
                </Box>
                <Box component="dd" sx={{ m: 0 }}>
                  <Choice
                    label={rule.asks}
                    value={value ?? (house ? (usual?.value ?? "") : "")}
                    options={[
                      ...(house ? [] : ([["", "nothing said here"]] as const)),
                      ...rule.options.map((one) => [one.value, one.name] as const),
                    ]}
                    onChange={(next) => change(rule.id, next)}
                  />
                  <Box sx={{ color: colours.soft, fontSize: "0.92rem" }}>
                    {holds?.changes ?? (page ? "Its kit or the household decides." : "The household decides.")}
                  </Box>
                </Box>
              </Box>
            );
          })}
      </Box>
    </Box>
  );
}
