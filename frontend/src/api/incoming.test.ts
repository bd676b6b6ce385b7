/** Photos on their way in: a few at a time; what is wrong is named, what is left out too, and nothing twice. */
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

vi.hoisted(() => vi.stubGlobal("window", { location: { origin: "http://here" } }));

import { Refused, type Schemas, Unreachable } from "./client";
import { Incoming } from "./incoming";

type Came = Schemas["PhotoCame"];

const file = (name: string) => new File([name], name);
const came = (name: string, how: Came["how"] = "new", like: string | null = null) =>
  ({ photo: { photo: { name } }, how, like }) as unknown as Came;
const refusal = (status: number, sentence: string) =>
  new Refused(status, { code: "x", sentence, fields: [], current_version: null } as Refused["problem"]);

function storage(): Pick<Storage, "getItem" | "setItem" | "removeItem"> {
  const kept = new Map<string, string>();
  return {
    getItem: (key) => kept.get(key) ?? null,
    setItem: (key, value) => void kept.set(key, value),
    removeItem: (key) => void kept.delete(key),
  };
}

const ended = (incoming: Incoming) => vi.waitFor(() => expect(incoming.getState().state).toBe("ended"));

beforeEach(() => void vi.stubGlobal("localStorage", storage()));
afterEach(() => void vi.useRealTimers());

describe("photos on their way in", () => {
  it("all come in, and each is told once", async () => {
    const heard: string[] = [];
    const incoming = new Incoming(async (one) => came(one.name));
    incoming.onCame = (one) => heard.push(one.photo.photo.name);
    incoming.add(["a", "b", "c", "d", "e"].map(file));
    await ended(incoming);
    expect(heard.sort()).toEqual(["a", "b", "c", "d", "e"]);
    expect(incoming.getState()).toMatchObject({ of: 5, done: 5, refused: [], missing: [] });
  });

  it("what is refused is named with its reason, the others come in", async () => {
    const incoming = new Incoming(async (one) => {
      if (one.name === "b") throw refusal(422, "b: the file is empty (0 bytes)");
      return came(one.name);
    });
    incoming.add([file("a"), file("b")]);
    await ended(incoming);
    expect(incoming.getState()).toMatchObject({ done: 2, refused: ["b: the file is empty (0 bytes)"] });
  });

  it("a file that is gone when it is read is named", async () => {
    const gone = file("gone.jpg");
    gone.arrayBuffer = () => Promise.reject(new DOMException("gone", "NotFoundError"));
    const incoming = new Incoming(async (one) => came(one.name));
    incoming.add([gone, file("a")]);
    await ended(incoming);
    expect(incoming.getState().refused).toEqual([
      "gone.jpg: the file was moved or changed while it was read; choose it again",
    ]);
    expect(incoming.getState().done).toBe(2);
  });

  it("twice the same, back again and look-alikes are told", async () => {
    const answers = { a: came("A", "here"), b: came("B", "back"), c: came("C", "new", "D") } as Record<
      string,
      Came
    >;
    const incoming = new Incoming(async (one) => answers[one.name] as Came);
    incoming.add(["a", "b", "c"].map(file));
    await ended(incoming);
    expect(incoming.getState().told.sort()).toEqual([
      "a is here already, as “A”.",
      "b had been put away as “B”, and is back.",
      "“C” looks the same as “D”.",
    ]);
  });

  it("while nothing answers it waits, then goes on", async () => {
    vi.useFakeTimers();
    let down = true;
    const incoming = new Incoming(async (one) => {
      if (down) throw new Unreachable();
      return came(one.name);
    });
    incoming.add([file("a")]);
    await vi.advanceTimersByTimeAsync(100);
    expect(incoming.getState().state).toBe("waiting");
    down = false;
    await vi.advanceTimersByTimeAsync(2000);
    expect(incoming.getState()).toMatchObject({ state: "ended", done: 1, missing: [] });
  });

  it("stopped, it names what did not come in", async () => {
    const answers: (() => void)[] = [];
    const incoming = new Incoming((one) => new Promise((ok) => answers.push(() => ok(came(one.name)))));
    incoming.add(["a", "b", "c", "d", "e"].map(file));
    await vi.waitFor(() => expect(answers).toHaveLength(3));
    incoming.stop();
    for (const answer of answers) answer();
    await ended(incoming);
    expect(incoming.getState()).toMatchObject({ done: 3, missing: ["d", "e"], why: "It was stopped." });
  });

  it("a full disk stops it, and the rest is named", async () => {
    let room = 1;
    const incoming = new Incoming(async (one) => {
      if (room-- > 0) return came(one.name);
      throw refusal(507, "nothing was kept: No space left on device");
    });
    incoming.add(["a", "b", "c", "d", "e"].map(file));
    await ended(incoming);
    expect(incoming.getState().missing).toHaveLength(4);
    expect(incoming.getState().why).toContain("No space left on device");
  });

  it("a reload cannot take the files along, but names them until it is read", async () => {
    const incoming = new Incoming(async (one) => (one.name === "a" ? came("a") : new Promise(() => {})));
    incoming.add([file("a"), file("b"), file("c")]);
    await vi.waitFor(() => expect(incoming.getState().done).toBe(1));
    const again = new Incoming(async (one) => came(one.name));
    expect(again.getState()).toMatchObject({ state: "ended", missing: ["b", "c"] });
    again.close();
    expect(new Incoming(async (one) => came(one.name)).getState().state).toBe("nothing");
  });
});
