/**
 * What is to be sent, kept until it is: the first one first, or a few at once. Where nothing answers it is tried again;
 * what is refused is its owner's to settle. It is kept in the browser too, so that a reload loses nothing.
 *
 * It knows no React, and not what it sends.
 */
import { Refused, Unreachable } from "./client";

export const AGAIN_MS = 1500;

export interface Post<Job, Answer> {
  /** Under this name what is not sent is kept in the browser, as `kept` gives it; nothing is where that is null. */
  name: string;
  kept: (jobs: readonly Job[]) => unknown;
  send: (job: Job) => Promise<Answer>;
  /** It is sent, and off the list. */
  sent: (answer: Answer, job: Job) => void;
  /** Nothing answers; it is tried again soon. */
  waiting: (error: Error) => void;
  /** It was refused, and is off the list: whether the others go on. */
  refused: (error: unknown, job: Job) => boolean | Promise<boolean>;
  /** All are off the list. */
  empty?: () => void;
  /** Whether an error means that nothing answered. */
  silent?: (error: unknown) => boolean;
  atOnce?: number;
}

/** Nothing answered, or it cannot be kept for the moment: the disk is full, another program writes, one is signed out. */
export function unanswered(error: unknown): error is Error {
  return (
    error instanceof Unreachable || (error instanceof Refused && (error.status >= 500 || error.status === 401))
  );
}

export class Outbox<Job, Answer> {
  private list: Job[] = [];
  private under = new Set<Job>();
  private held = false;
  private again: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly post: Post<Job, Answer>) {}

  /** What is not sent yet, what is on its way included. */
  get jobs(): readonly Job[] {
    return this.list;
  }

  isUnderWay(job: Job): boolean {
    return this.under.has(job);
  }

  /** Adds something; `instead` says whether it takes the last one's place, which it never does on its way. */
  add(job: Job, instead: (last: Job) => boolean = () => false): void {
    const last = this.list.at(-1);
    if (last !== undefined && !this.under.has(last) && instead(last)) this.list[this.list.length - 1] = job;
    else this.list.push(job);
    this.keep();
    this.next();
  }

  /** Puts these in place of all; what is on its way and not among them is not heard any more. */
  replace(jobs: readonly Job[]): void {
    this.list = [...jobs];
    this.keep();
  }

  /** Takes up what an earlier window left, as it was kept, and holds it until `start`. */
  takeUp(jobs: readonly Job[]): void {
    this.list = [...jobs];
    this.held = true;
  }

  start(): void {
    this.held = false;
    this.next();
  }

  /** What an earlier window left, as it was kept. */
  left<Kept>(): Kept | null {
    return recalled<Kept>(this.post.name);
  }

  private next(): void {
    clearTimeout(this.again);
    for (const job of this.list) {
      if (this.held || this.under.size >= (this.post.atOnce ?? 1)) return;
      if (!this.under.has(job)) void this.bring(job);
    }
  }

  private async bring(job: Job): Promise<void> {
    this.under.add(job);
    try {
      const answer = await this.post.send(job);
      this.under.delete(job);
      if (this.off(job)) this.post.sent(answer, job);
    } catch (error) {
      this.under.delete(job);
      if ((this.post.silent ?? unanswered)(error)) {
        if (this.list.includes(job)) this.wait(error as Error);
        return;
      }
      if (this.off(job) && !(await this.post.refused(error, job))) this.held = true;
    }
    this.keep();
    if (!this.list.length && !this.under.size) this.post.empty?.();
    this.next();
  }

  private wait(error: Error): void {
    this.post.waiting(error);
    clearTimeout(this.again);
    this.again = setTimeout(() => this.next(), AGAIN_MS);
  }

  /** Whether it was on the list still. */
  private off(job: Job): boolean {
    const at = this.list.indexOf(job);
    if (at >= 0) this.list.splice(at, 1);
    return at >= 0;
  }

  private keep(): void {
    keep(this.post.name, this.list.length ? this.post.kept(this.list) : null);
  }
}

/** Keeps a value in the browser over a reload; nothing where it is null. */
export function keep(name: string, value: unknown): void {
  try {
    if (value === null) localStorage.removeItem(name);
    else localStorage.setItem(name, JSON.stringify(value));
  } catch {
    // A browser that keeps nothing: only what a reload would bring back is lost.
  }
}

/** What was kept under a name. */
export function recalled<Kept>(name: string): Kept | null {
  try {
    return JSON.parse(localStorage.getItem(name) ?? "null") as Kept | null;
  } catch {
    return null;
  }
}
