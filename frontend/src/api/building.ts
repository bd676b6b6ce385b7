/** The building of a page: its steps, what is done, what dries; time spent at benches; finished pages. */
import { queryOptions } from "@tanstack/react-query";
import { client, type Schemas, sendFile, take } from "./client";
import { at } from "./history";

export type BuildingOut = Schemas["BuildingOut"];
export type BuildStep = Schemas["Step"];
export type Finished = Schemas["Finished"];
export type LogOut = Schemas["LogOut"];
export type Bench = Schemas["Spent"]["bench"];

export const buildingQuery = (id: string) =>
  queryOptions({
    queryKey: ["building", id],
    queryFn: () => take(client.GET("/api/pages/{id}/building", at(id))),
  });

export const tickStep = (id: string, step: string, on: boolean, seconds: number) =>
  take(client.POST("/api/pages/{id}/building/tick", { ...at(id), body: { step, on, seconds } }));
export const sayDry = (id: string, step: string) =>
  take(client.POST("/api/pages/{id}/building/dry", { ...at(id), body: { step } }));
export const wentWrong = (id: string, body: Schemas["Wrong"]) =>
  take(client.POST("/api/pages/{id}/building/wrong", { ...at(id), body }));
export const undoBuilding = (id: string, version: number) =>
  take(client.POST("/api/pages/{id}/building/undo", { ...at(id), body: { version } }));
export const redoBuilding = (id: string, version: number) =>
  take(client.POST("/api/pages/{id}/building/redo", { ...at(id), body: { version } }));
export const orderPdf = (id: string, paper: "letter" | "a4") => `/api/pages/${id}/order.pdf?paper=${paper}`;
export const placesPdf = (id: string, paper: "letter" | "a4") => `/api/pages/${id}/places.pdf?paper=${paper}`;

export const spendTime = (id: string, bench: Bench, seconds: number) =>
  take(client.POST("/api/pages/{id}/time", { ...at(id), body: { bench, seconds } }));

export const logQuery = queryOptions({ queryKey: ["log"], queryFn: () => take(client.GET("/api/log")) });
export const finishedQuery = (id: string) =>
  queryOptions({
    queryKey: ["finished", id],
    queryFn: () => take(client.GET("/api/pages/{id}/finished", at(id))),
  });
export const finishPage = (id: string, body: Finished) =>
  take(client.PUT("/api/pages/{id}/finished", { ...at(id), body: body as never }));
export const unfinishPage = (id: string) => take(client.DELETE("/api/pages/{id}/finished", at(id)));
export const orderAlbum = (pages: string[]) => take(client.PUT("/api/log/order", { body: { pages } }));
export const addPagePicture = (file: File) => sendFile<Schemas["PictureOut"]>("/api/pictures", file);
export const LOG_CSV = "/api/log.csv";
export const LOG_HTML = "/api/log.html";
