/** A menu of files to keep or send. */
import Button from "@mui/material/Button";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import { useState } from "react";
import { Icon } from "./Icon";

export function SaveMenu({ name, files }: { name: string; files: readonly (readonly [string, string])[] }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button
        size="small"
        startIcon={<Icon name="save" size={18} />}
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        {name}
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {files.map(([words, address]) => (
          <MenuItem key={address} component="a" href={address} download onClick={() => setAnchor(null)}>
            {words}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
