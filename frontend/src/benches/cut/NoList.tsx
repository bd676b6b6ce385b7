/** Where there is no list to cut by: what is the matter, and the way on. */
import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";

export function NoList({ id, problem }: { id: string; problem: string | null }) {
  if (!problem) return <Box sx={{ p: 4 }}>The list is being made …</Box>;
  return (
    <Box sx={{ maxWidth: 620, mx: "auto", px: 3, py: 8 }}>
      <Typography variant="h1" gutterBottom>
        There is no cut list
      </Typography>
      {problem} <Link to="/cut">Choose another page</Link>, or <Link to={`/page/${id}`}>look at this one</Link>.
    </Box>
  );
}
