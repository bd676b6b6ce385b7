/** Desks for the documents there are, and the lists they stand in: one factory a resource. */
import { queryOptions, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useSyncExternalStore } from "react";
import { client, type Schemas, take } from "./client";
import { Desk, type DeskState, type Saved, type Source } from "./desk";

export type Kit = Schemas["Kit"];
export type Paper = Schemas["Paper"];
export type Side = Schemas["Side"];
export type Thing = Schemas["Thing"];
export type KitOut = Schemas["KitOut"];
export type PhotoRecord = Schemas["PhotoRecord"];
export type PhotoOut = Schemas["PhotoOut"];
export type Recipe = Schemas["Recipe"];
export type PageOut = Schemas["PageOut"];
/** One step of a cut list; what it says stands in the directions. */
export type CutStep = Schemas["CutSheet"]["steps"][number];
export type CuttingOut = Schemas["CuttingOut"];
export type Settings = Schemas["Settings"];
export type Evaluated = Schemas["EvaluatedOut"];
export type Cost = Schemas["CostOut"];
export type TemplateOut = Schemas["TemplateOut"];
export type Template = Schemas["Template"];
export type PrintListOut = Schemas["PrintListOut"];
export type PrintList = Schemas["PrintList"];

export const kitsQuery = queryOptions({ queryKey: ["kits"], queryFn: () => take(client.GET("/api/kits")) });
export const photosQuery = queryOptions({ queryKey: ["photos"], queryFn: () => take(client.GET("/api/photos")) });
export const pagesQuery = queryOptions({ queryKey: ["pages"], queryFn: () => take(client.GET("/api/pages")) });
export const settingsQuery = queryOptions({
  queryKey: ["settings"],
  queryFn: () => take(client.GET("/api/settings")),
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
export const printListQuery = queryOptions({
  queryKey: ["prints"],
  queryFn: () => take(client.GET("/api/prints")),
});
/** A print list laid on sheets; the last one stays on the screen until the next is there. */
export const printPlanQuery = (prints: PrintList) =>
  queryOptions({
    queryKey: ["print plan", prints],
    queryFn: () => take(client.POST("/api/prints/plan", { body: { prints } })),
    placeholderData: (last) => last,
    gcTime: 20_000,
  });
export const printerQuery = queryOptions({
  queryKey: ["printer"],
  queryFn: () => take(client.GET("/api/printer")),
  refetchInterval: 700,
});
/** What a print of its own size and frame shows of its photo. */
export const cropQuery = (print: Schemas["Print"]) =>
  queryOptions({
    queryKey: ["crop", print],
    queryFn: () => take(client.POST("/api/crop", { body: { print } })),
    placeholderData: (last) => last,
    gcTime: 20_000,
    enabled: Boolean(print.photo),
  });
export const awayQuery = queryOptions({ queryKey: ["away"], queryFn: () => take(client.GET("/api/away")) });
export const pageQuery = (id: string) =>
  queryOptions({
    queryKey: ["page", id],
    queryFn: () => take(client.GET("/api/pages/{id}", { params: { path: { id } } })),
  });
export const bookQuery = queryOptions({ queryKey: ["book"], queryFn: () => take(client.GET("/api/book")) });
export const togetherQuery = queryOptions({
  queryKey: ["together"],
  queryFn: () => take(client.GET("/api/together")),
});
/** What would help a piece of the pages planned together that there is no sheet for. */
export const helpsQuery = (piece: string, standing: unknown) =>
  queryOptions({
    queryKey: ["helps", piece, standing],
    queryFn: () => take(client.POST("/api/helps", { body: { piece } })),
  });
export const cuttingQuery = (id: string) =>
  queryOptions({
    queryKey: ["cutting", id],
    queryFn: () => take(client.GET("/api/pages/{id}/cutting", { params: { path: { id } } })),
  });
/** A recipe worked out; the last one stays on the screen until the next is there. */
export const evaluatedQuery = (id: string, page: Recipe) =>
  queryOptions({
    queryKey: ["evaluated", id, page],
    queryFn: async () => ({ ...(await take(client.POST("/api/evaluate", { body: { page, id } }))), of: page }),
    placeholderData: (last) => last,
    gcTime: 20_000,
  });
export const costQuery = (id: string, page: Recipe) =>
  queryOptions({
    queryKey: ["cost", id, page],
    queryFn: () => take(client.POST("/api/cost", { body: { page, id } })),
    placeholderData: (last) => last,
    gcTime: 20_000,
  });
export const patternsQuery = (colours: string[]) =>
  queryOptions({
    queryKey: ["patterns", colours],
    queryFn: () => take(client.POST("/api/patterns", { body: { colours } })),
    placeholderData: (last) => last,
    staleTime: Number.POSITIVE_INFINITY,
  });

const at = (id: string) => ({ params: { path: { id } } });

export function kitSource(id: string): Source<Kit, KitOut> {
  return {
    body: (answer) => answer.kit,
    load: async () => {
      const found = (await take(client.GET("/api/kits"))).find((kit) => kit.saved.id === id);
      if (!found) throw new Error("this kit was put away");
      return found;
    },
    put: (version, what, kit, series) =>
      take(client.PUT("/api/kits/{id}", { ...at(id), body: { version, what, series, kit } })),
    undo: (version) => take(client.POST("/api/kits/{id}/undo", { ...at(id), body: { version } })),
    redo: (version) => take(client.POST("/api/kits/{id}/redo", { ...at(id), body: { version } })),
  };
}

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
    undo: (version) => take(client.POST("/api/photos/{id}/undo", { ...at(id), body: { version } })),
    redo: (version) => take(client.POST("/api/photos/{id}/redo", { ...at(id), body: { version } })),
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
    undo: (version) => take(client.POST("/api/templates/{id}/undo", { ...at(id), body: { version } })),
    redo: (version) => take(client.POST("/api/templates/{id}/redo", { ...at(id), body: { version } })),
  };
}

