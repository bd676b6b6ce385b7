/**
 * What a table holds: how its columns were understood, the right rows as they would come in, what cells were taken for,
 * and each wrong one by line, column and reason. Nothing is kept unasked.
 */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useQuery } from "@tanstack/react-query";
import type { Schemas } from "../../api/client";
import { kitColumnsQuery } from "../../api/kits";
import { colours } from "../../app/theme";
import { Choice } from "../../ui/Choice";
import { counted } from "../../ui/figures";

interface Props {
  file: string;
  rows: Schemas["Rows"];
  /** Reads the file again with its columns as they are said. */
  onColumns: (columns: string[]) => void;
  onClose: () => void;
  /** Brings the right rows in: into the open kit, or as a kit of its own. */
  onTake: (into: "open" | "new") => void;
  open: string | null;
}

export function CsvDialog({ file, rows, onColumns, onClose, onTake, open }: Props) {
  const right = rows.papers.length + rows.things.length + rows.alphabets.length;
  const lines = new Set(rows.wrong.map((w) => w.line)).size;
  const only = lines
    ? `the ${right} right ${right === 1 ? "row" : "rows"}`
    : right === 1
      ? "the row"
      : `all ${right}`;
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth>
      <DialogTitle>{file}</DialogTitle>
      <DialogContent>
        <p>
          {counted(rows.papers.length, "paper")}
          {rows.alphabets.length > 0 && `, ${counted(rows.alphabets.length, "alphabet")}`} and{" "}
          {counted(rows.things.length, "thing")} can be brought in.{" "}
          {lines > 0 && (
            <b>
              {lines} {lines === 1 ? "row is" : "rows are"} wrong and would be left out.
            </b>
          )}
        </p>
        {rows.wrong.length > 0 && (
          <Box component="table" aria-label="What is wrong" sx={TABLE}>
            <thead>
              <tr>
                <th>Line</th>
                <th>Column</th>
                <th>Read</th>
                <th>What is wrong</th>
              </tr>
            </thead>
            <tbody>
              {rows.wrong.map((w) => (
                <tr key={`${w.line} ${w.field} ${w.reason}`}>
                  <td>{w.line}</td>
                  <td>{w.field || "beyond the last"}</td>
                  <td>{w.read ? `“${w.read}”` : "nothing"}</td>
                  <td>{w.reason}</td>
                </tr>
              ))}
            </tbody>
          </Box>
        )}
        <Columns columns={rows.columns} onColumns={onColumns} />
        <Coming rows={rows} />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        {open && (
          <Button disabled={!right} onClick={() => onTake("open")}>
            Bring {only} into {open}
          </Button>
        )}
        <Button variant="contained" disabled={!right} onClick={() => onTake("new")}>
          Bring {only} in as a kit
        </Button>
      </DialogActions>
    </Dialog>
  );
}

const TABLE = {
  borderCollapse: "collapse",
  width: "100%",
  mb: 2,
  "& td, & th": {
    textAlign: "left",
    p: "4px 10px 4px 0",
    verticalAlign: "top",
    borderBottom: `1px solid ${colours.line}`,
  },
} as const;

/** What each column of the file is read as, to be said otherwise. */
function Columns({ columns, onColumns }: { columns: Schemas["Column"][]; onColumns: Props["onColumns"] }) {
  const { data: known = [] } = useQuery(kitColumnsQuery);
  const said = columns.map((one) => one.column);
  return (
    <Box component="table" aria-label="Columns" sx={TABLE}>
      <thead>
        <tr>
          <th>In the file</th>
          <th>is read as</th>
          <th>such as</th>
        </tr>
      </thead>
      <tbody>
        {columns.map((one, k) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a column is its place in the file
          <tr key={k}>
            <td>{one.heading || "(no heading)"}</td>
            <td>
              <Choice
                label={`${one.heading || `Column ${k + 1}`} is read as`}
                value={one.column}
                options={[
                  ["", "left out"],
                  ...known
                    .filter((column) => column === one.column || !said.includes(column))
                    .map((column) => [column, column] as const),
                ]}
                onChange={(column) => onColumns(said.map((old, n) => (n === k ? column : old)))}
              />
            </td>
            <td>{one.examples.join(" · ")}</td>
          </tr>
        ))}
      </tbody>
    </Box>
  );
}

const SHOWN = 12;

/** The papers as they would come in, and what cells were taken for. */
function Coming({ rows }: { rows: Schemas["Rows"] }) {
  if (!rows.papers.length) return null;
  const more = rows.papers.length - SHOWN;
  return (
    <>
      <Box component="table" aria-label="Papers" sx={TABLE}>
        <thead>
          <tr>
            <th>Paper</th>
            <th>Size</th>
            <th>Sheets</th>
            <th>Stock</th>
            <th>A</th>
            <th>B</th>
          </tr>
        </thead>
        <tbody>
          {rows.papers.slice(0, SHOWN).map((paper) => (
            <tr key={paper.id}>
              <td>{paper.name}</td>
              <td>
                {paper.width} × {paper.height}
              </td>
              <td>{paper.count}</td>
              <td>{paper.stock}</td>
              <td>
                <Side side={paper.a} />
              </td>
              <td>
                <Side side={paper.b} />
              </td>
            </tr>
          ))}
        </tbody>
      </Box>
      {more > 0 && <p>and {more} more</p>}
      {rows.taken.length > 0 && (
        <details>
          <summary>{counted(rows.taken.length, "cell")} taken for what they are likely to mean</summary>
          <ul>
            {rows.taken.slice(0, 100).map((one) => (
              <li key={`${one.line} ${one.field} ${one.taken}`}>
                line {one.line}, {one.field}: “{one.read}” for {one.taken}
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}

function Side({ side }: { side: Schemas["Side"] }) {
  return (
    <Box component="span" sx={{ display: "inline-flex", gap: 0.5, alignItems: "center" }}>
      {side.colours.map((colour) => (
        <Box
          component="span"
          data-swatch
          key={colour}
          title={colour}
          sx={{ width: 16, height: 16, background: colour, boxShadow: `0 0 0 1px ${colours.line}` }}
        />
      ))}
      {side.pattern}
    </Box>
  );
}
