/** The recipe of a page: its name and format, what can be added, its parts in sentences, its story. */
import Box from "@mui/material/Box";
import useMediaQuery from "@mui/material/useMediaQuery";
import { useMemo } from "react";
import type { Found } from "../../api/checks";
import type { Schemas } from "../../api/client";
import type { Recipe } from "../../api/pages";
import type { Evaluated } from "../../api/recipe";
import { colours, narrow, words } from "../../app/theme";
import { begun, type Part } from "../../parts/kinds";
import { PageHere } from "../../parts/PageHere";
import { aName, InlineText } from "../../ui/InlineText";
import { AddMenu } from "./AddMenu";
import { FormatFields } from "./FormatFields";
import { PartCard } from "./PartCard";
import { RecipeList } from "./RecipeList";
import { StoryField } from "./StoryField";
import type { Add } from "./useAdd";
import type { useEdits } from "./useEdits";

interface Props {
  id: string;
  page: Recipe;
  evaluated: (Evaluated & { of: Recipe }) | undefined;
  found: readonly Found[];
  lacking: readonly Schemas["Lacking"][];
  chosen: string | null;
  also: readonly string[];
  edits: ReturnType<typeof useEdits>;
  onAdd: Add;
  onChoose: (part: string | null, wider?: boolean) => void;
  onRemove: (part: Part) => void;
}

export function RecipePane({
  id,
  page,
  evaluated,
  found,
  lacking,
  chosen,
  also,
  edits,
  onAdd,
  onChoose,
  onRemove,
}: Props) {
  const tell = (story: string) => edits.edit("wrote the story", { story }, "story");
  // biome-ignore lint/correctness/useExhaustiveDependencies: telling is the same whichever it is
  const here = useMemo(() => ({ id, page, evaluated, tell }), [id, page, evaluated]);
  const copy = (part: Part) => void onAdd("added another like it", [begun(part)], part.id);
  const narrowly = useMediaQuery(narrow);
  const known = {
    parts: page.parts as Part[],
    pages: page.format.pages,
    page: evaluated,
    found,
    lacking,
    recipe: page,
  };
  const deeds = {
    onChange: edits.editPart,
    onRecipe: (what: string, change: Partial<Recipe>) => edits.edit(what, change),
    onMend: edits.mend,
    onPack: edits.pack,
    onOrder: edits.order,
    onCopy: copy,
    onRemove,
  };
  return (
    <Box
      sx={{
        display: "flex",
        flexDirection: "column",
        minHeight: 0,
        fontSize: "0.94rem",
        borderRight: `1px solid ${colours.line}`,
        [narrow]: { order: 2 },
      }}
    >
      <Box sx={{ px: 1.5, pt: 1 }}>
        <Box component="h1" sx={{ m: 0, ...words, fontSize: "1.3rem", fontWeight: 600 }}>
          <InlineText
            label="Name of the page"
            value={page.name}
            width="100%"
            check={aName}
            onCommit={(name) => edits.edit("named the page", { name: name.trim() })}
          />
        </Box>
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.75, alignItems: "center", py: 1 }}>
          <FormatFields format={page.format} onChange={edits.changeFormat} />
          {page.format.kind.startsWith("notebook") && (
            <InlineText
              label="Which notebook"
              value={page.book}
              width={150}
              placeholder="of the one notebook"
              onCommit={(book) => edits.edit("named its notebook", { book: book.trim().slice(0, 80) })}
            />
          )}
        </Box>
      </Box>
      <Box sx={{ borderTop: `1px solid ${colours.line}`, borderBottom: `1px solid ${colours.line}` }}>
        <AddMenu parts={page.parts as Part[]} format={page.format} onAdd={onAdd} />
      </Box>
      <Box data-pane sx={{ flex: 1, minHeight: 0, overflow: "auto" }}>
        <PageHere value={here}>
          <RecipeList {...known} chosen={chosen} also={also} onChoose={onChoose} folded={narrowly} {...deeds} />
          {narrowly && chosen && <PartCard {...known} {...deeds} chosen={chosen} onClose={() => onChoose(null)} />}
        </PageHere>
        <StoryField story={page.story} onCommit={tell} />
      </Box>
    </Box>
  );
}
