/** Lengths as the person reads them. All reading and rounding is done by the server; this batches and caches it. */
import { useQuery } from "@tanstack/react-query";
import { client, type Schemas, take } from "./client";
import { type PageUnit, useUnitHere } from "./rulesHere";
import { settingsQuery } from "./settings";

export type LengthRead = Schemas["LengthRead"];
export type Range = Schemas["LengthText"]["range"];

interface Waiting {
  text: string;
  unit: PageUnit | null;
  resolve: (read: LengthRead) => void;
  reject: (error: unknown) => void;
}
let waiting: Waiting[] = [];

function flush(): void {
  const batch = waiting;
  waiting = [];
  for (const unit of new Set(batch.map((w) => w.unit))) {
    const alike = batch.filter((w) => w.unit === unit);
    take(client.POST("/api/lengths/show", { body: { lengths: alike.map((w) => w.text), unit } })).then(
      (reads) => alike.forEach((w, k) => void w.resolve(reads[k] as LengthRead)),
      (error: unknown) => alike.forEach((w) => void w.reject(error)),
    );
  }
}

function show(text: string, unit: PageUnit | null): Promise<LengthRead> {
  return new Promise((resolve, reject) => {
    if (!waiting.length) setTimeout(flush);
    waiting.push({ text, unit, resolve, reject });
  });
}

/** A length in the person's unit, undefined until it is known. */
export function useShown(text: string | null | undefined): LengthRead | undefined {
  const { data: settings } = useQuery(settingsQuery);
  const unit = useUnitHere();
  const way = settings ? `${settings.settings.unit} ${settings.settings.mark}` : "";
  const { data } = useQuery({
    queryKey: ["shown", way, unit, text],
    queryFn: () => show(text as string, unit),
    enabled: Boolean(text) && way !== "",
    staleTime: Number.POSITIVE_INFINITY,
  });
  return data;
}

/** Reads what was typed. Throws `Refused` with the reason, `Unreachable` where nothing answers. */
export function readLength(text: string, range: Range, unit: PageUnit | null, marks = 0): Promise<LengthRead> {
  return take(client.POST("/api/lengths/read", { body: { text, range, unit, marks } }));
}
