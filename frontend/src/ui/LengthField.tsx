/**
 * A length in a sentence: takes every spelling, shows the person's own unit, steps by one mark with the arrow keys.
 *
 * What is typed is never rewritten while it is typed; it counts on leaving the field or Enter, Escape takes it back.
 */
import Box from "@mui/material/Box";
import { useEffect, useId, useLayoutEffect, useRef, useState } from "react";
import { Unreachable } from "../api/client";
import { type Range, readLength, useShown } from "../api/lengths";
import { useUnitHere } from "../api/rulesHere";
import { useUnit } from "../api/settings";
import { colours, figures } from "../app/theme";
import { Complaint } from "./Complaint";

interface Props {
  /** What the length is of, for those who cannot see the sentence around it. */
  label: string;
  /** As documents hold it, with its unit; null shows an empty field. */
  value: string | null;
  onCommit: (length: string) => void;
  range?: Range;
  /** Shows the unit behind the number. */
  unit?: boolean;
}

const PAUSE = 150;

export function LengthField({ label, value, onCommit, range = "size", unit }: Props) {
  const shown = useShown(value);
  const household = useUnit();
  const here = useUnitHere();
  const [draft, setDraft] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const field = useRef<HTMLInputElement>(null);
  const asked = useRef(0);
  // An answer takes a moment, in which other fields are filled in: it is put into what is there when it comes.
  const now = useRef({ value, onCommit });
  useLayoutEffect(() => {
    now.current = { value, onCommit };
  });
  const steps = useRef(Promise.resolve());
  const errorId = useId();
  const text = draft ?? (shown ? (shown.rounded ? `~ ${shown.shown}` : shown.shown) : bare(value, household));

  // A field that one is in and has not typed in yet stays selected when what it shows changes under one's hands.
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new text is the signal
  useLayoutEffect(() => {
    if (draft === null && field.current === document.activeElement) field.current?.select();
  }, [text]);

  useEffect(() => {
    if (draft === null) return;
    const turn = ++asked.current;
    const timer = setTimeout(async () => {
      try {
        await readLength(draft, range, here);
        if (turn === asked.current) setWrong(null);
      } catch (error) {
        if (turn === asked.current && !(error instanceof Unreachable)) setWrong((error as Error).message);
      }
    }, PAUSE);
    return () => clearTimeout(timer);
  }, [draft, range, here]);

  function put(length: string): void {
    const { value: held, onCommit: take } = now.current;
    now.current.value = length;
    if (length !== held) take(length);
  }

  async function commit(): Promise<void> {
    if (draft === null) return;
    const turn = ++asked.current;
    try {
      const read = await readLength(draft, range, here);
      if (turn !== asked.current) return;
      setDraft(null);
      setWrong(null);
      put(read.length);
    } catch (error) {
      if (error instanceof Unreachable && /\d/.test(draft)) {
        // Nothing can read it now. It goes into the document as it was typed, which is kept until the server reads it.
        setDraft(null);
        put(/[a-z"'″”]/i.test(draft) ? draft : `${draft.trim()} ${household}`);
      } else if (turn === asked.current) setWrong((error as Error).message);
    }
  }

  /** Each step starts from where the one before it ended, however fast they are pressed. */
  function step(marks: number): void {
    const typed = draft;
    const turn = ++asked.current;
    steps.current = steps.current.then(async () => {
      try {
        const read = await readLength(typed ?? now.current.value ?? "0", range, here, marks);
        setDraft((held) => (held === typed ? null : held));
        if (turn === asked.current) setWrong(null);
        put(read.length);
      } catch (error) {
        if (turn === asked.current) setWrong((error as Error).message);
      }
    });
  }

  function onKeyDown(event: React.KeyboardEvent<HTMLInputElement>): void {
    if (event.key === "Enter") {
      event.preventDefault();
      void commit();
    } else if (event.key === "Escape" && draft !== null) {
      event.stopPropagation();
      asked.current++;
      setDraft(null);
      setWrong(null);
    } else if (event.key === "ArrowUp" || event.key === "ArrowDown") {
      event.preventDefault();
      event.stopPropagation();
      step((event.key === "ArrowUp" ? 1 : -1) * (event.shiftKey ? 4 : 1));
    }
  }

  return (
    <Box component="span" sx={{ display: "inline-flex", alignItems: "baseline", gap: 0.5 }}>
      <Box
        component="input"
        ref={field}
        type="text"
        inputMode="text"
        aria-label={label}
        aria-invalid={wrong !== null}
        data-typing={draft !== null || undefined}
        aria-describedby={wrong ? errorId : undefined}
        autoComplete="off"
        spellCheck={false}
        value={text}
        onChange={(event: React.ChangeEvent<HTMLInputElement>) => setDraft(event.target.value)}
        onFocus={(event: React.FocusEvent<HTMLInputElement>) => event.target.select()}
        onBlur={() => void commit()}
        onKeyDown={onKeyDown}
        sx={{ ...fieldStyle(wrong !== null), width: `${Math.max(4.2, text.length + 1.6)}ch` }}
      />
      {unit && <Box component="span">{household}</Box>}
      {wrong && (
        <Complaint field={field.current} id={errorId}>
          {wrong}
        </Complaint>
      )}
    </Box>
  );
}

/** A length as documents hold it, until the server has said how it is shown. */
function bare(value: string | null, household: string): string {
  return (value ?? "").replace(new RegExp(` ${household}$`), "");
}

export function fieldStyle(wrong = false) {
  return {
    ...figures,
    font: "inherit",
    fontWeight: 700,
    color: colours.ink,
    textAlign: "center",
    border: 0,
    borderBottom: `1.5px solid ${wrong ? colours.madder : colours.verdigris}`,
    borderRadius: "3px 3px 0 0",
    background: wrong ? colours.madderTint : colours.tint,
    padding: "3px 4px",
    minWidth: "3.2ch",
    maxWidth: "18ch",
    "@media (pointer: coarse)": { minHeight: 44, minWidth: 44 },
  } as const;
}
