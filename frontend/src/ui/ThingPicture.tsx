/** A thing as it looks, in a box. */
import Box from "@mui/material/Box";
import type { ThingOut } from "../api/things";
import { colours } from "../app/theme";

interface Props {
  thing: ThingOut | undefined;
  size: number;
  /** Instead of its own leading colour, such as that of an ink. */
  colour?: string | null;
}

export function ThingPicture({ thing, size, colour }: Props) {
  const across = thing?.across ?? 1;
  const down = thing?.down ?? 1;
  const room = Math.max(across, down) * 0.04;
  return (
    <Box
      component="svg"
      aria-hidden
      viewBox={`${-room} ${-room} ${across + 2 * room} ${down + 2 * room}`}
      sx={{
        width: size,
        height: size,
        flex: "none",
        display: "block",
        background: colours.paper,
        borderRadius: "2px",
      }}
    >
      <ThingMarkup thing={thing} colour={colour ?? thing?.thing.colours[0]} />
    </Box>
  );
}

/** What is drawn of a thing, from the corner of its box. Its markup is made by the server from its description. */
export function ThingMarkup({ thing, colour }: { thing: ThingOut | undefined; colour: string | undefined }) {
  if (!thing) return null;
  return (
    <g
      color={colour ?? "#cfc4ae"}
      // biome-ignore lint/security/noDangerouslySetInnerHtml: numbers and colours only, drawn by our own server
      dangerouslySetInnerHTML={{ __html: thing.markup }}
    />
  );
}
