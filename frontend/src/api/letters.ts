/** What is left of the alphabets on the shelf. */
import { queryOptions } from "@tanstack/react-query";
import { client, type Schemas, take } from "./client";

export type Alphabet = Schemas["Alphabet"];
export type Letters = Schemas["LettersOut"];

/** As a page finds them: what it takes itself is not off; without a page what all of them leave. */
export const lettersQuery = (page?: string) =>
  queryOptions({
    queryKey: ["letters", page ?? null],
    queryFn: () => take(client.GET("/api/letters", { params: { query: page ? { page } : {} } })),
  });

/** One pack more of an alphabet is on the shelf. */
export const addPack = (alphabet: string) =>
  take(client.POST("/api/alphabets/{id}/pack", { params: { path: { id: alphabet } } }));
