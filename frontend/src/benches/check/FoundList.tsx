/** What was found, numbered, the graver first: what, why it matters, what would do; what was put aside as a count. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { type Found, type Remedy, remedyCostQuery } from "../../api/checks";
import type { Recipe } from "../../api/pages";
import { colours } from "../../app/theme";
import { unbroken } from "../../ui/figures";
import { Icon } from "../../ui/Icon";

interface Props {
  id: string;
  page: Recipe;
  told: readonly Found[];
  aside: readonly Found[];
  looked: Found | null;
  /** It was looked at once. */
  ready: boolean;
  /** What is shown is of the page as it stands: remedies can be taken. */
  current: boolean;
  onLook: (found: Found) => void;
  onMend: (remedy: Remedy) => void;
  onLike: (found: Found) => void;
  onNever: (found: Found) => void;
  onAgain: (found: Found) => void;
}

export function FoundList(props: Props) {
  const { told, aside, looked } = props;
  return (
    <>
      {props.ready && told.length === 0 && (
        <Box sx={{ p: 2 }}>Nothing speaks against this page. What matters to you is not measured here.</Box>
      )}
      <Box component="ol" aria-label="What was found" sx={{ listStyle: "none", m: 0, p: 0 }}>
        {told.map((one, k) => (
          <FoundRow
            key={`${one.finding.code} ${one.finding.part} ${one.finding.sentence}`}
            {...props}
            found={one}
            number={k + 1}
            isLooked={one.finding.sentence === looked?.finding.sentence && one.finding.code === looked.finding.code}
          />
        ))}
      </Box>
      {aside.length > 0 && (
        <Box component="details" sx={{ p: 2, borderTop: `1px solid ${colours.line}` }}>
          <Box component="summary" sx={{ cursor: "pointer", minHeight: 44 }}>
            {aside.length} put aside
          </Box>
          {aside.map((one) => (
            <Box
              key={`${one.finding.code} ${one.finding.part} ${one.finding.sentence}`}
              sx={{ py: 0.75, color: colours.soft, fontSize: "0.9rem" }}
            >
              {unbroken(one.finding.sentence)}{" "}
              <i>{one.finding.aside === "page" ? "You like it so." : "Never told."}</i>{" "}
              <Button size="small" onClick={() => props.onAgain(one)}>
                Tell it again
              </Button>
            </Box>
          ))}
        </Box>
      )}
    </>
  );
}

function FoundRow({ found, number, isLooked, ...on }: Props & { found: Found; number: number; isLooked: boolean }) {
  const { severity, sentence, remedies } = found.finding;
  const ink = severity === "stop" ? colours.madder : severity === "warn" ? colours.ochre : colours.verdigris;
  return (
    <Box
      component="li"
      aria-current={isLooked || undefined}
      onClick={() => on.onLook(found)}
      sx={{
        display: "flex",
        gap: 1.25,
        px: 1.5,
        py: 1.25,
        cursor: "pointer",
        borderBottom: `1px solid ${colours.line}`,
        borderLeft: `4px solid ${isLooked ? ink : "transparent"}`,
        background: isLooked ? colours.paper : "transparent",
      }}
    >
      <Box sx={{ flex: "none", width: 24, fontWeight: 700, color: ink, textAlign: "right" }}>{number}</Box>
      <Box sx={{ minWidth: 0 }}>
        <Box
          component="button"
          type="button"
          onClick={() => on.onLook(found)}
          sx={{
            font: "inherit",
            fontWeight: 700,
            background: "none",
            border: 0,
            p: 0,
            color: colours.ink,
            cursor: "pointer",
            "@media (pointer: coarse)": { minHeight: 44 },
            display: "flex",
            gap: 0.5,
            alignItems: "center",
          }}
        >
          {severity !== "note" && <Icon name="stop" size={17} />}
          {found.name}
        </Box>
        <Box sx={{ lineHeight: 1.4 }}>{unbroken(sentence)}</Box>
        {isLooked && found.why && (
          <Box sx={{ color: colours.soft, fontSize: "0.88rem", lineHeight: 1.35 }}>{found.why}</Box>
        )}
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.75, pt: 0.75 }}>
          {remedies.map((remedy) => (
            <Button
              key={remedy.says}
              size="small"
              variant="outlined"
              disabled={!on.current || Boolean(remedy.pack)}
              sx={{ whiteSpace: "normal", lineHeight: 1.3 }}
              onClick={(event) => {
                event.stopPropagation();
                on.onMend(remedy);
              }}
            >
              {unbroken(remedy.says)}
              {isLooked && !remedy.pack && <Cost id={on.id} page={on.page} remedy={remedy} />}
            </Button>
          ))}
          {severity !== "stop" && (
            <>
              <Button
                size="small"
                onClick={(event) => {
                  event.stopPropagation();
                  on.onLike(found);
                }}
              >
                I like it so
              </Button>
              <Button
                size="small"
                sx={{ color: colours.soft }}
                onClick={(event) => {
                  event.stopPropagation();
                  on.onNever(found);
                }}
              >
                Never tell this
              </Button>
            </>
          )}
        </Box>
      </Box>
    </Box>
  );
}

/** What it would cost in paper, beside what it is called. */
function Cost(of: { id: string; page: Recipe; remedy: Remedy }) {
  const { data } = useQuery(remedyCostQuery(of.id, of.page, of.remedy));
  if (!data) return null;
  return (
    <Box component="span" sx={{ pl: 0.75, fontWeight: 400 }}>
      ({unbroken(data)})
    </Box>
  );
}
