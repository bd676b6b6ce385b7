/** Addresses of pictures. What is at one never changes: another look is another address. */
import type { PhotoOut } from "./documents";

export function pictureAt(id: string, copy: "view" | "thumb", look = ""): string {
  return `/api/pictures/${id}/${copy}${look ? `?look=${look}` : ""}`;
}

export function photoAt(photo: PhotoOut, copy: "view" | "thumb"): string {
  return pictureAt(photo.saved.id, copy, photo.look);
}
