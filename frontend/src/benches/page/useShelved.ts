/** Whether the shelf is open beside the page; as it was left on this device. */
import { useState } from "react";

const KEPT = "ulna-shelf";

export function useShelved(): [boolean, (open: boolean) => void] {
  const [open, setOpen] = useState(() => localStorage.getItem(KEPT) === "open");
  return [
    open,
    (next) => {
      localStorage.setItem(KEPT, next ? "open" : "closed");
      setOpen(next);
    },
  ];
}
