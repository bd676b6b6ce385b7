/** Addresses of pictures. What is at one never changes: another look is another address. */
import type { PhotoOut } from "./photos";

export function pictureAt(id: string, copy: "view" | "thumb", look = ""): string {
  return `/api/pictures/${id}/${copy}${look ? `?look=${look}` : ""}`;
}

/** With what the server says is to be added: a look, an edition. */
export const pictureWith = (id: string, copy: "view" | "thumb", query: string) =>
  `/api/pictures/${id}/${copy}${query}`;

export function photoAt(photo: PhotoOut, copy: "view" | "thumb"): string {
  return pictureAt(photo.saved.id, copy, photo.look);
}
