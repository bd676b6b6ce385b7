/** Kits, their papers, how papers look. */
import { queryOptions, useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { client, type Schemas, sendFile, take } from "./client";
import type { Source } from "./desk";
import { at, historyOf } from "./history";

export type Kit = Schemas["Kit"];
export type Paper = Schemas["Paper"];
export type Side = Schemas["Side"];
export type Thing = Schemas["Thing"];
export type KitOut = Schemas["KitOut"];
export type Rows = Schemas["Rows"];
type Tiles = Schemas["Tiles"];
type Lengths = { width: string; height: string };

export const kitsQuery = queryOptions({ queryKey: ["kits"], queryFn: () => take(client.GET("/api/kits")) });
export const patternsQuery = (colours: string[]) =>
  queryOptions({
    queryKey: ["patterns", colours],
    queryFn: () => take(client.POST("/api/patterns", { body: { colours } })),
    placeholderData: (last) => last,
    staleTime: Number.POSITIVE_INFINITY,
  });

/** Every paper as a page, or any, can have it: what is left, and the words that find it. */
export const shelfQuery = (page?: string) =>
  queryOptions({
    queryKey: ["shelf", page],
    queryFn: () => take(client.GET("/api/shelf", { params: { query: { page } } })),
  });

export function kitSource(id: string): Source<Kit, KitOut> {
  return {
    body: (answer) => answer.kit,
    load: async () => {
      const found = (await take(client.GET("/api/kits"))).find((kit) => kit.saved.id === id);
      if (!found) throw new Error("this kit was put away");
      return found;
    },
    put: (version, what, kit, series) => putKit(id, version, what, kit, series),
    ...historyOf("kit", id),
  };
}

export const putKit = (id: string, version: number, what: string, kit: Kit, series?: string) =>
  take(client.PUT("/api/kits/{id}", { ...at(id), body: { version, what, series, kit } }));
export const addKit = (kit: Kit) =>
  take(client.POST("/api/kits", { body: { kit, what: "began the kit", version: 0 } }));
export const addDemoKit = () => take(client.POST("/api/demo-kit"));
export const readKitJson = (file: File) => sendFile<Kit>("/api/kits/read-json", file);
/** What a table holds; `columns` says what each of its columns is, where the guess is not right. */
export const readKitCsv = (file: File, columns?: string[]) =>
  sendFile<Rows>(
    `/api/kits/read-csv${columns ? `?${columns.map((one) => `columns=${encodeURIComponent(one)}`).join("&")}` : ""}`,
    file,
  );
export const kitColumnsQuery = queryOptions({
  queryKey: ["kit columns"],
  queryFn: () => take(client.GET("/api/kit-columns")),
  staleTime: Number.POSITIVE_INFINITY,
});
export const cardsInRows = (paper: Paper, rows: number, columns: number, side: "A" | "B") =>
  take(client.POST("/api/cards", { body: { paper, rows, columns, side } }));
export const addSheetPicture = (file: File) => sendFile<Schemas["PictureOut"]>("/api/pictures", file);
export const straighten = (id: string, corners: [number, number][], { width, height }: Lengths) =>
  take(client.POST("/api/pictures/{id}/straighten", { ...at(id), body: { corners, width, height } }));

export const sheetsIn = (id: string) => take(client.GET("/api/pictures/{id}/sheets", at(id)));
export const takeSheets = (id: string, body: Schemas["SheetIn"][]) =>
  take(client.POST("/api/pictures/{id}/sheets", { ...at(id), body }));

export const KIT_TEMPLATE = "/api/kit-template.csv";
export const kitFile = (id: string, kind: "csv" | "json") => `/api/kits/${id}/kit.${kind}`;

export interface ShelfPaper {
  paper: Paper;
  kit: string;
  tiles: Tiles | undefined;
}

/** Where a sheet is put while the box is gone through, in the order in which one looks later. */
export const PILES = [
  "likely",
  "not sorted",
  "another story",
  "not this time",
] as const satisfies readonly Paper["pile"][];

export const byPile = (papers: ShelfPaper[]): ShelfPaper[] =>
  PILES.flatMap((pile) => papers.filter((one) => one.paper.pile === pile));

/** Every paper there is, in the order of the kits. */
export function useShelf(): ShelfPaper[] {
  const { data } = useQuery(kitsQuery);
  return useMemo(
    () =>
      (data ?? []).flatMap((kit) =>
        kit.kit.papers.map((paper) => ({ paper, kit: kit.kit.name, tiles: kit.tiles[paper.id] })),
      ),
    [data],
  );
}
