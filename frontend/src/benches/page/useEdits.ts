/** What is done to a recipe: edits show at once; what the server works out is put into what is there when it answers. */
import { useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import type { Remedy } from "../../api/checks";
import type { Desk } from "../../api/desk";
import { addPack } from "../../api/letters";
import { merged } from "../../api/merge";
import type { PageOut, Recipe } from "../../api/pages";
import { arrange as askArrange, type Evaluated, gut as gutPiece, reformat } from "../../api/recipe";
import { FOLLOWS } from "../../api/useDesk";
import { useFrame } from "../../app/FrameContext";
import type { Part } from "../../parts/kinds";
import type { Arrange } from "./ArrangeMenu";
import type { PageFormat } from "./formats";

type Known = (Evaluated & { of: Recipe }) | undefined;

export function useEdits(id: string, desk: Desk<Recipe, PageOut>, evaluated: Known) {
  const { say } = useFrame();
  const queries = useQueryClient();
  const formats = useRef(Promise.resolve());

  const now = () => desk.getState().body;
  const edit = (what: string, change: Partial<Recipe>, group?: string) =>
    desk.edit(what, { ...now(), ...change }, group);
  /** What an answer makes of the recipe that it was `asked` about; edits made since stay. */
  const editLate = (what: string, asked: Recipe, answer: Recipe, group?: string) =>
    desk.edit(what, merged(asked, answer, now()), group);
  /** A part as it is now; with `asked`, as an answer makes it of what it was then. */
  const editPart = (what: string, part: Part, group?: string, asked?: Part) =>
    edit(
      what,
      {
        parts: now().parts.map((old) =>
          old.id === part.id ? (asked ? merged(asked, part, old as Part) : part) : old,
        ),
      },
      group && `${group} ${part.id}`,
    );
  function order(from: number, to: number): void {
    const parts = [...now().parts];
    const [part] = parts.splice(from, 1);
    if (!part || to < 0 || to > parts.length) return;
    parts.splice(to, 0, part);
    edit("changed the order", { parts });
  }

  /** Done with these parts together; the parts that are to be chosen then, null where it could not be. */
  async function arrange(
    parts: string[],
    what: string,
    asked: Parameters<Arrange>[1],
  ): Promise<readonly string[] | null> {
    try {
      const then = now();
      const arranged = await askArrange({ ...asked, page: then, id, parts });
      editLate(what, then, arranged.page);
      if (arranged.told) say(arranged.told);
      return arranged.chosen;
    } catch (error) {
      say((error as Error).message);
      return null;
    }
  }

  /** What counted from it stays where it is; where nothing answers it is taken off all the same. */
  async function remove(gone: readonly string[]): Promise<void> {
    const what = gone.length > 1 ? "took parts off" : "took a part off";
    const then = now();
    try {
      const left = await askArrange({ page: then, id, parts: [...gone], act: "remove" });
      editLate(what, then, left.page);
    } catch {
      edit(what, { parts: now().parts.filter((old) => !gone.includes(old.id)) });
    }
  }

  /** The parts go along in proportion; what does not fit is told. One change after the other, however quick. */
  function changeFormat(change: (format: PageFormat) => PageFormat): void {
    formats.current = formats.current.then(async () => {
      const then = now();
      const format = change(then.format);
      try {
        const moved = await reformat({ page: then, format, id });
        editLate("changed the format", then, moved.page);
        if (moved.told.length) say(moved.told.join(" "));
      } catch {
        edit("changed the format", { format });
      }
    });
  }

  async function gutting(piece: string, gut: boolean | null): Promise<void> {
    const what =
      gut === null ? "left a middle to the house rule" : gut ? "cut a middle out" : "left a middle whole";
    const then = now();
    try {
      editLate(what, then, await gutPiece({ page: then, piece, gut }));
    } catch (error) {
      say((error as Error).message);
    }
  }

  function keep(paper: string, count: number): void {
    const others = now().keeps.filter((one) => one.paper !== paper);
    edit(count ? "kept paper back" : "let paper go", { keeps: count ? [...others, { paper, count }] : others });
  }

  /** A remedy was worked out for the recipe that was evaluated last. */
  function mend({ says, part: mended, pages, edge }: Remedy): void {
    const what = says.charAt(0).toLowerCase() + says.slice(1);
    const part = mended as Part | null;
    const worked = edge as Recipe["edges"][number] | null;
    if (pages !== null) edit(what, { format: { ...now().format, pages } }, what);
    if (worked) edit(what, { edges: [...now().edges.filter((one) => one.piece !== worked.piece), worked] });
    if (!part) return;
    const asked = (evaluated?.of.parts as Part[] | undefined)?.find((old) => old.id === part.id);
    if (now().parts.some((one) => one.id === part.id))
      editPart(what, part, pages === null ? undefined : what, asked);
    else edit(what, { parts: [...now().parts, part] });
  }

  /** One pack more on the shelf: not of the recipe, so the kit's own undo takes it back. */
  async function pack(alphabet: string): Promise<void> {
    try {
      say(`${(await addPack(alphabet)).what.replace(/^a/, "A")} is on the shelf`);
      for (const follows of ["kit", ...FOLLOWS.kit]) void queries.invalidateQueries({ queryKey: [follows] });
    } catch (error) {
      say((error as Error).message);
    }
  }

  return {
    now,
    edit,
    editLate,
    editPart,
    order,
    arrange,
    remove,
    changeFormat,
    gutting,
    keep,
    mend,
    pack: (alphabet: string) => void pack(alphabet),
  };
}
