/** The keys of the page, on a card. */
import Box from "@mui/material/Box";
import { Fragment } from "react";
import { colours, words } from "../../app/theme";
import { Asking } from "../../ui/Asking";
import { KEYS } from "./keys";

export function KeysList({ onClose }: { onClose: () => void }) {
  return (
    <Asking title="Keys at the page" not="Close" onClose={onClose}>
      <Box
        component="dl"
        sx={{
          m: 0,
          display: "grid",
          gridTemplateColumns: "auto 1fr",
          columnGap: 2.5,
          rowGap: 0.25,
          fontSize: "0.93rem",
        }}
      >
        {KEYS.map(([about, keys]) => (
          <Fragment key={about}>
            <Box component="dt" sx={{ ...words, fontWeight: 600, gridColumn: "1 / 3", mt: 1 }}>
              {about}
            </Box>
            {keys.map(([key, does]) => (
              <Fragment key={key}>
                <Box component="dt" sx={{ fontWeight: 700, color: colours.verdigris }}>
                  {key}
                </Box>
                <Box component="dd" sx={{ m: 0 }}>
                  {does}
                </Box>
              </Fragment>
            ))}
          </Fragment>
        ))}
      </Box>
    </Asking>
  );
}
