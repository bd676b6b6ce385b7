/** The roll: photos, what prints show of them, templates that are made of them. */
import { queryOptions, useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { client, type Schemas, sendFile, take } from "./client";
import type { Source } from "./desk";
import { at, historyOf } from "./history";
import { photoAt, pictureWith } from "./pictures";

export type PhotoRecord = Schemas["PhotoRecord"];
export type PhotoOut = Schemas["PhotoOut"];
export type PhotoCame = Schemas["PhotoCame"];
export type TemplateOut = Schemas["TemplateOut"];
export type Template = Schemas["Template"];
type Print = Schemas["Print"];

export const photosQuery = queryOptions({ queryKey: ["photos"], queryFn: () => take(client.GET("/api/photos")) });
/** The roll's beginning: there at once on every bench, where a roll of thousands would be too much to carry. */
export const firstPhotosQuery = queryOptions({
  queryKey: ["photos", "first"],
  queryFn: () => take(client.GET("/api/photos", { params: { query: { most: 24 } } })),
});
export const printSizesQuery = queryOptions({
  queryKey: ["print sizes"],
  queryFn: () => take(client.GET("/api/print-sizes")),
  staleTime: Number.POSITIVE_INFINITY,
});
export const templatesQuery = queryOptions({
  queryKey: ["templates"],
  queryFn: () => take(client.GET("/api/templates")),
});
/** What a print of its own size and frame shows of its photo. */
export const cropQuery = (print: Print) =>
  queryOptions({
    queryKey: ["crop", print],
    queryFn: () => take(client.POST("/api/crop", { body: { print } })),
    placeholderData: (last) => last,
    gcTime: 20_000,
    enabled: Boolean(print.photo),
  });
/** Prints of a photo that serve a place. */
export const sizesQuery = (id: string, spot: Schemas["SpotIn"]) =>
  queryOptions({
    queryKey: ["sizes", id, spot],
    queryFn: () => take(client.POST("/api/photos/{id}/sizes", { ...at(id), body: spot })),
  });

export function photoSource(id: string): Source<PhotoRecord, PhotoOut> {
  return {
    body: (answer) => answer.photo,
    load: async () => {
      const found = (await take(client.GET("/api/photos"))).find((photo) => photo.saved.id === id);
      if (!found) throw new Error("this photo was put away");
      return found;
    },
    put: (version, what, photo, series) =>
      take(client.PUT("/api/photos/{id}", { ...at(id), body: { version, what, series, photo } })),
    ...historyOf("photo", id),
  };
}

export function templateSource(id: string): Source<Template, TemplateOut> {
  return {
    body: (answer) => answer.template,
    load: async () => {
      const found = (await take(client.GET("/api/templates"))).find((one) => one.saved.id === id);
      if (!found) throw new Error("this template was put away");
      return found;
    },
    put: (version, what, template, series) =>
      take(client.PUT("/api/templates/{id}", { ...at(id), body: { version, what, series, template } })),
    ...historyOf("template", id),
  };
}

export const addPhoto = (file: File) => sendFile<PhotoCame>("/api/photos", file);
export const addTemplate = (template: Template) =>
  take(client.POST("/api/templates", { body: { template, version: 0, what: "began" } }));
/** The size in which a shape is regular. */
export const fitShape = (body: { shape: Print["shape"]; width: string; height: string }) =>
  take(client.POST("/api/shapes/fit", { body }));

const NO_PHOTOS: PhotoOut[] = [];

export function usePhotos(): PhotoOut[] {
  return useQuery(photosQuery).data ?? NO_PHOTOS;
}

/** A picture to choose: a photo, or a template made of many. */
export interface Picture {
  id: string;
  name: string;
  thumb: string;
}

const NONE: TemplateOut[] = [];

/** What a print can show: photos, then templates. */
export function usePictures(): Picture[] {
  const photos = usePhotos();
  const templates = useQuery(templatesQuery).data ?? NONE;
  return useMemo(
    () => [
      ...photos.map((p) => ({ id: p.saved.id, name: p.photo.name, thumb: photoAt(p, "thumb") })),
      ...templates.map((t) => ({
        id: t.saved.id,
        name: t.template.name,
        thumb: pictureWith(t.saved.id, "thumb", t.query),
      })),
    ],
    [photos, templates],
  );
}
