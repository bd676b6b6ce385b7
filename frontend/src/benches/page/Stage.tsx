/** The page at scale, with what is pulled, measured and looked at on it. */
import Box from "@mui/material/Box";
import { useQuery } from "@tanstack/react-query";
import { type Ref, useState } from "react";
import type { Found } from "../../api/checks";
import type { Schemas } from "../../api/client";
import { useShelf } from "../../api/kits";
import type { Recipe } from "../../api/pages";
import type { Evaluated } from "../../api/recipe";
import { settingsQuery, useUnit } from "../../api/settings";
import { narrow } from "../../app/theme";
import type { Carried } from "../../page/carrying";
import { Drawing, type Overlay, type Spot } from "../../page/Drawing";
import { Handles } from "../../page/Handles";
import { Panels } from "../../page/Panels";
import { inches } from "../../page/scale";
import type { Zoom } from "../../page/useView";
import type { Part } from "../../parts/kinds";
import { unseen } from "../../ui/unseen";
import { Between, type useMeasuring } from "./Between";
import { CellMenu, Cells, type Pressed, spotAt, type What } from "./Cells";
import { FoundThere } from "./FoundThere";
import type { useMove } from "./useMove";

interface Props {
  id: string;
  page: Recipe;
  evaluated: (Evaluated & { of: Recipe }) | undefined;
  chosen: string | null;
  also: readonly string[];
  onChoose: (part: string | null, wider?: boolean) => void;
  onChange: (what: string, part: Part, group?: string, asked?: Part) => void;
  zoom: Ref<(how: Zoom) => void>;
  onPut: (carried: Carried, spot: Spot) => void;
  onCell: (part: string, spot: string, what: What) => void;
  move: ReturnType<typeof useMove>;
  tape: ReturnType<typeof useMeasuring>;
  /** Hidden middles that are drawn, and the one that is looked at. */
  drawn: readonly Schemas["GutOffer"][];
  looked: Schemas["GutOffer"] | null;
  /** What was found of the chosen part: where it is. */
  found: readonly Found[];
}

export function Stage({ id, page, evaluated, chosen, also, move, tape, drawn, looked, ...on }: Props) {
  const { data: settings } = useQuery(settingsQuery);
  const unit = useUnit();
  const shelf = useShelf();
  const [pressed, setPressed] = useState<Pressed | null>(null);
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
      <Box role="status" sx={unseen}>
        {move.overlay && lies(move.overlay)}
      </Box>
      <CellMenu
        pressed={pressed}
        onClose={() => setPressed(null)}
        onSay={(what) => pressed && on.onCell(pressed.part, pressed.spot.key, what)}
      />
      {evaluated && settings && (
        <Drawing
          page={evaluated}
          shelf={shelf}
          chosen={tape.measuring ? tape.first : chosen}
          also={tape.measuring ? tape.second : also}
          onChoose={on.onChoose}
          unit={unit}
          zero={settings.settings.zero}
          overlay={move.overlay}
          onDrag={move.onDrag}
          onDrop={move.onDrop}
          onNudge={move.onNudge}
          zoom={on.zoom}
          onPut={on.onPut}
          onPress={(part, at, anchor) => {
            const spot = spotAt(evaluated, part, at);
            if (spot) setPressed({ part, spot, anchor });
          }}
          pointing={tape.measuring}
        >
          {(pixel) => (
            <>
              {!move.overlay && <FoundThere found={on.found} pixel={pixel} />}
              {!move.overlay && <Panels offers={drawn} looked={looked} pixel={pixel} />}
              {tape.measuring && <Between lines={tape.lines} pixel={pixel} />}
              {!tape.measuring && chosen && !move.overlay && (
                <Cells page={evaluated} part={chosen} pixel={pixel} onOpen={setPressed} />
              )}
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

/** Where a part came to lie, for those who hear it: said once it lies still. */
function lies({ shift, distances }: Overlay): string {
  if (shift.x || shift.y) return "";
  const clear: Partial<Record<string, string>> = {
    left: "at the left",
    right: "at the right",
    top: "above",
    bottom: "below",
  };
  return distances.flatMap(({ of, says }) => (clear[of] ? `${says} ${clear[of]}` : [])).join(", ");
}
