/** Chooses a thing of the shelf, by typing its name. */
import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import { type ThingOut, useThings } from "../api/things";
import { colours } from "../app/theme";
import { ThingPicture } from "./ThingPicture";

interface Props {
  label: string;
  value: string | null;
  page?: string;
  /** Which may be chosen. */
  of?: (thing: ThingOut) => boolean;
  onChange: (thing: string | null, name: string) => void;
}

const NOT_STUCK_ON = ["ink", "foam", "adhesive", "alphabet", "tape", "ribbon", "twine"];
/** What is stuck on by itself: no tape, which is a part of its own, and nothing that only fixes others. */
export const isStuckOn = (one: ThingOut) => !NOT_STUCK_ON.includes(one.thing.kind);

export function ThingPicker({ label, value, page, of = isStuckOn, onChange }: Props) {
  const things = useThings(page);
  const options = things.filter(of);
  const chosen = things.find((one) => one.thing.id === value) ?? null;
  return (
    <Autocomplete<ThingOut>
      size="small"
      options={options}
      value={chosen}
      getOptionLabel={(one) => one.thing.name}
      getOptionKey={(one) => one.thing.id}
      isOptionEqualToValue={(a, b) => a.thing.id === b.thing.id}
      onChange={(_, one) => onChange(one?.thing.id ?? null, one?.thing.name ?? "no thing")}
      autoHighlight
      openOnFocus
      noOptionsText={things.length ? "Nothing is called so." : "No thing is unpacked yet."}
      slotProps={{ popper: { style: { minWidth: 280 } }, listbox: { style: { maxHeight: 340 } } }}
      renderOption={({ key, ...props }, one) => (
        <Box component="li" key={key} {...props} sx={{ gap: 1.5, minHeight: 44 }}>
          <ThingPicture thing={one} size={36} />
          <Box sx={{ flex: 1 }}>
            {one.thing.name}
            <Box sx={{ fontSize: "0.8rem", color: colours.soft }}>
              {one.width} × {one.height}, {one.thing.kind}
            </Box>
          </Box>
          <Box sx={{ fontSize: "0.85rem" }}>{one.thing.kind === "stamp" ? "stamp" : `${one.left} left`}</Box>
        </Box>
      )}
      renderInput={(params) => (
        <TextField
          {...params}
          variant="standard"
          placeholder={value && things.length && !chosen ? "this thing is gone" : "choose a thing"}
          slotProps={{
            ...params.slotProps,
            htmlInput: { ...params.slotProps?.htmlInput, "aria-label": label },
            input: {
              ...params.slotProps?.input,
              startAdornment: (
                <Box sx={{ pr: 0.75 }}>
                  <ThingPicture thing={chosen ?? undefined} size={22} />
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
  );
}
