/** Check: what a second pair of eyes sees on a page, where it is, why it matters, and what would do. */

import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { pagesQuery } from "../../api/pages";
import { CheckBench } from "./CheckBench";

export default function Check() {
  const { id } = useParams();
  const { data: pages } = useQuery(pagesQuery);
  const navigate = useNavigate();
  const first = pages?.[0];
  useEffect(() => {
    if (!id && first) navigate(`/check/${first.saved.id}`, { replace: true });
  }, [id, first, navigate]);
  if (!pages) return null;
  const here = pages.find((page) => page.saved.id === id);
  if (!here) {
    return (
      <Box sx={{ maxWidth: 620, mx: "auto", px: 3, py: 8 }}>
        <Typography variant="h1" gutterBottom>
          {id && pages.length ? "This page is not here any more" : "Nothing to check yet"}
        </Typography>
        A page is looked at once there is one: <Link to="/page">all pages</Link>. Or{" "}
        <Link to="/check/learn">learn to see</Link>, with pairs of little pages.
      </Box>
    );
  }
  return (
    <CheckBench
      key={here.saved.id}
      answer={here}
      pages={pages.map((page) => [page.saved.id, page.page.name] as const)}
      onPage={(other) => navigate(`/check/${other}`)}
    />
  );
}
