/** A print: which photo, its size as it lies, its rim. */

import Box from "@mui/material/Box";
import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { fitShape, printSizesQuery } from "../api/photos";
import { useUsual } from "../api/usual";
import { Choice } from "../ui/Choice";
import { IconAction } from "../ui/IconAction";
import { LengthField } from "../ui/LengthField";
import { hasLength, type Print, printOf } from "./kinds";
import { PictureChoice } from "./PictureChoice";
import { PrintCutFields } from "./PrintCutFields";
import { Sentence } from "./Sentence";
import { SHAPES } from "./shapes";

interface Props {
  print: Print;
  label: string;
  /** `asked` is the print that an answer was about, where the change is one. */
  onChange: (what: string, print: Print, group?: string, asked?: Print) => void;
  onRemove?: () => void;
  /** Where the gutter cuts it, as a share of the picture's width; moved by so much of it. */
  line?: number | null;
  onLine?: (by: number) => void;
  /** What else can be done with it. */
  children?: ReactNode;
}

export function PrintFields({ print, label, onChange, onRemove, line, onLine, children }: Props) {
  const usual = useUsual();
  return (
    <>
      <Sentence>
        {label}
        <PictureChoice
          label={`${label}: which`}
          templates
          value={print.photo}
          onChoose={(photo, name, found) =>
            onChange(
              name ? `chose ${name}` : "took the photo out",
              found ? printOf(usual, found) : { ...print, photo, frame: null },
            )
          }
        />
        {onRemove && <IconAction small icon="bin" name={`Take ${label.toLowerCase()} away`} onClick={onRemove} />}
      </Sentence>
      <PrintSizeFields print={print} label={label} onChange={onChange} inset />
      <PrintCutFields print={print} label={label} onChange={onChange} line={line} onLine={onLine}>
        {children}
      </PrintCutFields>
    </>
  );
}

type Sized = Pick<Print, "width" | "height" | "rim" | "below" | "shape">;

interface SizeProps<P extends Sized> {
  print: P;
  label: string;
  /** `asked` is the print that an answer was about, where the change is one. */
  onChange: (what: string, print: P, group?: string, asked?: P) => void;
  inset?: boolean;
}

export function PrintSizeFields<P extends Sized>({ print, label, onChange, inset }: SizeProps<P>) {
  const sizes = useQuery(printSizesQuery).data ?? [];
  const usual = sizes.find(
    (s) =>
      (s.width === print.width && s.height === print.height) ||
      (s.width === print.height && s.height === print.width),
  );
  async function reshape(shape: Print["shape"]): Promise<void> {
    const { width, height } = print;
    const fitted = await fitShape({ shape, width, height }).catch(() => null);
    const what = `made a print ${shape === "rectangle" ? "with corners" : shape}`;
    onChange(what, { ...print, shape, ...fitted }, undefined, print);
  }
  const way = usual && usual.width !== usual.height ? (print.width === usual.width ? "upright" : "sideways") : null;
  return (
    <Sentence inset={inset}>
      <LengthField
        label={`${label}: width`}
        value={print.width}
        onCommit={(width) => onChange("changed a print’s width", { ...print, width }, `${label} width`)}
      />
      ×
      <LengthField
        label={`${label}: height`}
        value={print.height}
        onCommit={(height) => onChange("changed a print’s height", { ...print, height }, `${label} height`)}
      />
      <IconAction
        small
        icon="swap"
        name="Turn upright or sideways"
        onClick={() => onChange("turned a print", { ...print, width: print.height, height: print.width })}
      />
      <Choice
        label={`${label}: shape`}
        value={print.shape}
        options={SHAPES}
        onChange={(shape) => void reshape(shape)}
      />
      <Choice
        label={`${label}: usual size`}
        value={usual ? `${usual.width}|${usual.height}` : "own"}
        options={[
          ["own", "own size"],
          ...sizes.map(
            (s) =>
              [
                `${s.width}|${s.height}`,
                `${bare(s.width)} × ${bare(s.height)}${way && s.width !== s.height ? ` ${way}` : ""}`,
              ] as const,
          ),
        ]}
        onChange={(key) => {
          const [width, height] = key.split("|");
          if (!width || !height) return;
          const lying = way === "sideways";
          onChange("changed a print’s size", {
            ...print,
            width: lying ? height : width,
            height: lying ? width : height,
          });
        }}
      />
      <Box sx={{ display: "flex", alignItems: "center", gap: 0.75 }}>
        white border (rim)
        <LengthField
          label={`${label}: rim`}
          range="gap"
          value={print.rim}
          onCommit={(rim) => onChange("changed a print’s rim", { ...print, rim }, `${label} rim`)}
        />
        {print.shape === "rectangle" && (hasLength(print.rim) || hasLength(print.below)) && (
          <>
            below
            <LengthField
              label={`${label}: rim below`}
              range="gap"
              value={print.below ?? print.rim}
              onCommit={(below) => onChange("changed the rim below", { ...print, below }, `${label} below`)}
            />
          </>
        )}
      </Box>
    </Sentence>
  );
}

function bare(length: string): string {
  return length.replace(" in", "");
}
