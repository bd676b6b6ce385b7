/** The format of a page: which kind, single or double, and the size where it is one's own. */

import { hasLength } from "../../parts/kinds";
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
            kind === "own"
              ? { ...format, kind }
              : { ...formatOf(kind, kind.startsWith("notebook") ? 2 : format.pages), binding: format.binding },
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
      <Choice
        label="Binding"
        value={hasLength(format.binding) ? "kept" : "none"}
        options={[
          ["none", "no binding strip"],
          ["kept", "binding strip of"],
        ]}
        onChange={(way) => onChange({ ...format, binding: way === "none" ? "0 in" : "1/2 in" })}
      />
      {hasLength(format.binding) && (
        <LengthField
          label="Binding strip"
          range="gap"
          value={format.binding}
          onCommit={(binding) => onChange({ ...format, binding })}
        />
      )}
      {(format.kind.startsWith("notebook") || hasLength(format.allowance)) && (
        <Choice
          label="Trim allowance"
          value={hasLength(format.allowance) ? "over" : "size"}
          options={[
            ["size", "papers cut at size"],
            ["over", "papers cut ⅛ in over"],
          ]}
          onChange={(way) => onChange({ ...format, allowance: way === "size" ? "0 in" : "1/8 in" })}
        />
      )}
    </>
  );
}
