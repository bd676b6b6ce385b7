/** A page at the trimmer: its list, ticks and mishaps, a longer search, its files. */
import { queryOptions } from "@tanstack/react-query";
import { client, type Schemas, take } from "./client";
import { at } from "./history";

/** One step of a cut list; what it says stands in the directions. */
export type CutStep = Schemas["CutSheet"]["steps"][number];
export type CuttingOut = Schemas["CuttingOut"];
/** What a hand does to a list. */
export type Act =
  | { kind: "tick"; key: string; on: boolean; says: string; seconds: number }
  | { kind: "again" | "undo" | "redo" }
  | { kind: "spoiled"; number: number; width: string; height: string }
  | { kind: "elsewhere"; key: string; setting: string; keep: boolean };

export const cuttingQuery = (id: string) =>
  queryOptions({
    queryKey: ["cutting", id],
    queryFn: () => take(client.GET("/api/pages/{id}/cutting", at(id))),
  });
export const searchQuery = (id: string) =>
  queryOptions({
    queryKey: ["search", id],
    queryFn: () => take(client.GET("/api/pages/{id}/cutting/search", at(id))),
  });

export function sendAct(id: string, act: Act, version: number): Promise<CuttingOut> {
  switch (act.kind) {
    case "tick": {
      const { key, on, says, seconds } = act;
      const body = { key, on, says, seconds, version };
      return take(client.POST("/api/pages/{id}/cutting/tick", { ...at(id), body }));
    }
    case "spoiled": {
      const { number, width, height } = act;
      const body = { number, width, height, version };
      return take(client.POST("/api/pages/{id}/cutting/spoiled", { ...at(id), body }));
    }
    case "elsewhere": {
      const { key, setting, keep } = act;
      const body = { key, setting, keep, version };
      return take(client.POST("/api/pages/{id}/cutting/elsewhere", { ...at(id), body }));
    }
    default:
      return take(client.POST(`/api/pages/{id}/cutting/${act.kind}`, { ...at(id), body: { version } }));
  }
}

export const beginSearch = (id: string, seconds: number) =>
  take(client.POST("/api/pages/{id}/cutting/search", { ...at(id), body: { seconds } }));
export const stopSearch = (id: string) => take(client.POST("/api/pages/{id}/cutting/search/stop", at(id)));

export const cutsFile = (id: string, file: "cuts.svg" | "cuts.json" | "pieces.csv") => `/api/pages/${id}/${file}`;
export const machineFile = (id: string, kind: "svg" | "dxf", mirrored: boolean) =>
  `/api/pages/${id}/machine.${kind}?mirrored=${mirrored}`;
export const cutsPdf = (id: string, paper: "letter" | "a4") => `/api/pages/${id}/cuts.pdf?paper=${paper}`;
export const sheetFile = (id: string, number: number) => `/api/pages/${id}/sheets/${number}.svg`;
