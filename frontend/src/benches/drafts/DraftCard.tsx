/** One draft as it would look, with what it opens, leaves and lacks. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Draft } from "../../api/drafts";
import { colours } from "../../app/theme";
import { unbroken } from "../../ui/figures";

interface Props {
  draft: Draft;
  onTake: () => void;
  onLike?: () => void;
}

export function DraftCard({ draft, onTake, onLike }: Props) {
  return (
    <Box
      component="li"
      sx={{
        background: colours.paper,
        boxShadow: `0 0 0 1px ${colours.line}`,
        display: "flex",
        flexDirection: "column",
      }}
    >
      <Box
        role="img"
        aria-label={`Draft: ${draft.sketch}`}
        sx={{ "& svg": { width: "100%", height: "auto", display: "block", maxHeight: 300 } }}
        // biome-ignore lint/security/noDangerouslySetInnerHtml: the page as our own server draws it
        dangerouslySetInnerHTML={{ __html: draft.drawing }}
      />
      <Box sx={{ p: 1.25, display: "grid", gap: 0.5, flex: 1, alignContent: "start" }}>
        <Box sx={{ fontWeight: 700 }}>{draft.sketch}</Box>
        <Box sx={{ fontSize: "0.9rem" }}>{unbroken(draft.says)}</Box>
        {draft.weak.length > 0 && (
          <Box
            component="ul"
            aria-label="What is weak"
            sx={{ m: 0, pl: 2, fontSize: "0.85rem", color: colours.soft }}
          >
            {draft.weak.map((one) => (
              <li key={one}>{unbroken(one)}</li>
            ))}
          </Box>
        )}
      </Box>
      <Box sx={{ display: "flex", gap: 1, p: 1.25, pt: 0 }}>
        <Button size="small" variant="contained" onClick={onTake}>
          Take it
        </Button>
        {onLike && (
          <Button size="small" onClick={onLike}>
            More like this one
          </Button>
        )}
      </Box>
    </Box>
  );
}
