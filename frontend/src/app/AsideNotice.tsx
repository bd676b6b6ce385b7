/** Says which documents cannot be read, that all others are safe, and brings the last good state of one back. */
import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type Aside, asideQuery, bringAsideBack } from "../api/aside";
import { useFrame } from "./FrameContext";

const NAMES: Record<string, string> = {
  cutting: "What is cut of a page",
  prints: "The list of prints",
  settings: "The household’s measures",
  set: "The pages planned together",
};

export function AsideNotice() {
  const { data = [] } = useQuery(asideQuery);
  return data.map((one) => <Notice key={one.id} one={one} />);
}

function Notice({ one }: { one: Aside }) {
  const queries = useQueryClient();
  const { say } = useFrame();
  const name = NAMES[one.kind] ?? `The ${one.kind} “${one.name || one.id}”`;

  async function back(): Promise<void> {
    try {
      await bringAsideBack(one);
    } catch (error) {
      say((error as Error).message);
    }
    await queries.invalidateQueries();
  }

  return (
    <Alert
      severity="warning"
      action={
        one.mends && (
          <Button size="small" color="inherit" onClick={() => void back()}>
            Bring its last good state back
          </Button>
        )
      }
    >
      {name} cannot be read ({one.why}). Everything else is safe and works.
      {!one.mends && " No earlier state of it can be read either; restore a backup to have it again."}
    </Alert>
  );
}
