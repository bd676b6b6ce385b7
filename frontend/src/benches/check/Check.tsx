/** Check: what a second pair of eyes sees on a page, where it is, why it matters, and what would do. */

import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import { usePageHere } from "../../app/usePageHere";
import { CheckBench } from "./CheckBench";

export default function Check() {
  const { pages, here, gone, names, onPage } = usePageHere("check", (all) => all[0]);
  if (!pages) return null;
  if (!here) {
    return (
      <Box sx={{ maxWidth: 620, mx: "auto", px: 3, py: 8 }}>
        <Typography variant="h1" gutterBottom>
          {gone ? "This page is not here any more" : "Nothing to check yet"}
        </Typography>
        A page is looked at once there is one: <Link to="/page">all pages</Link>. Or{" "}
        <Link to="/check/learn">learn to see</Link>, with pairs of little pages.
      </Box>
    );
  }
  return <CheckBench key={here.saved.id} answer={here} pages={names} onPage={onPage} />;
}
