/** What stands around every bench: the way through as a ruler along the top, undo, the state of saving, settings. */

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Snackbar from "@mui/material/Snackbar";
import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useEffect, useRef } from "react";
import { Link, NavLink, useLocation } from "react-router";
import { Unreachable } from "../api/client";
import { incoming } from "../api/incoming";
import { kitsQuery } from "../api/kits";
import { type PageOut, pagesQuery } from "../api/pages";
import { firstPhotosQuery } from "../api/photos";
import { OnceUsual } from "../api/usual";
import { IconAction } from "../ui/IconAction";
import { useTold } from "../ui/useTold";
import { AsideNotice } from "./AsideNotice";
import { useFrame } from "./FrameContext";
import { keepFocus } from "./keepFocus";
import { Measures } from "./Measures";
import { Title } from "./Title";
import { colours, words } from "./theme";
import { useChanges } from "./useChanges";
import { useIncoming } from "./useIncoming";

export const HEADER = 56;

export function Frame({ children }: { children: ReactNode }) {
  const { desk, said, setSaid } = useFrame();
  useUndoKeys();
  useIncoming();
  useChanges();
  useEffect(keepFocus, []);
  return (
    <Box sx={{ height: "100dvh", display: "flex", flexDirection: "column", minWidth: 320 }}>
      <Title />
      <Box
        component="button"
        type="button"
        onClick={() => document.querySelector("main")?.focus()}
        sx={PAST_THE_HEADER}
      >
        To the bench
      </Box>
      <Box
        component="header"
        sx={{
          display: "flex",
          alignItems: "stretch",
          flexWrap: "wrap",
          minHeight: HEADER,
          px: { xs: 1, md: 2 },
          columnGap: { xs: 1, md: 2 },
          background: colours.paper,
          borderBottom: `1px solid ${colours.line}`,
        }}
      >
        <Box sx={{ ...words, fontWeight: 600, fontSize: "1.35rem", alignSelf: "center" }}>Ulna</Box>
        <Way />
        <Box sx={{ display: "flex", alignItems: "center", ml: "auto", gap: 0.5 }}>
          <StillComing />
          <SavingState />
          <IconAction
            icon="undo"
            name={desk?.undo ? `Undo: ${desk.undo}` : "Nothing to undo"}
            onClick={() => desk?.onUndo()}
            disabled={!desk?.undo && desk?.saving !== "refused"}
          />
          <IconAction
            icon="redo"
            name={desk?.redo ? `Redo: ${desk.redo}` : "Nothing to redo"}
            onClick={() => desk?.onRedo()}
            disabled={!desk?.redo}
          />
          <OnceUsual>
            <Measures />
          </OnceUsual>
        </Box>
      </Box>
      {desk?.saving === "changed" && (
        <Alert
          severity="warning"
          action={
            <Box sx={{ display: "flex", gap: 1 }}>
              <Button size="small" color="inherit" onClick={desk.onTakeTheirs}>
                Show theirs
              </Button>
              <Button size="small" color="inherit" onClick={desk.onKeepMine}>
                Keep mine
              </Button>
            </Box>
          }
        >
          This was changed in another window. “Keep mine” leaves theirs one undo away; “Show theirs” lets yours go.
        </Alert>
      )}
      {desk?.saving === "refused" && (
        <Alert severity="error">Not saved: {desk.problem}. Change it, or undo to what was saved.</Alert>
      )}
      {desk?.saving === "waiting" && desk.problem !== new Unreachable().message && (
        <Alert severity="warning">
          Not saved yet, kept in this browser and sent again by itself: {desk.problem}.
        </Alert>
      )}
      <AsideNotice />
      <Box
        component="main"
        tabIndex={-1}
        sx={{ outline: "none", flex: 1, minHeight: 0, position: "relative", overflow: "auto" }}
      >
        {children}
      </Box>
      <Snackbar
        key={said?.key}
        open={said !== null}
        anchorOrigin={{ vertical: "bottom", horizontal: "center" }}
        autoHideDuration={8000}
        onClose={(_, reason) => reason !== "clickaway" && setSaid(null)}
        message={said?.message}
        action={
          said?.action && (
            <Button
              size="small"
              sx={{ color: colours.verdigris }}
              onClick={() => {
                said.action?.run();
                setSaid(null);
              }}
            >
              {said.action.name}
            </Button>
          )
        }
      />
    </Box>
  );
}

/** Seen only where one comes by with the keyboard. */
const PAST_THE_HEADER = {
  position: "absolute",
  left: 8,
  top: -60,
  zIndex: 10,
  font: "inherit",
  fontWeight: 700,
  color: colours.on,
  background: colours.verdigris,
  border: 0,
  p: 1.25,
  "&:focus": { top: 6 },
} as const;

const BENCHES = [
  ["unpack", "Unpack"],
  ["photos", "Photos"],
  ["page", "Page"],
  ["check", "Check"],
  ["cut", "Cut"],
  ["build", "Build"],
  ["log", "Log"],
] as const;

