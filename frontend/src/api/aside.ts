/** Documents that cannot be read, set aside so that the rest works. */
import { queryOptions } from "@tanstack/react-query";
import { client, type Schemas, take } from "./client";

export type Aside = Schemas["AsideOut"];

export const asideQuery = queryOptions({
  queryKey: ["aside"],
  queryFn: () => take(client.GET("/api/aside")),
  staleTime: 60_000,
});

export async function bringAsideBack({ kind, id }: Aside): Promise<void> {
  await take(client.POST("/api/aside/{kind}/{id}/back", { params: { path: { kind, id } } }));
}
