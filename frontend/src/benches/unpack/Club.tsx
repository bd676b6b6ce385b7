/** The kit club: its kits by month, what would come in of one, corrections of those that are here, its challenge. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import {
  type ClubKitOut,
  type Correction,
  clubQuery,
  correctKit,
  giveKitBack,
  offerQuery,
  takeKit,
} from "../../api/club";
import { useFrame } from "../../app/FrameContext";
import { colours } from "../../app/theme";
import { useDoing } from "../../app/useDoing";
import { unbroken } from "../../ui/figures";

const KINDS = { kit: "kit", "add-on": "add-on", "page kit": "single page kit" } as const;

export default function Club() {
  const { data, error } = useQuery(clubQuery);
  const [where, setWhere] = useSearchParams();
  if (!data) return <Box sx={{ p: 4 }}>{error ? error.message : "Asking the club …"}</Box>;
  const code = where.get("kit");
  return (
    <Box sx={{ maxWidth: 920, mx: "auto", px: 2, py: 3 }}>
      <Typography variant="h1" gutterBottom>
        {data.club || "The kit club"}
      </Typography>
      {!data.there && (
        <Box role="status" sx={{ color: colours.madder }}>
          {`${data.says.charAt(0).toUpperCase()}${data.says.slice(1)}.`} <Link to="/unpack">Back to Unpack</Link>
        </Box>
      )}
      {data.corrections.map((one) => (
        <Corrected key={`${one.code} ${one.edition}`} of={one} />
      ))}
      <Box component="ul" aria-label="Kits of the club" sx={{ listStyle: "none", m: 0, p: 0 }}>
        {data.kits.map(({ entry, here }) => (
          <Box component="li" key={entry.code} sx={{ borderTop: `1px solid ${colours.line}`, py: 1.25 }}>
            <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, alignItems: "baseline" }}>
              <b>{entry.name}</b>
              <Box component="span" sx={{ color: colours.soft }}>
                {[KINDS[entry.kind], entry.month].filter(Boolean).join(" · ")}
              </Box>
              <Box sx={{ ml: "auto" }}>
                {here ? (
                  <Link to={`/unpack/${here}`}>It is here</Link>
                ) : (
                  <Button
                    size="small"
                    variant={code === entry.code ? "text" : "outlined"}
                    aria-expanded={code === entry.code}
                    onClick={() => setWhere(code === entry.code ? {} : { kit: entry.code })}
                  >
                    {code === entry.code ? "Close" : `Look into ${entry.name}`}
                  </Button>
                )}
              </Box>
            </Box>
            {entry.says && <Box sx={{ color: colours.soft }}>{entry.says}</Box>}
            {code === entry.code && !here && <Offered code={entry.code} />}
          </Box>
        ))}
      </Box>
      {data.challenge && (
        <Box
          component="section"
          aria-label="The club’s challenge"
          sx={{ borderTop: `1px solid ${colours.line}`, pt: 2 }}
        >
          <Box component="h2" sx={{ m: 0, fontSize: "1.1rem" }}>
            The club’s challenge: {data.challenge.title}
          </Box>
          <p>
            {data.challenge.says} {data.challenge.until && `Until ${data.challenge.until}.`}
          </p>
        </Box>
      )}
    </Box>
  );
}

/** What would come in, each to be left out; what is here already is left out unless one says otherwise. */
function Offered({ code }: { code: string }) {
  const { data, error } = useQuery(offerQuery(code));
  if (error) return <Box role="alert">{error.message}</Box>;
  if (!data) return <Box sx={{ py: 1 }}>Looking into it …</Box>;
  return <Choosing offer={data} />;
}

