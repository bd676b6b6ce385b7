/**
 * Photos on their way in: sent a few at a time, whatever bench is open, until all are in or somebody stops them.
 *
 * It knows no React. Names of files that are not in yet are kept in the browser, so that a reload, which cannot take
 * the files along, at least says which ones are missing.
 */
import { Refused, type Schemas, sendFile, Unreachable } from "./client";

type PhotoCame = Schemas["PhotoCame"];

export interface Coming {
  state: "nothing" | "running" | "waiting" | "ended";
  of: number;
  done: number;
  /** What is to be told, in sentences: files that stayed out, came twice, came back, look alike. */
  refused: string[];
  told: string[];
  /** Names of files that did not come in because it was broken off, and why. */
  missing: string[];
  why: string;
}

const NOTHING: Coming = { state: "nothing", of: 0, done: 0, refused: [], told: [], missing: [], why: "" };
const AT_ONCE = 3;
const AGAIN_MS = 1500;
const KEPT = "ulna photos on their way";

type Send = (file: File) => Promise<PhotoCame>;

export class Incoming {
  private listeners = new Set<() => void>();
  private state: Coming = NOTHING;
  private queue: File[] = [];
  private pending = new Set<File>();
  private stopped = false;
  /** Hears of every photo that came. */
  onCame: (came: PhotoCame) => void = () => {};

  constructor(private readonly send: Send) {
    const left = kept();
    if (left.length)
      this.state = { ...NOTHING, state: "ended", missing: left, why: "The page was left meanwhile." };
  }

  getState = (): Coming => this.state;

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  add(files: File[]): void {
    if (!files.length) return;
    const running = this.state.state === "running" || this.state.state === "waiting";
    if (!running) {
      this.stopped = false;
      this.state = { ...NOTHING, state: "running" };
    }
    this.queue.push(...files);
    for (const file of files) this.pending.add(file);
    this.keepPending();
    this.set({ of: this.state.of + files.length });
    if (!running) void this.run();
  }

  /** What is on its way right now still comes in, so that it is known what did; the rest is named. */
  stop(why = "It was stopped."): void {
    this.queue = [];
    this.stopped = true;
    this.set({ why });
  }

  /** Puts the notes away. */
  close(): void {
    if (this.state.state !== "ended") return;
    keep([]);
    this.state = NOTHING;
    this.tell();
  }

  private async run(): Promise<void> {
    await Promise.all(Array.from({ length: AT_ONCE }, () => this.worker()));
    const missing = [...this.pending].map((file) => file.name);
    this.pending.clear();
    keep(missing);
    this.set({ state: "ended", missing });
  }

  private async worker(): Promise<void> {
    for (let file = this.queue.shift(); file; file = this.queue.shift()) {
      await this.bring(file);
    }
  }

  private async bring(file: File): Promise<void> {
    const copy = await inMemory(file);
    if (!copy) {
      this.out(file, `${file.name}: the file was moved or changed while it was read; choose it again`);
      return;
    }
    while (!this.stopped) {
      try {
        this.came(file, await this.send(copy));
        return;
      } catch (error) {
        if (error instanceof Unreachable) {
          this.set({ state: "waiting" });
          await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
        } else if (error instanceof Refused && error.status === 507) {
          this.stop(`The disk took no more (${error.message}).`);
          return;
        } else {
          this.out(file, error instanceof Error ? error.message : String(error));
          return;
        }
      }
    }
  }

  private came(file: File, came: PhotoCame): void {
    this.pending.delete(file);
    const name = came.photo.photo.name;
    const told = [...this.state.told];
    if (came.how === "here") told.push(`${file.name} is here already, as “${name}”.`);
    else if (came.how === "back") told.push(`${file.name} had been put away as “${name}”, and is back.`);
    else if (came.like) told.push(`“${name}” looks the same as “${came.like}”.`);
    this.set({ state: "running", done: this.state.done + 1, told });
    this.keepPending();
    this.onCame(came);
  }

  private out(file: File, sentence: string): void {
    this.pending.delete(file);
    const words = sentence.startsWith(file.name) ? sentence : `${file.name}: ${sentence}`;
    this.set({ done: this.state.done + 1, refused: [...this.state.refused, words] });
    this.keepPending();
  }

  private keepPending(): void {
    keep([...this.pending].map((file) => file.name));
  }

  private set(change: Partial<Coming>): void {
    this.state = { ...this.state, ...change };
    this.tell();
  }

  private tell(): void {
    for (const listener of this.listeners) listener();
  }
}

/** The file read whole, so that it cannot change on its way; null where it is not there any more. */
async function inMemory(file: File): Promise<File | null> {
  try {
    return new File([await file.arrayBuffer()], file.name, { type: file.type });
  } catch {
    return null;
  }
}

function keep(names: string[]): void {
  try {
    if (names.length) localStorage.setItem(KEPT, JSON.stringify(names));
    else localStorage.removeItem(KEPT);
  } catch {
    // A browser that keeps nothing: only the note after a reload is lost.
  }
}

function kept(): string[] {
  try {
    return JSON.parse(localStorage.getItem(KEPT) ?? "[]") as string[];
  } catch {
    return [];
  }
}

export const incoming = new Incoming((file) => sendFile<PhotoCame>("/api/photos", file));
