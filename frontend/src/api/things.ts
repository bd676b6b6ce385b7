/** Things of the shelf: how they look, what is left, what is done with them on a page. */
import { queryOptions, useQuery } from "@tanstack/react-query";
import { client, type Schemas, take } from "./client";
import type { Recipe } from "./pages";

export type ThingOut = Schemas["ThingOut"];
export type ThingSeen = Schemas["ThingSeen"];

/** Every thing there is; what a page takes itself is not off, without a page what all of them leave. */
export const thingsQuery = (page?: string) =>
  queryOptions({
    queryKey: ["things", page ?? null],
    queryFn: () => take(client.GET("/api/things", { params: { query: page ? { page } : {} } })),
  });

const NONE: ThingOut[] = [];

export function useThings(page?: string): ThingOut[] {
  return useQuery(thingsQuery(page)).data ?? NONE;
}

/** One of a thing cut in two, in its middle where it is not said at which length. */
export const cutThing = (thing: string, upright: boolean, at: string | null) =>
  take(client.POST("/api/things/cut", { body: { thing, upright, at } }));
export const findThings = (body: Schemas["SheetAsked"]) => take(client.POST("/api/things/find", { body }));
export const correctThings = (what: "join" | "split", things: ThingSeen[]) =>
  take(client.POST("/api/things/correct", { body: { what, things } }));
export const findMotifs = (paper: Schemas["Paper"], side: "A" | "B") =>
  take(client.POST("/api/things/motifs", { body: { paper, side } }));
export const takeThings = (body: Schemas["ThingsTaken"]) => take(client.POST("/api/things/take", { body }));

export const proposeClusters = (page: Recipe, id: string, count: 3 | 5, seed: number, styles: boolean) =>
  take(client.POST("/api/clusters/propose", { body: { page, id, count, seed, styles } }));
export const joinCluster = (page: Recipe, id: string, parts: string[]) =>
  take(client.POST("/api/clusters/join", { body: { page, id, parts } }));
export const takeApart = (page: Recipe, id: string, part: string) =>
  take(client.POST("/api/clusters/apart", { body: { page, id, part } }));
export const mirrorCluster = (part: Schemas["ClusterPart"]) =>
  take(client.POST("/api/clusters/mirror", { body: part }));
export const onEveryPhoto = (page: Recipe, id: string, part: string) =>
  take(client.POST("/api/things/on-photos", { body: { page, id, part } }));
export const answersQuery = (page: Recipe, id: string) =>
  queryOptions({
    queryKey: ["answers", id, page],
    queryFn: () => take(client.POST("/api/things/answers", { body: { page, id } })),
    gcTime: 20_000,
  });
export const triesQuery = (page: Recipe, id: string | undefined, part: string) =>
  queryOptions({
    queryKey: ["tries", id, part, page],
    queryFn: () => take(client.POST("/api/things/tries", { body: { page, id, part } })),
    placeholderData: (last) => last,
    gcTime: 20_000,
  });
export type Spot = Schemas["Blemish"];
export const measureSpot = (asked: Schemas["SpotDrawn"]) => take(client.POST("/api/things/spot", { body: asked }));
export const coversQuery = (page: Recipe, id: string, spot: Spot | undefined) =>
  queryOptions({
    queryKey: ["covers", id, page, spot],
    enabled: spot !== undefined,
    queryFn: () => take(client.POST("/api/things/covers", { body: { page, id, spot: spot as Spot } })),
    gcTime: 20_000,
  });
export const findRoom = (page: Recipe, id: string, one: string, other: string, width: string, height: string) =>
  take(client.POST("/api/things/room", { body: { page, id, one, other, width, height } }));
export const marksFile = (page: string, part: string) => `/api/pages/${page}/scatter/${part}.pdf`;
