/** Pages, their variants, several planned together, the book; files of them. */
import { queryOptions } from "@tanstack/react-query";
import { client, type Schemas, sendFile, take } from "./client";
import type { Source } from "./desk";
import { at, historyOf } from "./history";

export type Recipe = Schemas["Recipe"];
export type PageOut = Schemas["PageOut"];

export const pagesQuery = queryOptions({ queryKey: ["pages"], queryFn: () => take(client.GET("/api/pages")) });
export const pageQuery = (id: string) =>
  queryOptions({ queryKey: ["page", id], queryFn: () => take(client.GET("/api/pages/{id}", at(id))) });
export const variantsQuery = (id: string) =>
  queryOptions({
    queryKey: ["variants", id],
    queryFn: () => take(client.GET("/api/pages/{id}/variants", at(id))),
  });
export const bookQuery = queryOptions({ queryKey: ["book"], queryFn: () => take(client.GET("/api/book")) });
export const togetherQuery = queryOptions({
  queryKey: ["together"],
  queryFn: () => take(client.GET("/api/together")),
});
/** What would help a piece of the pages planned together that there is no sheet for. */
export const helpsQuery = (piece: string, standing: unknown) =>
  queryOptions({
    queryKey: ["helps", piece, standing],
    queryFn: () => take(client.POST("/api/helps", { body: { piece } })),
  });

export function pageSource(id: string): Source<Recipe, PageOut> {
  return {
    body: (answer) => answer.page,
    load: () => take(client.GET("/api/pages/{id}", at(id))),
    put: (version, what, page, series) => putPage(id, version, what, page, series),
    ...historyOf("page", id),
  };
}

export const putPage = (id: string, version: number, what: string, page: Recipe, series?: string) =>
  take(client.PUT("/api/pages/{id}", { ...at(id), body: { version, what, series, page } }));
export const addPage = (page: Recipe) =>
  take(client.POST("/api/pages", { body: { what: "began the page", version: 0, page } }));
export const readPage = (file: File) => sendFile<PageOut>("/api/pages/read-json", file);
export const keepVariant = (id: string, name: string, recipe: Recipe) =>
  take(client.POST("/api/pages/{id}/variants", { ...at(id), body: { name, recipe } }));
export const putTogether = (body: { pages: string[]; version: number }) =>
  take(client.PUT("/api/together", { body }));

export const BOOK_CSV = "/api/book.csv";
export const pageFile = (id: string, kind: "png" | "svg" | "json" | "html") => `/api/pages/${id}/page.${kind}`;
export const pageAtPrintSize = (id: string) => `/api/pages/${id}/page.png?per_inch=300`;
/** A small picture of a page as it stands. */
export const pageThumb = ({ saved }: PageOut) => `/api/pages/${saved.id}/page.png?width=600&v=${saved.version}`;
