/** The log: finished pages as they face each other in the album, stories without a page, what nobody has used yet. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { LOG_CSV, LOG_HTML, type LogOut, logQuery, orderAlbum } from "../../api/building";
import { type PageOut, pagesQuery, pageThumb } from "../../api/pages";
import { pictureAt } from "../../api/pictures";
import { colours, words } from "../../app/theme";
import { useDoing } from "../../app/useDoing";
import { IconAction } from "../../ui/IconAction";
import { SearchField } from "../../ui/SearchField";
import { isCalled } from "../../ui/search";

type Entry = LogOut["finished"][number];

const MOST_LAIN = 12;

export default function Album() {
  const { data } = useQuery(logQuery);
  const { data: pages } = useQuery(pagesQuery);
  const queries = useQueryClient();
  const { busy, doing } = useDoing();
  const [typed, setTyped] = useState("");
  if (!data || !pages) return null;
  const found = data.finished.filter((one) => isCalled(typed, one.words));
  const order = data.finished.map((one) => one.entry.page);
  const pageOf = (id: string) => pages.find((one) => one.saved.id === id);

  const move = (id: string, by: number) =>
    doing(async () => {
      const at = order.indexOf(id);
      const next = [...order];
      next.splice(at, 1);
      next.splice(at + by, 0, id);
      queries.setQueryData(logQuery.queryKey, await orderAlbum(next));
    });

  return (
    <Box sx={{ maxWidth: 1120, mx: "auto", p: 3 }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 2, pb: 1 }}>
        <Typography variant="h1">Log</Typography>
        <Button component={Link} to="/log/book" variant="outlined" size="small">
          The kit’s book
        </Button>
        <Box sx={{ flex: "1 1 220px", maxWidth: 360 }}>
          <SearchField
            label="Search the log"
            placeholder="a story, a paper, who is on it …"
            value={typed}
            onChange={setTyped}
          />
        </Box>
        <Box sx={{ ml: "auto" }}>
          <Button component="a" href={LOG_CSV} download size="small">
            All of it (CSV)
          </Button>
          <Button component="a" href={LOG_HTML} download size="small">
            The album (HTML)
          </Button>
        </Box>
      </Box>
      {!data.finished.length && (
        <Typography>
          No page is finished yet. When one is glued, its picture, its story and what it took are kept here:{" "}
          <Link to="/build">to the building bench</Link>.
        </Typography>
      )}
      {typed ? (
        <Box sx={GRID}>
          {found.map((one) => (
            <Leaf key={one.entry.page} entry={one} page={pageOf(one.entry.page)} />
          ))}
          {!found.length && <span>Nothing in the log is called so.</span>}
        </Box>
      ) : data.album.length === 0 ? null : (
        <Box component="ol" aria-label="The album" sx={{ listStyle: "none", m: 0, p: 0 }}>
          {data.album.map((facing, k) => {
            const sides = [facing.left, facing.right].map((id) =>
              data.finished.find((one) => one.entry.page === id),
            );
            const whole = facing.left !== null && facing.left === facing.right && !facing.torn;
            return (
              // biome-ignore lint/suspicious/noArrayIndexKey: a place in the book is its number
              <Box component="li" key={k} sx={{ pb: 3 }}>
                <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 0.5, maxWidth: 900 }}>
                  {whole && sides[0] ? (
                    <Leaf
                      entry={sides[0]}
                      page={pageOf(sides[0].entry.page)}
                      wide
                      busy={busy}
                      onMove={move}
                      order={order}
                    />
                  ) : (
                    sides.map((one, side) =>
                      one ? (
                        <Leaf
                          key={side ? "right" : "left"}
                          side={side ? "right" : "left"}
                          entry={one}
                          page={pageOf(one.entry.page)}
                          busy={busy}
                          onMove={move}
                          order={order}
                        />
                      ) : (
                        <Box key={side ? "right" : "left"} sx={{ background: colours.ground, minHeight: 60 }} />
                      ),
                    )
                  )}
                </Box>
                {facing.torn && (
                  <Box sx={{ color: colours.madder, fontWeight: 700 }}>
                    A double page is torn apart here: it begins on the right. Move a single page before it.
                  </Box>
                )}
              </Box>
            );
          })}
        </Box>
      )}
      {data.waiting.length > 0 && (
        <Box component="section" aria-label="Stories that wait">
          <Typography variant="h2" sx={{ pt: 2 }}>
            Stories that wait for their page
          </Typography>
          <Box component="ul" sx={{ lineHeight: 1.6 }}>
            {data.waiting.map((id) => (
              <li key={id}>
                <Link to={`/page/${id}`}>{pageOf(id)?.page.name}</Link>: {pageOf(id)?.page.story.slice(0, 90)}
                {(pageOf(id)?.page.story.length ?? 0) > 90 && " …"} <Link to={`/log/${id}`}>It is finished</Link>
              </li>
            ))}
          </Box>
        </Box>
      )}
      {data.lain.length > 0 && (
        <Box component="section" aria-label="What has lain longest">
          <Typography variant="h2" sx={{ pt: 2 }}>
            What has lain longest
          </Typography>
          <Box sx={{ color: colours.soft }}>
            Nobody has used these yet. <Link to="/page/drafts">Draft a page</Link> that does.
          </Box>
          <Box component="ul" sx={{ columns: "260px", lineHeight: 1.6 }}>
            {data.lain.slice(0, MOST_LAIN).map((one) => (
              <li key={`${one.kind} ${one.what} ${one.kit}`}>
                {one.what}{" "}
                <Box component="span" sx={{ color: colours.soft }}>
                  {one.kit}
                </Box>
              </li>
            ))}
          </Box>
          {data.lain.length > MOST_LAIN && <span>and {data.lain.length - MOST_LAIN} more</span>}
        </Box>
      )}
    </Box>
  );
}

const GRID = { display: "grid", gap: 2, gridTemplateColumns: "repeat(auto-fill, minmax(240px, 1fr))" } as const;

interface LeafProps {
  entry: Entry;
  page: PageOut | undefined;
  wide?: boolean;
  side?: "left" | "right";
  busy?: boolean;
  order?: readonly string[];
  onMove?: (id: string, by: number) => Promise<void>;
}

/** A finished page, or both of a double one. */
function Leaf({ entry: { entry }, page, wide, side, busy, order = [], onMove }: LeafProps) {
  const minutes = entry.spent.reduce((sum, one) => sum + one.minutes, 0);
  const picture = entry.picture ? pictureAt(entry.picture, "view") : page ? pageThumb(page) : "";
  const at = order.indexOf(entry.page);
  return (
    <Box component="figure" sx={{ m: 0, gridColumn: wide ? "1 / -1" : undefined }}>
      <Link to={`/log/${entry.page}`}>
        <Box
          component="img"
          src={picture}
          alt={entry.name}
          loading="lazy"
          sx={{
            width: wide ? "100%" : "auto",
            maxWidth: "100%",
            maxHeight: wide ? "none" : "54vh",
            display: "block",
            ml: side === "left" ? "auto" : 0,
            boxShadow: "2px 3px 8px rgba(42, 34, 22, 0.25)",
          }}
        />
      </Link>
      <Box component="figcaption" sx={{ pt: 0.5, display: "flex", alignItems: "baseline", gap: 1 }}>
        <Box sx={{ ...words, fontWeight: 600 }}>{entry.name}</Box>
        <Box sx={{ color: colours.soft, fontSize: "0.9rem" }}>
          {entry.told ?? ""}
          {minutes > 0 && ` · ${minutes} minutes`}
        </Box>
        {onMove && (
          <Box sx={{ ml: "auto", whiteSpace: "nowrap" }}>
            <IconAction
              small
              icon="up"
              name={`${entry.name} further to the front`}
              disabled={busy || at <= 0}
              onClick={() => void onMove(entry.page, -1)}
            />
            <IconAction
              small
              icon="down"
              name={`${entry.name} further to the back`}
              disabled={busy || at === order.length - 1}
              onClick={() => void onMove(entry.page, 1)}
            />
          </Box>
        )}
      </Box>
    </Box>
  );
}
