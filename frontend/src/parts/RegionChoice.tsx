/** Where words could go on the page as it is: pressed, they are there, as large as goes there. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { regionsQuery } from "../api/words";
import { colours } from "../app/theme";
import type { PartProps, Placed } from "./kinds";
import { type Here, usePageHere } from "./PageHere";
import { Sentence } from "./Sentence";

export function RegionChoice<P extends Placed>({ of }: { of: PartProps<P> }) {
  const [open, setOpen] = useState(false);
  const here = usePageHere();
  if (!here) return null;
  return (
    <>
      <Sentence>
        <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
          Where it could go
        </Button>
      </Sentence>
      {open && <Regions of={of} here={here} />}
    </>
  );
}

function Regions<P extends Placed>({ of, here }: { of: PartProps<P>; here: Here }) {
  const { data: regions } = useQuery(regionsQuery(here.page, of.part.id, here.id));
  if (!regions) return <Box sx={{ pl: 2, color: colours.soft }}>Looking …</Box>;
  const refused = regions.filter((one) => !one.part);
  return (
    <Box role="group" aria-label="Where it could go" sx={{ pl: 2, pb: 0.5 }}>
      {regions.map(
        (one) =>
          one.part && (
            <Button
              key={one.name}
              size="small"
              variant="outlined"
              sx={{ m: 0.25 }}
              onClick={() => of.onChange(`put it into the ${one.name}`, one.part as P)}
            >
              {one.name}
            </Button>
          ),
      )}
      {refused.length > 0 && (
        <Box sx={{ fontSize: "0.85rem", color: colours.soft, pt: 0.5 }}>
          Too small for it: {refused.map((one) => one.name).join("; ")}.
        </Box>
      )}
    </Box>
  );
}
