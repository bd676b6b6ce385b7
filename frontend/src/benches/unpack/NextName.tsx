/** Where the next name is typed: Enter adds it and waits for the one after. */
import Box from "@mui/material/Box";
import { useState } from "react";
import { colours } from "../../app/theme";
import { cutTo } from "../../ui/letters";

export function NextName({ label, onAdd }: { label: string; onAdd: (name: string) => void }) {
  const [name, setName] = useState("");
  return (
    <Box
      component="form"
      sx={{ p: 1.5 }}
      onSubmit={(event: React.FormEvent) => {
        event.preventDefault();
        if (!name.trim()) return;
        onAdd(cutTo(name.trim(), 120));
        setName("");
      }}
    >
      <Box
        component="input"
        aria-label={label}
        placeholder={`${label}, then Enter`}
        value={name}
        autoComplete="off"
        onChange={(event: React.ChangeEvent<HTMLInputElement>) => setName(event.target.value)}
        sx={{
          font: "inherit",
          color: "inherit",
          width: "100%",
          maxWidth: 380,
          p: "8px 10px",
          minHeight: 44,
          border: `1.5px dashed ${colours.verdigris}`,
          borderRadius: 1,
          background: colours.paper,
        }}
      />
    </Box>
  );
}
