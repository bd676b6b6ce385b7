/** The kit club: what it offers, kits taken in from it, corrections of them. */
import { queryOptions } from "@tanstack/react-query";
import { client, type Schemas, take } from "./client";

export type ClubOut = Schemas["ClubOut"];
export type Correction = Schemas["CorrectionOut"];
export type ClubKitOut = Schemas["ClubKitOut"];

export const clubQuery = queryOptions({ queryKey: ["club"], queryFn: () => take(client.GET("/api/club")) });
export const offerQuery = (code: string) =>
  queryOptions({
    queryKey: ["club", code],
    queryFn: () => take(client.GET("/api/club/kits/{code}", { params: { path: { code } } })),
  });
export const takeKit = (code: string, items: string[]) =>
  take(client.POST("/api/club/take", { body: { code, items } }));
export const giveKitBack = (kit: string, sketches: string[]) =>
  take(client.POST("/api/club/give-back", { body: { kit, sketches } }));
export const correctKit = (code: string, items: string[]) =>
  take(client.POST("/api/club/correct", { body: { code, items } }));

export const galleryPicture = (page: string, photos: "hidden" | "shown") =>
  `/api/pages/${page}/gallery.png?photos=${photos}`;