function Choosing({ offer }: { offer: ClubKitOut }) {
  const [chosen, setChosen] = useState(() => new Set(offer.items.filter((one) => !one.alike).map((one) => one.id)));
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { say } = useFrame();
  const { busy, doing } = useDoing();

  const takeIn = () =>
    doing(async () => {
      const came = await takeKit(offer.code, [...chosen]);
      await queries.invalidateQueries();
      navigate(`/unpack/${came.kit}`);
      say(`${came.name} is unpacked`, {
        name: "Give it back",
        run: () =>
          void giveKitBack(came.kit, came.sketches)
            .then(() => queries.invalidateQueries())
            .catch((problem: Error) => say(problem.message)),
      });
    });

  return (
    <Box component="section" aria-label={`What is in ${offer.name}`} sx={{ pt: 1 }}>
      <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0, columns: "300px 2", columnGap: 3 }}>
        {offer.items.map((one) => (
          <Box component="li" key={one.id} sx={{ breakInside: "avoid", py: 0.25 }}>
            <Box component="label" sx={{ display: "flex", gap: 1, alignItems: "baseline" }}>
              <input
                type="checkbox"
                checked={chosen.has(one.id)}
                onChange={() => setChosen((now) => toggled(now, one.id))}
              />
              <Box component="span" aria-hidden sx={{ display: "inline-flex" }}>
                {one.colours.slice(0, 3).map((colour) => (
                  <Box
                    component="span"
                    key={colour}
                    sx={{ width: 12, height: 12, background: colour, border: "1px solid #0003" }}
                  />
                ))}
              </Box>
              <span>
                {unbroken(`${one.count} × ${one.name}, ${one.size}`)}
                {one.alike && (
                  <Box component="span" sx={{ color: colours.soft }}>
                    {" "}
                    · in {one.alike} already
                  </Box>
                )}
              </span>
            </Box>
          </Box>
        ))}
      </Box>
      {offer.sketches.length > 0 && (
        <p>
          {offer.sketches.length === 1 ? "With it comes the sketch" : "With it come the sketches"}{" "}
          {offer.sketches.join(", ")}.
        </p>
      )}
      <Button variant="contained" disabled={busy || !chosen.size} onClick={() => void takeIn()}>
        {chosen.size === offer.items.length ? "Unpack all of it" : `Unpack ${chosen.size} of ${offer.items.length}`}
      </Button>
    </Box>
  );
}

/** What a later edition changes: taken or not, each by itself; what one changed oneself stays. */
function Corrected({ of }: { of: Correction }) {
  const [chosen, setChosen] = useState(() => new Set(of.changes.filter((one) => !one.yours).map((one) => one.id)));
  const queries = useQueryClient();
  const { say } = useFrame();
  const { busy, doing } = useDoing();

  const correct = (ids: string[]) =>
    doing(async () => {
      await correctKit(of.code, ids);
      await queries.invalidateQueries();
      say(ids.length ? `${of.name} is corrected; its own undo takes it back` : `${of.name} stays as it is`);
    });

  return (
    <Box
      component="section"
      aria-label={`Correction of ${of.name}`}
      sx={{ background: colours.tint, borderRadius: 1, p: 1.5, mb: 2 }}
    >
      <Box component="h2" sx={{ m: 0, fontSize: "1.1rem" }}>
        The club has corrected {of.name}
      </Box>
      <Box component="ul" sx={{ listStyle: "none", m: 0, px: 0, py: 1 }}>
        {of.changes.map((one) => (
          <li key={one.id}>
            <label>
              <input
                type="checkbox"
                checked={chosen.has(one.id)}
                onChange={() => setChosen((now) => toggled(now, one.id))}
              />{" "}
              <b>{one.name}</b>: {one.says}
              {one.yours && ` (you changed its ${one.yours}: that stays)`}
            </label>
          </li>
        ))}
        {of.changes.length === 0 && <li>Nothing of it concerns what you have.</li>}
      </Box>
      <Box sx={{ display: "flex", gap: 1 }}>
        <Button variant="contained" disabled={busy || !chosen.size} onClick={() => void correct([...chosen])}>
          Take {chosen.size} of {of.changes.length}
        </Button>
        <Button disabled={busy} onClick={() => void correct([])}>
          Leave it as it is
        </Button>
      </Box>
    </Box>
  );
}

function toggled(chosen: ReadonlySet<string>, id: string): Set<string> {
  const next = new Set(chosen);
  if (!next.delete(id)) next.add(id);
  return next;
}
