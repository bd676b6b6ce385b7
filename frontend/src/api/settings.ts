/** How the household measures, what was put away, lengths as people write them. */
import { queryOptions, useQuery } from "@tanstack/react-query";
import { client, type Schemas, take } from "./client";
import { useUnitHere } from "./rulesHere";

export type Settings = Schemas["Settings"];

export const settingsQuery = queryOptions({
  queryKey: ["settings"],
  queryFn: () => take(client.GET("/api/settings")),
});
export const awayQuery = queryOptions({ queryKey: ["away"], queryFn: () => take(client.GET("/api/away")) });

export const putSettings = (settings: Settings, version: number) =>
  take(client.PUT("/api/settings", { body: { settings, version } }));

/** Whether lengths are given in inches, or in millimetres, for those who measure in centimetres too. */
export function useUnit(): "in" | "mm" {
  const here = useUnitHere();
  const unit = useQuery(settingsQuery).data?.settings.unit ?? "in";
  return here ?? (unit === "in" ? "in" : "mm");
}
