/** The print list, its sheets, and the photo printer. */
import { queryOptions } from "@tanstack/react-query";
import { client, type Schemas, take } from "./client";
import type { Source } from "./desk";
import { at } from "./history";

export type PrintListOut = Schemas["PrintListOut"];
export type PrintList = Schemas["PrintList"];

export const printListQuery = queryOptions({
  queryKey: ["prints"],
  queryFn: () => take(client.GET("/api/prints")),
});
/** A print list laid on sheets; the last one stays on the screen until the next is there. */
export const printPlanQuery = (prints: PrintList) =>
  queryOptions({
    queryKey: ["print plan", prints],
    queryFn: () => take(client.POST("/api/prints/plan", { body: { prints } })),
    placeholderData: (last) => last,
    gcTime: 20_000,
  });
export const printerQuery = queryOptions({
  queryKey: ["printer"],
  queryFn: () => take(client.GET("/api/printer")),
  refetchInterval: 700,
});

/** There is one print list. */
export function printListSource(): Source<PrintList, PrintListOut> {
  return {
    body: (answer) => answer.prints,
    load: loadPrintList,
    put: putPrintList,
    undo: (version) => take(client.POST("/api/prints/undo", { body: { version } })),
    redo: (version) => take(client.POST("/api/prints/redo", { body: { version } })),
  };
}

export const loadPrintList = () => take(client.GET("/api/prints"));
export const putPrintList = (version: number, what: string, prints: PrintList, series?: string) =>
  take(client.PUT("/api/prints", { body: { version, what, series, prints } }));
export const wantPrintsOfPage = (id: string, version: number) =>
  take(client.POST("/api/prints/of-page/{id}", { ...at(id), body: { version } }));

export const printer = {
  load: (body: Schemas["Loaded"]) => take(client.PUT("/api/printer/paper", { body })),
  jam: () => take(client.PUT("/api/printer/jam")),
  clear: () => take(client.DELETE("/api/printer/jam")),
  run: () => take(client.POST("/api/printer/run")),
  stop: () => take(client.POST("/api/printer/run/stop")),
  cancel: (id: string) => take(client.POST("/api/printer/jobs/{id}/cancel", at(id))),
  tray: (id: string) => `/api/printer/jobs/${id}/tray.pdf`,
};

export const PRINT_SHEETS = "/api/prints/sheets.pdf";
export const printSheet = (number: number) => `/api/prints/sheets/${number}.png`;
