/** The page at scale, with what is pulled, measured and looked at on it. */
import Box from "@mui/material/Box";
import { useQuery } from "@tanstack/react-query";
import type { KeyboardEvent } from "react";
import type { Schemas } from "../../api/client";
import { useShelf } from "../../api/kits";
import type { Recipe } from "../../api/pages";
import type { Evaluated } from "../../api/recipe";
import { settingsQuery } from "../../api/settings";
import { narrow } from "../../app/theme";
import { Drawing } from "../../page/Drawing";
import { Handles } from "../../page/Handles";
import { Panels } from "../../page/Panels";
import { inches } from "../../page/scale";
import type { Part } from "../../parts/kinds";
import { Between, type useMeasuring } from "./Between";
import type { useMove } from "./useMove";

interface Props {
  id: string;
  page: Recipe;
  evaluated: (Evaluated & { of: Recipe }) | undefined;
  chosen: string | null;
  also: readonly string[];
  onChoose: (part: string | null, wider?: boolean) => void;
  onChange: (what: string, part: Part, group?: string, asked?: Part) => void;
  onKey: (event: KeyboardEvent, id: string) => void;
  move: ReturnType<typeof useMove>;
  tape: ReturnType<typeof useMeasuring>;
  /** Hidden middles that are drawn, and the one that is looked at. */
  drawn: readonly Schemas["GutOffer"][];
  looked: Schemas["GutOffer"] | null;
}

export function Stage({ id, page, evaluated, chosen, also, move, tape, drawn, looked, ...on }: Props) {
  const { data: settings } = useQuery(settingsQuery);
  const shelf = useShelf();
  return (
    <Box
      sx={{
        flex: 1,
        position: "relative",
        minHeight: 260,
        m: 1,
        [narrow]: { minHeight: "56vw" },
      }}
    >
      {evaluated && settings && (
        <Drawing
          page={evaluated}
          shelf={shelf}
          chosen={tape.measuring ? tape.first : chosen}
          also={tape.measuring ? tape.second : also}
          onChoose={on.onChoose}
          unit={settings.settings.unit === "in" ? "in" : "mm"}
          zero={settings.settings.zero}
          overlay={move.overlay}
          onDrag={move.onDrag}
          onDrop={move.onDrop}
          onNudge={move.onNudge}
          onKey={on.onKey}
          pointing={tape.measuring}
        >
          {(pixel) => (
            <>
              {!move.overlay && <Panels offers={drawn} looked={looked} pixel={pixel} />}
              {tape.measuring && <Between lines={tape.lines} pixel={pixel} />}
              {!tape.measuring && chosen && !also.length && !move.overlay && (
                <Handles
                  id={id}
                  page={page}
                  evaluated={evaluated}
                  part={chosen}
                  pixel={pixel}
                  mark={inches(settings.settings.mark)}
                  onChange={on.onChange}
                />
              )}
            </>
          )}
        </Drawing>
      )}
    </Box>
  );
}
