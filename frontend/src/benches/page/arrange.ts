/** What is asked of the server to arrange parts: the fields that an act does not need have what is usual. */
import type { paths } from "../../../generated/schema";

type Body = paths["/api/arrange"]["post"]["requestBody"]["content"]["application/json"];
type Needed = "page" | "parts" | "act";

const USUAL: Omit<Body, Needed> = {
  edge: "left",
  way: "across",
  on: "left",
  across: "0 in",
  down: "0 in",
  rows: 1,
  columns: 2,
  count: 6,
  radius: "2 in",
  trim: "1/4 in",
  name: "group",
};

export function arrangeBody(asked: Pick<Body, Needed> & Partial<Body>): Body {
  return { ...USUAL, ...asked };
}
