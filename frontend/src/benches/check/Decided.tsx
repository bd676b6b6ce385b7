/** Which rules hold for a page, and who says so: itself, its kit, the household. */

import Box from "@mui/material/Box";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { rulesQuery } from "../../api/checks";
import type { Schemas } from "../../api/client";
import { colours } from "../../app/theme";

const BY = {
  page: "this page says",
  kit: "its kit says",
  house: "the household says",
  usual: "as is usual",
} as const;

export function Decided({ decided, page }: { decided: readonly Schemas["Decided"][]; page: string }) {
  const { data: rules } = useQuery(rulesQuery);
  const said = decided.filter((one) => one.by !== "usual").length;
  return (
    <Box component="details" sx={{ p: 2, borderTop: `1px solid ${colours.line}` }}>
      <Box component="summary" sx={{ cursor: "pointer", minHeight: 44 }}>
        Rules that hold here{said > 0 && `, ${said} of your own`}
      </Box>
      <Box component="ul" sx={{ m: 0, pl: 2.5, fontSize: "0.9rem", lineHeight: 1.5 }}>
        {decided.map((one) => {
          const rule = rules?.find((known) => known.id === one.rule);
          const option = rule?.options.find((known) => known.value === one.value);
          return (
            <li key={one.rule}>
              {rule?.asks} <b>{option?.name}</b>, {BY[one.by]}.
            </li>
          );
        })}
      </Box>
      <Link to={`/rules?page=${page}`}>Change a rule</Link>
    </Box>
  );
}
