/** Puts a print on the list of those that are wanted. */

import Button from "@mui/material/Button";
import { useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { loadPrintList, putPrintList } from "../../api/prints";
import { useFrame } from "../../app/FrameContext";
import { newId, type Print } from "../../parts/kinds";

export function PrintThis({ id, print, name }: { id: string; print: Print; name: string }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { say } = useFrame();

  async function want(): Promise<void> {
    try {
      const { saved, prints } = await loadPrintList();
      const wanted = [
        ...prints.wanted,
        { id: newId("print"), print: { ...print, photo: id }, copies: 1, page: null, part: null, cut_at: null },
      ];
      const now = await putPrintList(saved.version, `wanted ${name}`, { ...prints, wanted });
      queries.setQueryData(["prints"], now);
      say(`${name} is on the print list`, { name: "Print sheets", run: () => navigate("/photos/prints") });
    } catch (error) {
      say((error as Error).message);
    }
  }

  return (
    <Button size="small" onClick={() => void want()}>
      Print it
    </Button>
  );
}
