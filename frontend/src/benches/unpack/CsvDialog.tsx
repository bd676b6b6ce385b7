/** What a CSV file holds: the right rows, and each wrong cell by line, column and reason. Nothing is kept unasked. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import type { Schemas } from "../../api/client";
import { colours } from "../../app/theme";

interface Props {
  file: string;
  rows: Schemas["Rows"];
  onClose: () => void;
  /** Brings the right rows in: into the open kit, or as a kit of its own. */
  onTake: (into: "open" | "new") => void;
  open: string | null;
}

export function CsvDialog({ file, rows, onClose, onTake, open }: Props) {
  const right = rows.papers.length + rows.things.length;
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
          {counted(rows.papers.length, "paper")} and {counted(rows.things.length, "thing")} can be brought in.{" "}
          {lines > 0 && (
            <b>
              {lines} {lines === 1 ? "row is" : "rows are"} wrong and would be left out.
            </b>
          )}
        </p>
        {rows.wrong.length > 0 && (
          <Box
            component="table"
            sx={{
              borderCollapse: "collapse",
              width: "100%",
              "& td, & th": {
                textAlign: "left",
                p: "4px 10px 4px 0",
                verticalAlign: "top",
                borderBottom: `1px solid ${colours.line}`,
              },
            }}
          >
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

function counted(count: number, what: string): string {
  return `${count} ${what}${count === 1 ? "" : "s"}`;
}
