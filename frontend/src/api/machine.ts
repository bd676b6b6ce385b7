/** The cutting machine: how it stands, what of a page it may cut, sheets on their way to it. */
import { queryOptions } from "@tanstack/react-query";
import { client, type Schemas, take } from "./client";

export type MachineOut = Schemas["MachineOut"];
export type Bed = Schemas["BedOut"];
export type MachineJob = Schemas["JobOut"];
type Act = "pause" | "resume" | "cancel";
type Hand = "straighten" | "blade" | "empty";

const LOOKED_AT = 700;
/** Milliseconds from one look at a machine that is at work to the next. */
const IDLE = 5_000;

export const machineQuery = (id: string) =>
  queryOptions({
    queryKey: ["machine", id],
    queryFn: () => take(client.GET("/api/pages/{id}/machine", { params: { path: { id } } })),
    refetchInterval: ({ state }) => (state.data?.jobs.some(isUnderWay) ? LOOKED_AT : IDLE),
  });

export const isUnderWay = (job: MachineJob) => !["done", "cancelled", "unknown"].includes(job.state);

export const machine = {
  send: (id: string, key: string) =>
    take(client.POST("/api/pages/{id}/machine/send", { params: { path: { id } }, body: { key } })),
  tell: (id: string, job: string, act: Act) =>
    take(client.POST("/api/pages/{id}/machine/{job}/{act}", { params: { path: { id, job, act } } })),
  hand: (id: string, what: Hand) =>
    take(client.POST("/api/pages/{id}/machine-hands/{what}", { params: { path: { id, what } } })),
  taken: (id: string, job: string, spoiled: number[], version: number) =>
    take(
      client.POST("/api/pages/{id}/machine/taken", { params: { path: { id } }, body: { job, spoiled, version } }),
    ),
  callBack: (id: string, job: string) =>
    take(client.DELETE("/api/pages/{id}/machine/{job}", { params: { path: { id, job } } })),
};

export const nestedFile = (id: string, kind: "svg" | "dxf", mirrored: boolean) =>
  `/api/pages/${id}/nested.${kind}?mirrored=${mirrored}`;
/** `now` is how the job stands: another one, another picture. */
export const trayPicture = (job: string, now: string) =>
  `/api/machine/jobs/${job}/tray.svg?${encodeURIComponent(now)}`;
