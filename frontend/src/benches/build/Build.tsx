/** Build: one step at a time, legible while standing; what dries has a clock, and what can be done meanwhile is next. */

import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { pagesQuery } from "../../api/pages";
import { BuildBench } from "./BuildBench";

export default function Build() {
  const { id } = useParams();
  const { data: pages } = useQuery(pagesQuery);
  const navigate = useNavigate();
  useEffect(() => {
    const first = pages?.find((page) => page.built === "begun") ?? pages?.find((page) => page.cutting === "cut");
    const here = first ?? pages?.[0];
    if (!id && here) navigate(`/build/${here.saved.id}`, { replace: true });
  }, [id, pages, navigate]);
  if (!pages) return null;
  const here = pages.find((page) => page.saved.id === id);
  if (!here) {
    return (
      <Box sx={{ maxWidth: 620, mx: "auto", px: 3, py: 8 }}>
        <Typography variant="h1" gutterBottom>
          {id && pages.length ? "This page is not here any more" : "Nothing to build yet"}
        </Typography>
        The order of gluing follows from a page: <Link to="/page">all pages</Link>.
      </Box>
    );
  }
  return (
    <BuildBench
      key={here.saved.id}
      id={here.saved.id}
      name={here.page.name}
      pages={pages.map((page) => [page.saved.id, page.page.name] as const)}
      onPage={(other) => navigate(`/build/${other}`)}
    />
  );
}
