/** What building takes, told before one starts; how thick the page gets. */

import Box from "@mui/material/Box";
import type { BuildingOut } from "../../api/building";
import { colours } from "../../app/theme";
import { unbroken } from "../../ui/figures";

export function Needs({ data }: { data: BuildingOut }) {
  const { needs, bulk } = data;
  const thick = bulk.thick > bulk.most;
  return (
    <Box sx={{ pt: 2, maxWidth: 640 }}>
      <Box component="h2" sx={{ m: 0, fontSize: "1.05rem" }}>
        What it takes
      </Box>
      <Box component="ul" aria-label="What it takes" sx={{ m: 0, pl: 2.5, lineHeight: 1.5 }}>
        {needs.map((one) => (
          <li key={one.what + one.amount}>
            {unbroken(`${one.what}: ${one.amount}`)}
            {one.has && ` (${unbroken(one.has)})`}
            {one.short && <b style={{ color: colours.madder }}> {unbroken(one.short)}.</b>}
          </li>
        ))}
        <li>
          Thickest spot: {bulk.thick} of {bulk.most} thousandths of an inch
          {thick && <b style={{ color: colours.madder }}>: too thick, because of {bulk.layers[0]?.[0]}</b>}
        </li>
      </Box>
    </Box>
  );
}
