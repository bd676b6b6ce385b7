/** The recipe: parts from underneath upward, each a sentence; the chosen one shows its values as fields. */
import Box from "@mui/material/Box";
import { type KeyboardEvent, useEffect, useRef, useState } from "react";
import { colours } from "../../app/theme";
import { Icon } from "../../ui/Icon";
import { PartRow, type Rows } from "./PartRow";

interface Props extends Rows {
  chosen: string | null;
  /** Chosen besides it. */
  also: readonly string[];
  onChoose: (part: string | null, more?: boolean) => void;
  /** The fields of the chosen part are elsewhere. */
  folded: boolean;
}

export function RecipeList(props: Props) {
  const { parts, chosen, onChoose, onOrder } = props;
  const [dragged, setDragged] = useState<number | null>(null);
  const [over, setOver] = useState<number | null>(null);
  const list = useRef<HTMLOListElement>(null);

  const known = props.page?.parts.some((part) => part.id === chosen);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once a part is worked out its line has its height
  useEffect(() => {
    const row = chosen && list.current?.querySelector(`[data-row="${chosen}"]`);
    if (row) reveal(row, row.closest("[data-pane]"));
  }, [chosen, known]);

  // The list is one stop: its parts are gone through with the arrow keys.
  const stop = parts.some((part) => part.id === chosen) ? chosen : parts[0]?.id;

  function onKeyDown(event: KeyboardEvent, k: number): void {
    if (event.target !== event.currentTarget) return;
    const by = event.key === "ArrowUp" ? -1 : event.key === "ArrowDown" ? 1 : 0;
    const part = parts[k];
    if (by) {
      event.preventDefault();
      if (event.altKey) onOrder(k, k + by);
      else focusRow(list.current, parts[k + by]?.id);
    } else if (part && (event.key === "Enter" || event.key === " ")) {
      event.preventDefault();
      onChoose(chosen === part.id ? null : part.id);
    }
  }

  return (
    <Box
      component="ol"
      ref={list}
      aria-label="Recipe, from underneath upward"
      sx={{ listStyle: "none", m: 0, p: 0 }}
    >
      {parts.map((part, k) => {
        const isChosen = chosen === part.id;
        return (
          <Box
            component="li"
            key={part.id}
            data-row={part.id}
            tabIndex={part.id === stop ? 0 : -1}
            aria-current={isChosen || props.also.includes(part.id) || undefined}
            onKeyDown={(event: KeyboardEvent) => onKeyDown(event, k)}
            onClick={(event: React.MouseEvent) =>
              (!isChosen || event.shiftKey) && onChoose(part.id, event.shiftKey)
            }
            onDragOver={(event: React.DragEvent) => {
              if (dragged === null) return;
              event.preventDefault();
              setOver(k);
            }}
            onDrop={() => {
              if (dragged !== null && dragged !== k) onOrder(dragged, k);
              setDragged(null);
              setOver(null);
            }}
            sx={{
              display: "flex",
              gap: 0.5,
              py: 0.75,
              pr: 1,
              pl: 0.5,
              cursor: isChosen ? "auto" : "pointer",
              background: isChosen ? colours.paper : "transparent",
              borderLeft: `4px solid ${isChosen || props.also.includes(part.id) ? colours.verdigris : "transparent"}`,
              borderBottom: `1px solid ${colours.line}`,
              boxShadow:
                over === k && dragged !== null
                  ? `inset 0 ${dragged < k ? -3 : 3}px 0 ${colours.verdigris}`
                  : "none",
              opacity: dragged === k ? 0.5 : 1,
              "&:hover": { background: colours.paper },
            }}
          >
            <Box
              draggable
              onDragStart={(event: React.DragEvent) => {
                event.dataTransfer.effectAllowed = "move";
                event.dataTransfer.setData("text/plain", part.id);
                setDragged(k);
              }}
              onDragEnd={() => {
                setDragged(null);
                setOver(null);
              }}
              title="Drag to change the order; or Alt with the arrow keys"
              sx={{ cursor: "grab", color: colours.soft, pt: 0.25, touchAction: "none" }}
            >
              <Icon name="grip" size={18} />
            </Box>
            <Box sx={{ flex: 1, minWidth: 0 }}>
              <PartRow {...props} part={part} k={k} isChosen={isChosen && !props.folded} />
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}

/** Scrolls the pane alone: the drawing stays where it is under the hand, also where the whole bench scrolls. */
function reveal(row: Element, pane: Element | null): void {
  if (!pane) return;
  const inside = row.getBoundingClientRect();
  const view = pane.getBoundingClientRect();
  const above = inside.top - view.top;
  const below = inside.bottom - view.bottom;
  if (above < 0) pane.scrollTop += above;
  else if (below > 0) pane.scrollTop += Math.min(below, above);
}

function focusRow(list: HTMLElement | null, id: string | undefined): void {
  if (id) list?.querySelector<HTMLElement>(`[data-row="${id}"]`)?.focus();
}
