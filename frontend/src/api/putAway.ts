/** Puts a kit, a photo, a template or a page out of sight, and brings it back; its history stays. */
import { client, take } from "./client";
import type { Saved } from "./desk";

export type Kind = "kit" | "photo" | "page" | "template";

const at = (id: string, version: number) => ({ params: { path: { id } }, body: { version } });

export async function putAway(kind: Kind, id: string, version: number): Promise<Saved> {
  const what = at(id, version);
  if (kind === "kit") return (await take(client.POST("/api/kits/{id}/away", what))).saved;
  if (kind === "photo") return (await take(client.POST("/api/photos/{id}/away", what))).saved;
  if (kind === "template") return (await take(client.POST("/api/templates/{id}/away", what))).saved;
  return (await take(client.POST("/api/pages/{id}/away", what))).saved;
}

export async function bringBack(kind: Kind, id: string, version: number): Promise<void> {
  const what = at(id, version);
  if (kind === "kit") await take(client.POST("/api/kits/{id}/back", what));
  else if (kind === "photo") await take(client.POST("/api/photos/{id}/back", what));
  else if (kind === "template") await take(client.POST("/api/templates/{id}/back", what));
  else await take(client.POST("/api/pages/{id}/back", what));
}