/** The benches in the order of the work, as a ruler whose marks fill as the work goes on. */
function Way() {
  const { data: kits } = useQuery(kitsQuery);
  const { data: photos } = useQuery(firstPhotosQuery);
  const { data: pages } = useQuery(pagesQuery);
  const path = useLocation().pathname;
  const to = useWayBack(path, pages);
  const filled: Record<string, boolean> = {
    unpack: Boolean(kits?.some((k) => k.kit.papers.length)),
    photos: Boolean(photos?.length),
    page: Boolean(pages?.some((p) => p.page.parts.length)),
    check: Boolean(pages?.some((p) => p.page.parts.length > 1)),
    cut: Boolean(pages?.some((p) => p.cutting !== "planned")),
    build: Boolean(pages?.some((p) => p.built !== "not begun")),
    log: Boolean(pages?.some((p) => p.built === "finished")),
  };
  return (
    <Box component="nav" aria-label="Benches" sx={{ display: "flex", alignItems: "stretch" }}>
      {BENCHES.map(([bench, name]) => (
        <Box
          key={bench}
          component={NavLink}
          to={to(bench)}
          sx={{
            display: "flex",
            flexDirection: "column",
            justifyContent: "flex-end",
            alignItems: "center",
            width: { xs: 50, sm: 66, md: 84 },
            minHeight: 44,
            textDecoration: "none",
            color: colours.soft,
            "&.active": { color: colours.verdigris, fontWeight: 700 },
            "&:hover": { color: colours.ink },
          }}
        >
          <Box sx={{ pb: 0.5, fontSize: { xs: "0.78rem", sm: "1rem" } }}>{name}</Box>
          <Marks filled={filled[bench] ?? false} on={path.startsWith(`/${bench}`)} />
        </Box>
      ))}
    </Box>
  );
}

type Bench = (typeof BENCHES)[number][0];

const OF_PAGE = ["page", "check", "cut", "build"];
const NO_PAGE = ["together", "drafts", "sketches", "month", "learn"];

/** Each bench is entered again where it was left; Page, Check and Cut share the page. Page once more shows all pages. */
function useWayBack(path: string, pages: PageOut[] | undefined): (bench: Bench) => string {
  const left = useRef<Record<string, string>>({});
  const [, here = "", id] = path.split("/");
  useEffect(() => {
    if (id && !NO_PAGE.includes(id)) left.current[OF_PAGE.includes(here) ? "page" : here] = id;
  }, [here, id]);
  return (bench) => {
    if (bench === "page" && here === "page") return "/page";
    if (bench === here) return path;
    const ofPage = OF_PAGE.includes(bench);
    const found =
      ofPage && id && OF_PAGE.includes(here) && !NO_PAGE.includes(id) ? id : left.current[ofPage ? "page" : bench];
    return found && (!ofPage || pages?.some((page) => page.saved.id === found))
      ? `/${bench}/${found}`
      : `/${bench}`;
  };
}

function Marks({ filled, on }: { filled: boolean; on: boolean }) {
  const ink = on ? colours.verdigris : filled ? colours.ink : colours.mark;
  return (
    <Box
      component="svg"
      viewBox="0 0 104 16"
      preserveAspectRatio="none"
      sx={{ width: "100%", height: 16 }}
      aria-hidden
    >
      {filled && <rect x="0" y="11" width="104" height="5" fill={on ? colours.verdigris : colours.tint} />}
      {Array.from({ length: 17 }, (_, k) => (
        <path
          // biome-ignore lint/suspicious/noArrayIndexKey: the marks of a ruler never change places
          key={k}
          d={`M${k * 6.5} 16v${k % 16 === 0 ? -16 : k % 8 === 0 ? -12 : k % 4 === 0 ? -9 : -6}`}
          stroke={ink}
          strokeWidth={k % 8 === 0 ? 1.4 : 0.9}
        />
      ))}
    </Box>
  );
}

/** On the other benches: that photos are still coming in. */
function StillComing() {
  const { state, done, of } = useTold(incoming);
  const path = useLocation().pathname;
  if (state === "nothing" || state === "ended" || path.startsWith("/photos")) return null;
  return (
    <Box component={Link} to="/photos" role="status" sx={{ fontSize: "0.88rem", px: 1 }}>
      Photos: {done} of {of}
    </Box>
  );
}

const WORDS = {
  saved: "Saved",
  saving: "Saving…",
  waiting: "Not saved yet, kept here",
  refused: "Not saved",
  changed: "Changed elsewhere",
} as const;

function SavingState() {
  const { desk } = useFrame();
  if (!desk) return null;
  const trouble = desk.saving !== "saved" && desk.saving !== "saving";
  return (
    <Box
      role="status"
      title={desk.problem ?? undefined}
      sx={{
        px: 1,
        fontSize: "0.88rem",
        color: trouble ? colours.madder : colours.soft,
        fontWeight: trouble ? 700 : 400,
      }}
    >
      {WORDS[desk.saving]}
      {desk.saving === "waiting" && desk.problem === new Unreachable().message && ` (${desk.problem})`}
    </Box>
  );
}

/** Ctrl or Cmd with Z, and with Shift+Z or Y, outside of fields that have an undo of their own. */
function useUndoKeys(): void {
  const { desk } = useFrame();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
      const field = event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;
      if (field && (event.target as HTMLInputElement).type !== "checkbox") return;
      const key = event.key.toLowerCase();
      if (key !== "z" && key !== "y") return;
      event.preventDefault();
      if (key === "y" || event.shiftKey) desk?.onRedo();
      else desk?.onUndo();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [desk]);
}
