/** Faces, the sample that measures a hand, lines to rule by. */
import { queryOptions } from "@tanstack/react-query";
import { client, type Schemas, sendFile, take } from "./client";
import type { Recipe } from "./pages";

export type FaceName = Schemas["Alphabet"]["face"];

export const sampleQuery = queryOptions({
  queryKey: ["sample"],
  queryFn: () => take(client.GET("/api/sample")),
  staleTime: Number.POSITIVE_INFINITY,
});
export const linesQuery = (page: Recipe, part: string, id: string | undefined) =>
  queryOptions({
    queryKey: ["lines", id, page, part],
    queryFn: () => take(client.POST("/api/lines", { body: { page, part, id } })),
    placeholderData: (last) => last,
    gcTime: 20_000,
  });

export const facesQuery = queryOptions({
  queryKey: ["faces"],
  queryFn: () => take(client.GET("/api/faces")),
  staleTime: 60_000,
});
export const addFace = (file: File) => sendFile<Schemas["FaceOut"]>("/api/faces", file);
export const regionsQuery = (page: Recipe, part: string, id: string | undefined) =>
  queryOptions({
    queryKey: ["regions", id, page, part],
    queryFn: () => take(client.POST("/api/regions", { body: { page, part, id } })),
    placeholderData: (last) => last,
    gcTime: 20_000,
  });
export const printWords = (page: string, part: string) =>
  take(client.POST("/api/pages/{id}/words/{part}/print", { params: { path: { id: page, part } } }));
export const wordsFile = (page: string, part: string, what: "test" | "words" | "strip") =>
  `/api/pages/${page}/words/${part}.pdf?what=${what}`;

const loaded = new Set<FaceName>();

/** The family of a face, sent for when it is first seen. */
export function familyOf(face: FaceName): string {
  const family = `ulna ${face}`;
  if (!loaded.has(face)) {
    loaded.add(face);
    const font = new FontFace(family, `url(/api/faces/${face})`);
    document.fonts.add(font);
    font.load().catch(() => loaded.delete(face)); // until then, or without it, the words stand in the usual type
  }
  return family;
}
