/** Pages that travel with all that belongs to them, and backups. */
import { queryOptions } from "@tanstack/react-query";
import { client, type Schemas, sendFile, take } from "./client";

export type TakenIn = Schemas["TakenIn"];

/** A parcel of these pages, or of everything. */
export const parcelOf = (...pages: string[]) =>
  `/api/parcels${pages.length ? `?${pages.map((id) => `page=${id}`).join("&")}` : ""}`;
export const takeParcelIn = (file: File) => sendFile<TakenIn>("/api/parcels", file);
export const BACKUP = "/api/backup.zip";
export const backupQuery = queryOptions({
  queryKey: ["backup"],
  queryFn: () => take(client.GET("/api/backup")),
});

/** What came, in a sentence or two. */
export function told({ pages, here, matched, brought, photos, missing }: TakenIn): string {
  const count = (n: number, what: string) => `${n} ${what}${n === 1 ? "" : "s"}`;
  const words = [`${count(pages.length - here, "page")} came in`];
  if (here) words.push(`${here} ${here === 1 ? "was" : "were"} here already`);
  if (photos) words.push(count(photos, "new photo"));
  if (matched) words.push(`${count(matched, "paper")} you have`);
  if (brought.length)
    words.push(`brought along: ${brought.slice(0, 4).join(", ")}${brought.length > 4 ? " …" : ""}`);
  return [`${words.join("; ")}.`, ...missing].join(" ");
}
