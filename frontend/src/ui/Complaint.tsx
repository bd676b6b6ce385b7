/** What is wrong with a field, said under it; it stays within the window wherever the field stands. */
import Popper from "@mui/material/Popper";
import type { ReactNode } from "react";
import { colours } from "../app/theme";

interface Props {
  /** The field it is about; `id` is what the field's `aria-describedby` names. */
  field: HTMLElement | null;
  id: string;
  children: ReactNode;
}

const APART = [{ name: "offset", options: { offset: [0, 3] } }];

export function Complaint({ field, id, children }: Props) {
  return (
    <Popper
      open={field !== null}
      anchorEl={field}
      placement="bottom-start"
      modifiers={APART}
      role="alert"
      id={id}
      sx={{
        zIndex: "tooltip",
        maxWidth: 280,
        px: 1.25,
        py: 0.625,
        borderRadius: 1,
        background: colours.madder,
        color: colours.on,
        fontSize: "0.82rem",
        lineHeight: 1.3,
      }}
    >
      {children}
    </Popper>
  );
}
