/** First drafts of pages, and the sketches that they are made from. */
import { queryOptions } from "@tanstack/react-query";
import { client, type Schemas, sendFile, take } from "./client";
import { at } from "./history";
import type { Recipe } from "./pages";

export type Draft = Schemas["DraftOut"];
export type DraftAsked = Schemas["DraftAsked"];
export type Sketch = Schemas["Sketch"];
export type SketchOut = Schemas["SketchOut"];
export type SketchPlace = Schemas["SketchPlace"];
export type Month = Schemas["MonthOut"];

export const askDrafts = (body: DraftAsked, signal?: AbortSignal) =>
  take(client.POST("/api/drafts", { body, signal }));
export const askMonth = (body: Schemas["MonthAsked"]) => take(client.POST("/api/drafts/month", { body }));

export const designsQuery = (format: Recipe["format"]) =>
  queryOptions({
    queryKey: ["designs", format],
    queryFn: () => take(client.POST("/api/designs", { body: { format } })),
    staleTime: Number.POSITIVE_INFINITY,
  });
export const sketchesQuery = queryOptions({
  queryKey: ["sketches"],
  queryFn: () => take(client.GET("/api/sketches")),
});
export const keepSketch = (sketch: Sketch) =>
  take(client.POST("/api/sketches", { body: { what: "kept a sketch", version: 0, sketch } }));
export const putSketchAway = ({ saved }: SketchOut) =>
  take(client.POST("/api/sketches/{id}/away", { ...at(saved.id), body: { version: saved.version } }));
export const turnSketch = (sketch: Sketch, how: Schemas["TurnAsked"]["how"]) =>
  take(client.POST("/api/sketches/turn", { body: { sketch, how } }));
export const sketchOfPage = (page: Recipe, id: string) =>
  take(client.POST("/api/sketches/from-page", { body: { page, id } }));
export const placeInSketch = (body: Schemas["PlaceAsked"]) => take(client.POST("/api/sketches/place", { body }));
export const readSketch = (file: File) => sendFile<SketchOut>("/api/sketches/read-json", file);
export const sketchFile = (id: string) => `/api/sketches/${id}/sketch.json`;
