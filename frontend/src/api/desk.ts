/**
 * A desk holds one document while it is worked on: edits show at once and are saved one after another.
 *
 * It knows no React. What cannot be sent yet is kept in the browser too, so that neither a stopped server nor a
 * reload loses it; what was changed in another window is never overwritten unasked.
 */
import { Refused, type Schemas, Unreachable } from "./client";

export type Saved = Schemas["Saved"];

/** saved · saving · waiting (no answer) · refused (the server says no) · changed (in another window). */
export type Saving = "saved" | "saving" | "waiting" | "refused" | "changed";

export interface Source<Body, Answer extends { saved: Saved }> {
  body: (answer: Answer) => Body;
  load: () => Promise<Answer>;
  put: (version: number, what: string, body: Body, series?: string) => Promise<Answer>;
  undo: (version: number) => Promise<Answer>;
  redo: (version: number) => Promise<Answer>;
}

export interface DeskState<Body, Answer> {
  body: Body;
  answer: Answer;
  saving: Saving;
  problem: string | null;
  undo: string | null;
  redo: string | null;
}

interface Edit<Body> {
  what: string;
  body: Body;
  group?: string;
}
type Job<Body> = { kind: "edit"; edit: Edit<Body> } | { kind: "undo" | "redo" };

const RETRY = 1500;

export class Desk<Body, Answer extends { saved: Saved }> {
  private listeners = new Set<() => void>();
  private jobs: Job<Body>[] = [];
  private running = false;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private state: DeskState<Body, Answer>;
  private version: number;

  constructor(
    private readonly key: string,
    private readonly source: Source<Body, Answer>,
    answer: Answer,
    private readonly onSaved: (answer: Answer) => void = () => {},
  ) {
    this.version = answer.saved.version;
    this.state = this.standing(answer, "saved");
    this.takeUp();
  }

  getState = (): DeskState<Body, Answer> => this.state;

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Shows an edit at once and saves it. Quick edits of one `group` become one step to undo. */
  edit(what: string, body: Body, group?: string): void {
    const last = this.jobs.at(-1);
    const edit = { what, body, group };
    if (group && last?.kind === "edit" && last.edit.group === group && !(this.running && this.jobs.length === 1)) {
      last.edit = edit;
    } else {
      this.jobs.push({ kind: "edit", edit });
    }
    this.keep();
    this.set({ body, saving: this.state.saving === "waiting" ? "waiting" : "saving", problem: null });
    void this.run();
  }

  undo(): void {
    this.step("undo");
  }

  redo(): void {
    this.step("redo");
  }

  /** Takes over what another window saved, as long as nothing of one's own is on the way. */
  refresh(answer: Answer): void {
    if (!this.jobs.length && this.state.saving === "saved" && answer.saved.version > this.version)
      this.settle(answer);
  }

  /** Lets one's own edits go and shows what is saved. */
  async takeTheirs(): Promise<void> {
    this.jobs = [];
    this.keep();
    const theirs = await this.source.load();
    this.settle(theirs);
    this.onSaved(theirs);
  }

  /** Puts one's own state on top of what is saved; theirs stays one step back. */
  async keepMine(): Promise<void> {
    const theirs = await this.source.load();
    this.version = theirs.saved.version;
    const mine = this.state.body;
    this.jobs = [{ kind: "edit", edit: { what: "kept this window’s version", body: mine } }];
    this.set({ saving: "saving", problem: null });
    void this.run();
  }

  /** Whether something is not saved yet. */
  get unsaved(): boolean {
    return this.jobs.length > 0;
  }

  private step(kind: "undo" | "redo"): void {
    if (this.state.saving === "refused") {
      void this.takeTheirs();
      return;
    }
    this.jobs.push({ kind });
    this.set({ saving: "saving" });
    void this.run();
  }

  private async run(): Promise<void> {
    if (this.running || this.state.saving === "changed") return;
    this.running = true;
    clearTimeout(this.timer);
    while (this.jobs.length) {
      const job = this.jobs[0] as Job<Body>;
      try {
        const answer = await this.send(job);
        this.version = answer.saved.version;
        this.jobs.shift();
        this.keep();
        if (this.jobs.length) this.set({ ...this.steps(answer), answer });
        else this.settle(answer);
        this.onSaved(answer);
      } catch (error) {
        this.stop(error, job);
        break;
      }
    }
    this.running = false;
  }

  private send(job: Job<Body>): Promise<Answer> {
    if (job.kind === "edit") return this.source.put(this.version, job.edit.what, job.edit.body, job.edit.group);
    return this.source[job.kind](this.version);
  }

  private stop(error: unknown, job: Job<Body>): void {
    if (error instanceof Unreachable || (error instanceof Refused && error.status >= 500)) {
      this.set({ saving: "waiting", problem: error.message });
      this.timer = setTimeout(() => void this.run(), RETRY);
    } else if (error instanceof Refused && error.problem.code === "changed") {
      this.set({ saving: "changed", problem: error.message });
    } else if (error instanceof Refused && job.kind !== "edit") {
      this.jobs.shift();
      this.set({ saving: this.jobs.length ? "saving" : "saved" });
      if (this.jobs.length) setTimeout(() => void this.run());
    } else {
      this.jobs = [];
      this.keep();
      this.set({ saving: "refused", problem: error instanceof Error ? error.message : "it was refused" });
    }
  }

  /** Edits that are not saved yet, kept in the browser beside the version they were made on. */
  private keep(): void {
    const edits = this.jobs.filter((job) => job.kind === "edit");
    const last = edits.at(-1);
    if (last?.kind !== "edit") localStorage.removeItem(this.storageKey);
    else localStorage.setItem(this.storageKey, JSON.stringify({ version: this.version, ...last.edit }));
  }

  private takeUp(): void {
    const kept = localStorage.getItem(this.storageKey);
    if (!kept) return;
    const { version, what, body } = JSON.parse(kept) as Edit<Body> & { version: number };
    this.jobs = [{ kind: "edit", edit: { what, body } }];
    if (version === this.version) {
      this.state = { ...this.state, body, saving: "saving" };
      void this.run();
    } else {
      this.state = { ...this.state, body, saving: "changed", problem: "it was changed in another window" };
    }
  }

  private get storageKey(): string {
    return `ulna unsaved ${this.key}`;
  }

  private settle(answer: Answer): void {
    this.version = answer.saved.version;
    this.state = this.standing(answer, "saved");
    this.tell();
  }

  private standing(answer: Answer, saving: Saving): DeskState<Body, Answer> {
    return { body: this.source.body(answer), answer, saving, problem: null, ...this.steps(answer) };
  }

  private steps(answer: Answer): { undo: string | null; redo: string | null } {
    return { undo: answer.saved.undo, redo: answer.saved.redo };
  }

  private set(change: Partial<DeskState<Body, Answer>>): void {
    this.state = { ...this.state, ...change };
    this.tell();
  }

  private tell(): void {
    for (const listener of this.listeners) listener();
  }
}
