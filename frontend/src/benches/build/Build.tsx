/** Build: one step at a time, legible while standing; what dries has a clock, and what can be done meanwhile is next. */

import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import { usePageHere } from "../../app/usePageHere";
import { BuildBench } from "./BuildBench";

export default function Build() {
  const { pages, here, gone, names, onPage } = usePageHere(
    "build",
    (all) => all.find((page) => page.built === "begun") ?? all.find((page) => page.cutting === "cut") ?? all[0],
  );
  if (!pages) return null;
  if (!here) {
    return (
      <Box sx={{ maxWidth: 620, mx: "auto", px: 3, py: 8 }}>
        <Typography variant="h1" gutterBottom>
          {gone ? "This page is not here any more" : "Nothing to build yet"}
        </Typography>
        The order of gluing follows from a page: <Link to="/page">all pages</Link>.
      </Box>
    );
  }
  const { id } = here.saved;
  return <BuildBench key={id} id={id} name={here.page.name} pages={names} onPage={onPage} />;
}
