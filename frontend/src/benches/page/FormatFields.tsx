/** The format of a page: which kind, single or double, and the size where it is one's own. */

import { useUsual } from "../../api/usual";
import { NOTHING } from "../../page/scale";
import { hasLength } from "../../parts/kinds";
import { Choice } from "../../ui/Choice";
import { LengthField } from "../../ui/LengthField";
import { formatOf, type PageFormat } from "./formats";

interface Props {
  format: PageFormat;
  /** What becomes of the format as it is once earlier changes are through. */
  onChange: (change: (format: PageFormat) => PageFormat) => void;
}

export function FormatFields({ format, onChange }: Props) {
  const usual = useUsual();
  return (
    <>
      <Choice
        label="Format"
        value={format.kind}
        options={usual.formats.map(({ format, name }) => [format.kind, name] as const)}
        onChange={(kind) =>
          onChange((now) =>
            kind === "own"
              ? { ...now, kind }
              : { ...formatOf(usual, kind, kind.startsWith("notebook") ? 2 : now.pages), binding: now.binding },
          )
        }
      />
      {format.kind === "own" && (
        <>
          <LengthField
            label="Page width"
            range="page size"
            value={format.width}
            onCommit={(width) => onChange((now) => ({ ...now, width }))}
          />
          ×
          <LengthField
            label="Page height"
            range="page size"
            value={format.height}
            onCommit={(height) => onChange((now) => ({ ...now, height }))}
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
        onChange={(pages) => onChange((now) => ({ ...now, pages: Number(pages) }))}
      />
      <Choice
        label="Binding"
        value={hasLength(format.binding) ? "kept" : "none"}
        options={[
          ["none", "no binding strip"],
          ["kept", "binding strip of"],
        ]}
        onChange={(way) => onChange((now) => ({ ...now, binding: way === "none" ? NOTHING : usual.wide }))}
      />
      {hasLength(format.binding) && (
        <LengthField
          label="Binding strip"
          range="gap"
          value={format.binding}
          onCommit={(binding) => onChange((now) => ({ ...now, binding }))}
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
          onChange={(way) => onChange((now) => ({ ...now, allowance: way === "size" ? NOTHING : usual.narrow }))}
        />
      )}
    </>
  );
}
