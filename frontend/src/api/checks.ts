/** A page looked at as a whole: what was found, remedies taken, pairs of little pages to learn by. */
import { queryOptions, useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { client, type Schemas, take } from "./client";
import type { Recipe } from "./pages";

export type Found = Schemas["FoundOut"];
export type Remedy = Schemas["Remedy"];
export type Checked = Schemas["CheckedOut"] & { of: Recipe };

const QUIET = 250;
/** Milliseconds without a change after which a page is looked at again. */

export const checkedQuery = (id: string, page: Recipe) =>
  queryOptions({
    queryKey: ["checked", id, page],
    queryFn: async () => ({ ...(await take(client.POST("/api/check", { body: { page, id } }))), of: page }),
    placeholderData: (last) => last,
    gcTime: 20_000,
  });

/** What is found on a page as it stands, once the hand rests. */
export function useChecked(id: string, page: Recipe): Checked | undefined {
  const [looked, setLooked] = useState(page);
  useEffect(() => {
    const wait = setTimeout(() => setLooked(page), QUIET);
    return () => clearTimeout(wait);
  }, [page]);
  return useQuery(checkedQuery(id, looked)).data;
}

/** What a page costs in paper more than it did. */
export const compareCosts = (id: string, before: Recipe, after: Recipe) =>
  take(client.POST("/api/check/costs", { body: { id, before, after } }));

/** The recipe with remedies taken. */
export const takeRemedies = (id: string, page: Recipe, remedies: readonly Remedy[]) =>
  take(
    client.POST("/api/check/remedies", {
      body: {
        id,
        page,
        remedies: remedies.map(({ says, part, edge, pages }) => ({ says, part, edge, pages })) as never,
      },
    }),
  );

/** What a remedy would cost in paper, before it is taken. */
export const remedyCostQuery = (id: string, page: Recipe, remedy: Remedy) =>
  queryOptions({
    queryKey: ["remedy cost", id, page, remedy],
    queryFn: async () => (await compareCosts(id, page, await takeRemedies(id, page, [remedy]))).says,
    gcTime: 20_000,
  });

export const pairsQuery = queryOptions({
  queryKey: ["pairs"],
  queryFn: () => take(client.GET("/api/checks")),
  staleTime: Number.POSITIVE_INFINITY,
});

export const rulesQuery = queryOptions({
  queryKey: ["rules"],
  queryFn: () => take(client.GET("/api/rules")),
  staleTime: Number.POSITIVE_INFINITY,
});
