/** Questions about a recipe while it is changed; each answers what it would be, and keeps nothing. */
import { queryOptions } from "@tanstack/react-query";
import type { paths } from "../../generated/schema";
import { client, type Schemas, take } from "./client";
import type { Recipe } from "./pages";

export type Evaluated = Schemas["EvaluatedOut"];
export type Cost = Schemas["CostOut"];
type Asked<Path extends keyof paths> = paths[Path] extends {
  post: { requestBody: { content: { "application/json": infer Body } } };
}
  ? Body
  : never;
/** What the server fills in where it is not said may be left out. */
export type Arrange = Pick<Asked<"/api/arrange">, "page" | "parts" | "act"> & Partial<Asked<"/api/arrange">>;

/** A recipe worked out; the last one stays on the screen until the next is there. */
export const evaluatedQuery = (id: string, page: Recipe) =>
  queryOptions({
    queryKey: ["evaluated", id, page],
    queryFn: async () => ({ ...(await take(client.POST("/api/evaluate", { body: { page, id } }))), of: page }),
    placeholderData: (last) => last,
    gcTime: 20_000,
  });
export const costQuery = (id: string, page: Recipe) =>
  queryOptions({
    queryKey: ["cost", id, page],
    queryFn: () => take(client.POST("/api/cost", { body: { page, id } })),
    placeholderData: (last) => last,
    gcTime: 20_000,
  });
export const pieceHelpsQuery = (id: string, page: Recipe, piece: string) =>
  queryOptions({
    queryKey: ["helps", id, page, piece],
    queryFn: () => take(client.POST("/api/helps", { body: { id, page, piece } })),
    gcTime: 20_000,
  });
export const piecingQuery = (id: string, page: Recipe) =>
  queryOptions({
    queryKey: ["piecing", id, page],
    queryFn: () => take(client.POST("/api/piecing", { body: { id, page } })),
    gcTime: 20_000,
  });

export const addParts = (body: Asked<"/api/add">) => take(client.POST("/api/add", { body }));
export const movePart = (body: Asked<"/api/move">) => take(client.POST("/api/move", { body }));
export const pullHandle = (body: Asked<"/api/pull">) => take(client.POST("/api/pull", { body }));
export const arrange = (body: Arrange) =>
  take(client.POST("/api/arrange", { body: body as Asked<"/api/arrange"> }));
export const paste = (body: Asked<"/api/paste">) => take(client.POST("/api/paste", { body }));
export const putOn = (body: Asked<"/api/put-on">) => take(client.POST("/api/put-on", { body }));
export const recount = (body: Asked<"/api/recount">) => take(client.POST("/api/recount", { body }));
export const between = (body: Asked<"/api/between">) => take(client.POST("/api/between", { body }));
export const audition = (body: Asked<"/api/audition">) => take(client.POST("/api/audition", { body }));
export const reformat = (body: Asked<"/api/reformat">) => take(client.POST("/api/reformat", { body }));
export const gut = (body: Asked<"/api/gut">) => take(client.POST("/api/gut", { body }));
export const fill = (body: Asked<"/api/fill">) => take(client.POST("/api/fill", { body }));
export const matChoices = (body: Asked<"/api/mats/choices">) => take(client.POST("/api/mats/choices", { body }));
