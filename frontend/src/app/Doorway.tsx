/** Where a passphrase is asked, the household is behind a door: one signs in, and is let out again when signed out. */
import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, type ReactNode, useEffect, useState } from "react";
import { SIGNED_OUT } from "../api/client";
import { doorQuery, signIn } from "../api/door";
import { colours, words } from "./theme";

export function Doorway({ children }: { children: ReactNode }) {
  const { data, isPending } = useQuery(doorQuery);
  const queries = useQueryClient();
  useEffect(() => {
    const ask = () => void queries.invalidateQueries(doorQuery);
    window.addEventListener(SIGNED_OUT, ask);
    return () => window.removeEventListener(SIGNED_OUT, ask);
  }, [queries]);
  if (isPending) return null;
  return data?.asks && !data.inside ? <SignIn /> : children;
}

function SignIn() {
  const [passphrase, setPassphrase] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const [trying, setTrying] = useState(false);

  async function enter(event: FormEvent): Promise<void> {
    event.preventDefault();
    setTrying(true);
    try {
      await signIn(passphrase);
      // Begun anew: what was not sent is taken up from what the browser kept, and no earlier answer comes in between.
      window.location.reload();
    } catch (error) {
      setProblem((error as Error).message);
      setPassphrase("");
    }
    setTrying(false);
  }

  return (
    <Box component="main" sx={{ minHeight: "100dvh", display: "grid", placeItems: "center", p: 2 }}>
      <Box
        component="form"
        onSubmit={(event) => void enter(event)}
        sx={{
          width: "min(26rem, 100%)",
          display: "grid",
          gap: 2,
          p: 3,
          background: colours.paper,
          border: `1px solid ${colours.line}`,
        }}
      >
        <Typography component="h1" sx={{ ...words, fontWeight: 600, fontSize: "1.6rem" }}>
          Ulna
        </Typography>
        <span>This household is behind a door. Its passphrase was shown where Ulna was started.</span>
        <TextField
          label="Passphrase"
          type="password"
          autoComplete="current-password"
          value={passphrase}
          onChange={(event) => setPassphrase(event.target.value)}
          autoFocus
          required
        />
        {problem && <Alert severity="error">{problem}</Alert>}
        <Button type="submit" variant="contained" disabled={trying || !passphrase}>
          Come in
        </Button>
      </Box>
    </Box>
  );
}
