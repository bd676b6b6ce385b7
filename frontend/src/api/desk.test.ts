/** How edits are saved: shown at once, kept while nothing answers, never put over another window's unasked. */
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

vi.hoisted(() => vi.stubGlobal("window", { location: { origin: "http://here" } }));

import { Refused, Unreachable } from "./client";
import { Desk, type Saved, type Source } from "./desk";

interface Note {
  text: string;
}
interface Answer {
  note: Note;
  saved: Saved;
}

/** A server with one document: every state it had, and what is asked of it in order. */
class Server {
  states = ["first"];
  at = 0;
  version = 1;
  down = false;
  asked: string[] = [];

  answer(): Answer {
    const saved = {
      id: "note-1",
      version: this.version,
      what: "",
      undo: this.at > 0 ? `wrote ${this.states[this.at]}` : null,
      redo: this.states[this.at + 1] ? `wrote ${this.states[this.at + 1]}` : null,
    };
    return { note: { text: this.states[this.at] ?? "" }, saved: saved as unknown as Saved };
  }

  write(text: string): void {
    this.states = [...this.states.slice(0, ++this.at), text];
    this.version++;
  }

  private async heard(version: number, what: string): Promise<void> {
    this.asked.push(what);
    await Promise.resolve();
    if (this.down) throw new Unreachable();
    if (version !== this.version) throw refusal(409, "changed", "it was changed in another window");
  }

  private async step(by: number, version: number): Promise<Answer> {
    await this.heard(version, by < 0 ? "undo" : "redo");
    if (this.states[this.at + by] === undefined) throw refusal(409, "no_step", "there is nothing to undo");
    this.at += by;
    this.version++;
    return this.answer();
  }

  source: Source<Note, Answer> = {
    body: (answer) => answer.note,
    load: async () => this.answer(),
    put: async (version, what, body) => {
      await this.heard(version, what);
      if (body.text === "") throw refusal(422, "refused", "text: it is empty; write a word");
      this.write(body.text);
      return this.answer();
    },
    undo: (version) => this.step(-1, version),
    redo: (version) => this.step(1, version),
  };
}

function refusal(status: number, code: string, sentence: string): Refused {
  return new Refused(status, { code, sentence, fields: [], current_version: null } as Refused["problem"]);
}

/** What a browser keeps over a reload. */
function storage(): Pick<Storage, "getItem" | "setItem" | "removeItem"> {
  const kept = new Map<string, string>();
  return {
    getItem: (key) => kept.get(key) ?? null,
    setItem: (key, value) => void kept.set(key, value),
    removeItem: (key) => void kept.delete(key),
  };
}

let server: Server;
const open = () => new Desk<Note, Answer>("note-1", server.source, server.answer());
const write = (desk: Desk<Note, Answer>, text: string, group?: string) =>
  desk.edit(`wrote ${text}`, { text }, group);
const settled = () => vi.advanceTimersByTimeAsync(0);

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal("localStorage", storage());
  server = new Server();
});
afterEach(() => vi.useRealTimers());

describe("an edit", () => {
  it("shows at once and is saved by itself", async () => {
    const desk = open();
    write(desk, "second");
    expect(desk.getState()).toMatchObject({ body: { text: "second" }, saving: "saving" });
    await settled();
    expect(desk.getState()).toMatchObject({ saving: "saved", undo: "wrote second" });
    expect(server.states).toEqual(["first", "second"]);
  });

  it("waits for the one before it, and quick ones of a kind go together", async () => {
    const desk = open();
    write(desk, "a", "text");
    write(desk, "ab", "text");
    write(desk, "abc", "text");
    write(desk, "moved", "place");
    await settled();
    expect(server.states).toEqual(["first", "a", "abc", "moved"]);
    expect(desk.unsaved).toBe(false);
  });

  it("that the server refuses is told in its words, and undo shows what is saved", async () => {
    const desk = open();
    write(desk, "");
    await settled();
    expect(desk.getState()).toMatchObject({ saving: "refused", problem: "text: it is empty; write a word" });
    desk.undo();
    await settled();
    expect(desk.getState()).toMatchObject({ saving: "saved", problem: null, body: { text: "first" } });
  });
});

describe("undo and redo", () => {
  it("come after the edits that are on their way", async () => {
    const desk = open();
    write(desk, "second");
    desk.undo();
    await settled();
    expect(server.asked).toEqual(["wrote second", "undo"]);
    expect(desk.getState()).toMatchObject({ body: { text: "first" }, redo: "wrote second" });
    desk.redo();
    await settled();
    expect(desk.getState().body.text).toBe("second");
  });

  it("beyond the first state change nothing", async () => {
    const desk = open();
    desk.undo();
    await settled();
    expect(desk.getState()).toMatchObject({ saving: "saved", body: { text: "first" } });
  });
});

describe("while nothing answers", () => {
  it("edits stay to be seen, and go out by themselves when it answers again", async () => {
    const desk = open();
    server.down = true;
    write(desk, "second");
    await settled();
    write(desk, "third");
    expect(desk.getState()).toMatchObject({ body: { text: "third" }, saving: "waiting" });
    server.down = false;
    await vi.advanceTimersByTimeAsync(2000);
    expect(desk.getState().saving).toBe("saved");
    expect(server.states).toEqual(["first", "second", "third"]);
  });

  it("a reload takes up what was not saved", async () => {
    server.down = true;
    write(open(), "second");
    await settled();
    server.down = false;
    const again = open();
    expect(again.getState().body.text).toBe("second");
    await settled();
    expect(server.states.at(-1)).toBe("second");
    expect(open().getState()).toMatchObject({ saving: "saved", body: { text: "second" } });
  });
});

describe("two windows", () => {
  it("the second to save is told and overwrites nothing", async () => {
    const desk = open();
    server.write("theirs");
    write(desk, "mine");
    await settled();
    expect(desk.getState()).toMatchObject({ saving: "changed", body: { text: "mine" } });
    expect(server.states).toEqual(["first", "theirs"]);
  });

  it("keeping mine leaves theirs one step back", async () => {
    const desk = open();
    server.write("theirs");
    write(desk, "mine");
    await settled();
    await desk.keepMine();
    await settled();
    expect(server.states).toEqual(["first", "theirs", "mine"]);
    desk.undo();
    await settled();
    expect(desk.getState().body.text).toBe("theirs");
  });

  it("taking theirs lets mine go for good", async () => {
    const desk = open();
    server.write("theirs");
    write(desk, "mine");
    await settled();
    await desk.takeTheirs();
    expect(desk.getState()).toMatchObject({ saving: "saved", body: { text: "theirs" } });
    expect(open().getState().body.text).toBe("theirs");
  });

  it("what was kept over a reload is not put over what came since", async () => {
    server.down = true;
    write(open(), "mine");
    await settled();
    server.down = false;
    server.write("theirs");
    const again = open();
    await settled();
    expect(again.getState()).toMatchObject({ saving: "changed", body: { text: "mine" } });
    expect(server.states).toEqual(["first", "theirs"]);
  });

  it("another window's save is shown, unless something of one's own is on the way", async () => {
    const desk = open();
    server.write("theirs");
    desk.refresh(server.answer());
    expect(desk.getState().body.text).toBe("theirs");
    write(desk, "mine");
    server.write("theirs again");
    desk.refresh(server.answer());
    expect(desk.getState().body.text).toBe("mine");
  });
});