/** There is one print list. */
export function printListSource(): Source<PrintList, PrintListOut> {
  return {
    body: (answer) => answer.prints,
    load: () => take(client.GET("/api/prints")),
    put: (version, what, prints, series) =>
      take(client.PUT("/api/prints", { body: { version, what, series, prints } })),
    undo: (version) => take(client.POST("/api/prints/undo", { body: { version } })),
    redo: (version) => take(client.POST("/api/prints/redo", { body: { version } })),
  };
}

export function pageSource(id: string): Source<Recipe, PageOut> {
  return {
    body: (answer) => answer.page,
    load: () => take(client.GET("/api/pages/{id}", at(id))),
    put: (version, what, page, series) =>
      take(client.PUT("/api/pages/{id}", { ...at(id), body: { version, what, series, page } })),
    undo: (version) => take(client.POST("/api/pages/{id}/undo", { ...at(id), body: { version } })),
    redo: (version) => take(client.POST("/api/pages/{id}/redo", { ...at(id), body: { version } })),
  };
}

/** What is worked out from a document and must be asked for again once it has changed. */
const FOLLOWS = {
  kit: ["kits", "evaluated", "cost", "cutting", "book", "together"],
  photo: ["photos", "evaluated", "cutting", "templates", "crop", "print plan"],
  template: ["templates", "evaluated", "print plan"],
  prints: ["prints"],
  page: ["pages", "photos", "cutting", "book", "together"],
} as const;

/** A desk over a document that was loaded, made anew when another document takes its place. */
export function useDesk<Body, Answer extends { saved: Saved }>(
  kind: "kit" | "photo" | "page" | "template" | "prints",
  answer: Answer,
  source: (id: string) => Source<Body, Answer>,
): [Desk<Body, Answer>, DeskState<Body, Answer>] {
  const queries = useQueryClient();
  const id = answer.saved.id;
  /** What was saved is what the lists show from now on, also where a bench is left and entered again at once. */
  function onSaved(saved: Answer): void {
    queries.setQueryData([kind, id], saved);
    if (kind === "prints") queries.setQueryData([kind], saved);
    else
      queries.setQueryData<Answer[]>([`${kind}s`], (all) => all?.map((one) => (one.saved.id === id ? saved : one)));
    for (const follows of FOLLOWS[kind])
      if (follows !== kind) void queries.invalidateQueries({ queryKey: [follows] });
  }

  // biome-ignore lint/correctness/useExhaustiveDependencies: a newer answer of the same document goes to refresh
  const desk = useMemo(() => new Desk(`${kind} ${id}`, source(id), answer, onSaved), [kind, id]);
  const state = useSyncExternalStore(desk.subscribe, desk.getState);
  useEffect(() => desk.refresh(answer), [desk, answer]);
  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (desk.unsaved && desk.getState().saving === "waiting") event.preventDefault();
    };
    window.addEventListener("beforeunload", warn);
    return () => window.removeEventListener("beforeunload", warn);
  }, [desk]);
  return [desk, state];
}

export interface ShelfPaper {
  paper: Paper;
  kit: string;
  tiles: Schemas["Tiles"] | undefined;
}

/** Every paper there is, in the order of the kits. */
export function useShelf(): ShelfPaper[] {
  const { data } = useQuery(kitsQuery);
  return useMemo(
    () =>
      (data ?? []).flatMap((kit) =>
        kit.kit.papers.map((paper) => ({ paper, kit: kit.kit.name, tiles: kit.tiles[paper.id] })),
      ),
    [data],
  );
}

export function usePhotos(): PhotoOut[] {
  return useQuery(photosQuery).data ?? [];
}

/** What a print can show: photos and templates, by id and name. */
export function usePictures(): { id: string; name: string }[] {
  const photos = usePhotos();
  const templates = useQuery(templatesQuery).data ?? [];
  return [
    ...photos.map((p) => ({ id: p.saved.id, name: p.photo.name })),
    ...templates.map((t) => ({ id: t.saved.id, name: t.template.name })),
  ];
}

/** Whether what is usual is given in inches, or in millimetres, for those who measure in centimetres too. */
export function useUnit(): "in" | "mm" {
  const unit = useQuery(settingsQuery).data?.settings.unit ?? "in";
  return unit === "in" ? "in" : "mm";
}
