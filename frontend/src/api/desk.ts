/**
 * A desk holds one document while it is worked on: edits show at once and are saved one after another.
 *
 * It knows no React. What cannot be sent yet is kept in the browser too, so that neither a stopped server nor a
 * reload loses it; what was changed in another window is never overwritten unasked.
 */
import { Refused, type Schemas } from "./client";
import { Outbox } from "./outbox";

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

export class Desk<Body, Answer extends { saved: Saved }> {
  private listeners = new Set<() => void>();
  private readonly out: Outbox<Job<Body>, Answer>;
  private state: DeskState<Body, Answer>;
  private version: number;

  constructor(
    key: string,
    private readonly source: Source<Body, Answer>,
    answer: Answer,
    private readonly onSaved: (answer: Answer) => void = () => {},
  ) {
    this.version = answer.saved.version;
    this.state = this.standing(answer, "saved");
    this.out = new Outbox({
      name: `ulna unsaved ${key}`,
      kept: (jobs) => this.kept(jobs),
      send: (job) => this.send(job),
      sent: (saved) => this.sent(saved),
      waiting: (error) => this.set({ saving: "waiting", problem: error.message }),
      refused: (error, job) => this.refused(error, job),
    });
    this.takeUp();
  }

  getState = (): DeskState<Body, Answer> => this.state;

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Shows an edit at once and saves it. Quick edits of one `group` become one step to undo. */
  edit(what: string, body: Body, group?: string): void {
    this.set({ body, saving: this.state.saving === "waiting" ? "waiting" : "saving", problem: null });
    const job: Job<Body> = { kind: "edit", edit: { what, body, group } };
    this.out.add(job, (last) => Boolean(group) && last.kind === "edit" && last.edit.group === group);
  }

  undo(): void {
    this.step("undo");
  }

  redo(): void {
    this.step("redo");
  }

  /** Takes over what another window saved, as long as nothing of one's own is on the way. */
  refresh(answer: Answer): void {
    if (!this.unsaved && this.state.saving === "saved" && answer.saved.version > this.version) this.settle(answer);
  }

  /** Lets one's own edits go and shows what is saved. */
  async takeTheirs(): Promise<void> {
    this.out.replace([]);
    this.out.start();
    const theirs = await this.source.load();
    this.settle(theirs);
    this.onSaved(theirs);
  }

  /** Puts one's own state on top of what is saved; theirs stays one step back. */
  async keepMine(): Promise<void> {
    const theirs = await this.source.load();
    this.version = theirs.saved.version;
    const mine = this.state.body;
    this.out.replace([{ kind: "edit", edit: { what: "kept this window’s version", body: mine } }]);
    this.set({ saving: "saving", problem: null });
    this.out.start();
  }

  /** Whether something is not saved yet. */
  get unsaved(): boolean {
    return this.out.jobs.length > 0;
  }

  private step(kind: "undo" | "redo"): void {
    if (this.state.saving === "refused") {
      void this.takeTheirs();
      return;
    }
    this.set({ saving: "saving" });
    this.out.add({ kind });
  }

  private send(job: Job<Body>): Promise<Answer> {
    if (job.kind === "edit") return this.source.put(this.version, job.edit.what, job.edit.body, job.edit.group);
    return this.source[job.kind](this.version);
  }

  private sent(answer: Answer): void {
    this.version = answer.saved.version;
    if (this.unsaved) this.set({ ...this.steps(answer), answer });
    else this.settle(answer);
    this.onSaved(answer);
  }

  /** Whether the others go on. */
  private refused(error: unknown, job: Job<Body>): boolean {
    if (error instanceof Refused && error.problem.code === "changed") {
      this.out.replace([job, ...this.out.jobs]);
      this.set({ saving: "changed", problem: error.message });
      return false;
    }
    if (error instanceof Refused && job.kind !== "edit") {
      this.set({ saving: this.unsaved ? "saving" : "saved" });
      return true;
    }
    this.out.replace([]);
    this.set({ saving: "refused", problem: error instanceof Error ? error.message : "it was refused" });
    return true;
  }

  /** Of edits that are not saved yet the last one, beside the version they were made on. */
  private kept(jobs: readonly Job<Body>[]): (Edit<Body> & { version: number }) | null {
    const last = jobs.filter((job) => job.kind === "edit").at(-1);
    return last?.kind === "edit" ? { version: this.version, ...last.edit } : null;
  }

  private takeUp(): void {
    const kept = this.out.left<Edit<Body> & { version: number }>();
    if (!kept) return;
    const { version, what, body } = kept;
    this.out.takeUp([{ kind: "edit", edit: { what, body } }]);
    if (version === this.version) {
      this.state = { ...this.state, body, saving: "saving" };
      this.out.start();
    } else {
      this.state = { ...this.state, body, saving: "changed", problem: "it was changed in another window" };
    }
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
