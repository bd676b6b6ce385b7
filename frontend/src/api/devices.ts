/** Other devices: where they find this household, and what has changed since one looked. */
import { queryOptions } from "@tanstack/react-query";
import { client, take } from "./client";

export const devicesQuery = queryOptions({
  queryKey: ["devices"],
  queryFn: () => take(client.GET("/api/devices")),
});

/** For each kind of document a number that is another one once a document of it has changed. */
export const changes = async (): Promise<Record<string, number>> => (await take(client.GET("/api/changes"))).kinds;
