/** Several states of a page side by side, at the same scale: kept by name, compared, gone on with. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { bringBack, putAway } from "../../api/history";
import { useShelf } from "../../api/kits";
import { keepVariant, type PageOut, pageQuery, pageSource, type Recipe, variantsQuery } from "../../api/pages";
import { evaluatedQuery } from "../../api/recipe";
import { useDesk } from "../../api/useDesk";
import { useFrame, useInFrame } from "../../app/FrameContext";
import { colours, words } from "../../app/theme";
import { PagePicture } from "../../page/PagePicture";
import { inches } from "../../page/scale";
import { aName, InlineText } from "../../ui/InlineText";
import { useRoom } from "../../ui/useRoom";

export default function Variants() {
  const { id = "" } = useParams();
  const { data } = useQuery(pageQuery(id));
  return data ? <Beside key={id} answer={data} /> : null;
}

const NARROWEST = 260;

function Beside({ answer }: { answer: PageOut }) {
  const id = answer.saved.id;
  const [desk, state] = useDesk("page", answer, pageSource);
  useInFrame(desk, state);
  const { say } = useFrame();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const kept = useQuery(variantsQuery(id)).data ?? [];
  const [name, setName] = useState("");
  const [outer, room] = useRoom<HTMLDivElement>(1200);

  const all: { key: string; name: string; recipe: Recipe; version: number | null }[] = [
    { key: "now", name: "As it is now", recipe: state.body, version: null },
    ...kept.map(({ saved, variant }) => ({
      key: saved.id,
      name: variant.name,
      recipe: variant.recipe as Recipe,
      version: saved.version,
    })),
  ];
  // All at one scale, so that a small page is seen to be small; two beside each other at least.
  const widest = Math.max(...all.map((one) => inches(one.recipe.format.width) * one.recipe.format.pages));
  const beside = Math.max(1, Math.min(all.length, 3, Math.floor(room / NARROWEST)));
  const scale = Math.max(8, (room / Math.max(2, beside) - 40) / widest);

  async function keep(): Promise<void> {
    const called = name.trim() || `Variant ${kept.length + 1}`;
    try {
      await keepVariant(id, called, state.body);
      setName("");
      await queries.invalidateQueries({ queryKey: ["variants", id] });
    } catch (error) {
      say((error as Error).message);
    }
  }

  async function away(variant: string, called: string, version: number, back: boolean): Promise<void> {
    try {
      const saved = await (back ? bringBack("variant", variant, version) : putAway("variant", variant, version));
      await queries.invalidateQueries({ queryKey: ["variants", id] });
      if (!back)
        say(`${called} is put away.`, {
          name: "Bring it back",
          run: () => void away(variant, called, saved.version, true),
        });
    } catch (error) {
      say((error as Error).message);
    }
  }

  function goOn(recipe: Recipe, called: string): void {
    desk.edit(`went on with ${called}`, recipe);
    navigate(`/page/${id}`);
  }

  return (
    <Box sx={{ p: 2, height: "100%", overflow: "auto" }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, alignItems: "center", pb: 1.5 }}>
        <Button component={Link} to={`/page/${id}`} size="small">
          Back to the page
        </Button>
        <Box component="h1" sx={{ ...words, flex: 1, m: 0, fontSize: "1.35rem", fontWeight: 600, minWidth: 0 }}>
          Variants
        </Box>
        <InlineText
          label="Name of the variant"
          value={name}
          placeholder={`Variant ${kept.length + 1}`}
          width={220}
          check={(text) => (text ? aName(text) : null)}
          onCommit={setName}
        />
        <Button variant="contained" size="small" onClick={() => void keep()}>
          Keep it as it is now
        </Button>
      </Box>
      {!kept.length && (
        <p style={{ maxWidth: "60ch" }}>
          Keep the page as it is now under a name, go on changing it, and come back to see both side by side.
        </p>
      )}
      <Box
        ref={outer}
        component="ul"
        sx={{ display: "flex", flexWrap: "wrap", gap: 3, m: 0, p: 0, listStyle: "none" }}
      >
        {all.map((one) => (
          <li key={one.key}>
            <Box sx={{ display: "flex", gap: 1, alignItems: "center", minHeight: 40 }}>
              <b>{one.name}</b>
              {one.version !== null && (
                <>
                  <Button size="small" variant="outlined" onClick={() => goOn(one.recipe, one.name)}>
                    Go on with this one
                  </Button>
                  <Button size="small" onClick={() => void away(one.key, one.name, one.version ?? 0, false)}>
                    Put away
                  </Button>
                </>
              )}
            </Box>
            <One id={id} name={one.name} recipe={one.recipe} scale={scale} />
          </li>
        ))}
      </Box>
    </Box>
  );
}

function One({ id, name, recipe, scale }: { id: string; name: string; recipe: Recipe; scale: number }) {
  const shelf = useShelf();
  const { data } = useQuery(evaluatedQuery(id, recipe));
  if (!data) return <Box sx={{ width: 200, height: 200, background: colours.faint }} />;
  return <PagePicture name={name} page={data} shelf={shelf} scale={scale} />;
}
