/** The door: where others can reach the household they sign in first. */
import { queryOptions } from "@tanstack/react-query";
import { client, take } from "./client";

export const doorQuery = queryOptions({
  queryKey: ["door"],
  queryFn: () => take(client.GET("/api/door")),
  staleTime: Number.POSITIVE_INFINITY,
});

export async function signIn(passphrase: string): Promise<void> {
  await take(client.POST("/api/door/in", { body: { passphrase } }));
}

export async function signOut(): Promise<void> {
  await take(client.POST("/api/door/out"));
}
