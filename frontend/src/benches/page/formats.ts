/** The formats of a page, as people choose them. */
import type { Schemas } from "../../api/client";
import type { Usual } from "../../api/usual";

export type PageFormat = Schemas["PageFormat"];
export type FormatKind = PageFormat["kind"];

/** A format as it is usual, of so many pages where that is said. */
export function formatOf({ formats }: Usual, kind: FormatKind, pages?: number): PageFormat {
  const found = formats.find(({ format }) => format.kind === kind)?.format;
  if (!found) throw new Error(`no format is called ${kind}`);
  return { ...found, pages: pages ?? found.pages };
}
