/** Chooses a paper and the side that shows, by typing its name, and whether it lies as it is or a quarter turned. */
import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import type { Schemas } from "../api/client";
import { type ShelfPaper, useShelf } from "../api/kits";
import { colours } from "../app/theme";
import { IconAction } from "./IconAction";
import { Swatch } from "./Swatch";

type Choice = Schemas["PaperChoice"];

interface Option {
  paper: ShelfPaper["paper"];
  side: "A" | "B";
  kit: string;
  tile: Schemas["Tile"] | undefined;
}

interface Props {
  label: string;
  value: Choice;
  onChange: (choice: Choice, name: string) => void;
}

export function PaperPicker({ label, value, onChange }: Props) {
  const shelf = useShelf();
  const options = shelf.flatMap(({ paper, kit, tiles }) =>
    (["A", "B"] as const).map((side) => ({ paper, side, kit, tile: tiles?.[side === "A" ? "a" : "b"] })),
  );
  const chosen = options.find((o) => o.paper.id === value.paper && o.side === value.side) ?? null;
  const gone = value.paper !== null && !chosen && shelf.length > 0;
  const turns = value.turned || (chosen && faceOf(chosen).direction !== "none");
  return (
    <Box component="span" sx={{ display: "inline-flex", alignItems: "center", verticalAlign: "middle" }}>
      <Autocomplete<Option>
        size="small"
        options={options}
        value={chosen}
        groupBy={(option) => option.kit}
        getOptionLabel={nameOf}
        getOptionKey={(option) => `${option.paper.id} ${option.side}`}
        isOptionEqualToValue={(a, b) => a.paper.id === b.paper.id && a.side === b.side}
        onChange={(_, option) =>
          onChange(
            { ...value, paper: option?.paper.id ?? null, side: option?.side ?? "A" },
            option ? nameOf(option) : "no paper",
          )
        }
        autoHighlight
        openOnFocus
        noOptionsText={shelf.length ? "No paper is called so." : "No paper is unpacked yet."}
        slotProps={{ popper: { style: { minWidth: 280 } }, listbox: { style: { maxHeight: 340 } } }}
        renderGroup={({ key, group, children }) => (
          <div key={key} role="group" aria-label={group}>
            <Box aria-hidden sx={{ px: 2, py: 1, color: "text.secondary", fontSize: "0.85rem" }}>
              {group}
            </Box>
            {children}
          </div>
        )}
        renderOption={({ key, ...props }, option) => (
          <Box component="li" key={key} {...props} sx={{ gap: 1.5, minHeight: 44 }}>
            <Swatch tile={option.tile} width={36} height={36} inches={3} />
            <Box sx={{ flex: 1 }}>{nameOf(option)}</Box>
            <Box sx={{ fontSize: "0.85rem" }}>{option.paper.count} there</Box>
          </Box>
        )}
        renderInput={(params) => (
          <TextField
            {...params}
            variant="standard"
            placeholder={gone ? "this paper is gone" : "choose a paper"}
            slotProps={{
              ...params.slotProps,
              htmlInput: { ...params.slotProps?.htmlInput, "aria-label": label },
              input: {
                ...params.slotProps?.input,
                startAdornment: (
                  <Box sx={{ pr: 0.75 }}>
                    <Swatch tile={chosen?.tile} width={22} height={22} inches={2.5} />
                  </Box>
                ),
              },
            }}
          />
        )}
        sx={{
          display: "inline-flex",
          width: 210,
          verticalAlign: "middle",
          "& .MuiInputBase-root": { background: colours.tint, borderRadius: "3px 3px 0 0", font: "inherit" },
        }}
      />
      {turns && (
        <IconAction
          small
          icon="turnRight"
          name={value.turned ? "Lay it as it is" : "Turn it a quarter"}
          pressed={value.turned}
          onClick={() =>
            onChange(
              { ...value, turned: !value.turned },
              `${chosen ? nameOf(chosen) : "it"}, ${value.turned ? "as it is" : "a quarter turned"}`,
            )
          }
        />
      )}
    </Box>
  );
}

const faceOf = (option: Option) => (option.side === "A" ? option.paper.a : option.paper.b);

function nameOf(option: Option): string {
  return `${option.paper.name} · ${option.side}`;
}
