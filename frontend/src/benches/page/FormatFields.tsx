/** The format of a page: which kind, single or double, and the size where it is one's own. */
import { Choice } from "../../ui/Choice";
import { LengthField } from "../../ui/LengthField";
import { FORMATS, formatOf, type PageFormat } from "./formats";

interface Props {
  format: PageFormat;
  onChange: (format: PageFormat) => void;
}

export function FormatFields({ format, onChange }: Props) {
  return (
    <>
      <Choice
        label="Format"
        value={format.kind}
        options={FORMATS.map((f) => [f.kind, f.name] as const)}
        onChange={(kind) =>
          onChange(
            kind === "own" ? { ...format, kind } : formatOf(kind, kind.startsWith("notebook") ? 2 : format.pages),
          )
        }
      />
      {format.kind === "own" && (
        <>
          <LengthField
            label="Page width"
            range="page size"
            value={format.width}
            onCommit={(width) => onChange({ ...format, width })}
          />
          ×
          <LengthField
            label="Page height"
            range="page size"
            value={format.height}
            onCommit={(height) => onChange({ ...format, height })}
          />
        </>
      )}
      <Choice
        label="Single or double"
        value={String(format.pages)}
        options={[
          ["1", "single"],
          ["2", format.kind.startsWith("notebook") ? "spread" : "double"],
        ]}
        onChange={(pages) => onChange({ ...format, pages: Number(pages) })}
      />
    </>
  );
}
