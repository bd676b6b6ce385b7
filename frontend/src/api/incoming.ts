/**
 * Photos on their way in: sent a few at a time, whatever bench is open, until all are in or somebody stops them.
 *
 * It knows no React. Names of files that are not in yet are kept in the browser, so that a reload, which cannot take
 * the files along, at least says which ones are missing.
 */
import { Refused } from "./client";
import { keep, Outbox, recalled, unanswered } from "./outbox";
import { addPhoto, type PhotoCame } from "./photos";

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
const KEPT = "ulna photos on their way";

/** Photos are not kept in the browser: where the disk is full they are named, to come in another time. */
const isFull = (error: unknown): error is Refused => error instanceof Refused && error.status === 507;

type Send = (file: File) => Promise<PhotoCame>;

export class Incoming {
  private listeners = new Set<() => void>();
  private state: Coming = NOTHING;
  private stopped: string[] = [];
  private readonly out: Outbox<File, PhotoCame>;
  /** Hears of every photo that came. */
  onCame: (came: PhotoCame) => void = () => {};

  constructor(private readonly send: Send) {
    this.out = new Outbox({
      name: KEPT,
      kept: (files) => [...files.map((file) => file.name), ...this.stopped],
      send: (file) => this.bring(file),
      sent: (came, file) => this.came(file, came),
      waiting: () => this.set({ state: "waiting" }),
      refused: (error, file) => this.refused(error, file),
      empty: () => this.end(),
      silent: (error) => unanswered(error) && !isFull(error),
      atOnce: AT_ONCE,
    });
    const left = recalled<string[]>(KEPT) ?? [];
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
    if (!this.isRunning) {
      this.stopped = [];
      this.state = { ...NOTHING, state: "running" };
    }
    this.set({ of: this.state.of + files.length });
    for (const file of files) this.out.add(file);
  }

  /** What is on its way right now still comes in, so that it is known what did; the rest is named. */
  stop(why = "It was stopped."): void {
    const [going, waiting] = [true, false].map((is) =>
      this.out.jobs.filter((one) => this.out.isUnderWay(one) === is),
    );
    this.stopped = [...this.stopped, ...(waiting ?? []).map((file) => file.name)];
    this.set({ why });
    this.out.replace(going ?? []);
    if (this.isRunning && !going?.length) this.end();
  }

  private get isRunning(): boolean {
    return this.state.state === "running" || this.state.state === "waiting";
  }

  /** Puts the notes away. */
  close(): void {
    if (this.state.state !== "ended") return;
    keep(KEPT, null);
    this.state = NOTHING;
    this.tell();
  }

  private end(): void {
    keep(KEPT, this.stopped.length ? this.stopped : null);
    this.set({ state: "ended", missing: this.stopped });
  }

  private async bring(file: File): Promise<PhotoCame> {
    const copy = await inMemory(file);
    if (!copy) throw new Error(`${file.name}: the file was moved or changed while it was read; choose it again`);
    return await this.send(copy);
  }

  private refused(error: unknown, file: File): boolean {
    if (isFull(error)) {
      this.stop(`The disk took no more (${error.message}).`);
      this.stopped = [file.name, ...this.stopped]; // it may come in another time
    } else {
      this.note(file, error instanceof Error ? error.message : String(error));
    }
    return true;
  }

  private came(file: File, came: PhotoCame): void {
    const name = came.photo.photo.name;
    const told = [...this.state.told];
    if (came.how === "here") told.push(`${file.name} is here already, as “${name}”.`);
    else if (came.how === "back") told.push(`${file.name} had been put away as “${name}”, and is back.`);
    else if (came.like) told.push(`“${name}” looks the same as “${came.like}”.`);
    this.set({ state: "running", done: this.state.done + 1, told });
    this.onCame(came);
  }

  private note(file: File, sentence: string): void {
    const words = sentence.startsWith(file.name) ? sentence : `${file.name}: ${sentence}`;
    this.set({ done: this.state.done + 1, refused: [...this.state.refused, words] });
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

export const incoming = new Incoming(addPhoto);
