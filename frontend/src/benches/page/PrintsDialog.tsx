/** Size, rim and shape of every print among what is chosen, set at once; what is left empty stays as each has it. */
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { printSizesQuery } from "../../api/photos";
import { Sentence } from "../../parts/Sentence";
import { SHAPES } from "../../parts/shapes";
import { Asking } from "../../ui/Asking";
import { Choice } from "../../ui/Choice";
import { LengthField } from "../../ui/LengthField";
import type { Arrange } from "./ArrangeMenu";

type Change = Schemas["PrintChange"];
const SAME = "";

export function PrintsDialog({ onArrange, onClose }: { onArrange: Arrange; onClose: () => void }) {
  const sizes = useQuery(printSizesQuery).data ?? [];
  const [prints, setPrints] = useState<Change>({ width: null, height: null, rim: null, shape: null });
  const change = (by: Partial<Change>) => setPrints({ ...prints, ...by });
  return (
    <Asking
      title="Prints of what is chosen"
      act="Set them all"
      onAct={() => void onArrange("set prints alike", { act: "prints", prints })}
      onClose={onClose}
    >
      <Sentence>
        <Choice
          label="Size of all"
          value={`${prints.width ?? SAME}|${prints.height ?? SAME}`}
          options={[
            ["|", "sizes as they are"],
            ...(prints.width && !sizes.some((s) => s.width === prints.width && s.height === prints.height)
              ? [[`${prints.width}|${prints.height ?? SAME}`, "own size"] as const]
              : []),
            ...sizes.map((s) => [`${s.width}|${s.height}`, bare(`${s.width} × ${s.height}`)] as const),
          ]}
          onChange={(key) => {
            const [width, height] = key.split("|");
            change({ width: width || null, height: height || null });
          }}
        />
        or
        <LengthField
          label="Width of all"
          value={prints.width ?? null}
          onCommit={(width) => change({ width, height: prints.height ?? width })}
        />
        ×
        <LengthField
          label="Height of all"
          value={prints.height ?? null}
          onCommit={(height) => change({ height, width: prints.width ?? height })}
        />
        (those that lie sideways stay so)
      </Sentence>
      <Sentence>
        white border (rim)
        <LengthField
          label="Rim of all"
          range="gap"
          value={prints.rim ?? null}
          onCommit={(rim) => change({ rim })}
        />
        <Choice
          label="Shape of all"
          value={prints.shape ?? SAME}
          options={[[SAME, "shapes as they are"], ...SHAPES]}
          onChange={(shape) => change({ shape: shape || null })}
        />
      </Sentence>
    </Asking>
  );
}

const bare = (size: string): string => size.replaceAll(" in", "");
