/** What every kind of document has alike: where it is, a step back or forward, out of sight and back. */
import { client, type Schemas, take } from "./client";

export const at = (id: string) => ({ params: { path: { id } } });

export type Kind = "kit" | "photo" | "page" | "template" | "variant";

type Step = "undo" | "redo" | "away" | "back";

// biome-ignore lint/suspicious/noExplicitAny: the answer is the kind's own, which its source says
async function ask(kind: Kind, id: string, step: Step, version: number): Promise<any> {
  return await take(client.POST(`/api/${kind}s/{id}/${step}`, { ...at(id), body: { version } }));
}

export const historyOf = (kind: Kind, id: string) => ({
  undo: (version: number) => ask(kind, id, "undo", version),
  redo: (version: number) => ask(kind, id, "redo", version),
});

/** How it stands then. */
export const putAway = async (kind: Kind, id: string, version: number): Promise<Schemas["Saved"]> =>
  (await ask(kind, id, "away", version)).saved;
export const bringBack = async (kind: Kind, id: string, version: number): Promise<Schemas["Saved"]> =>
  (await ask(kind, id, "back", version)).saved;
