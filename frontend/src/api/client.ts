/** The one way to the server: typed calls, and refusals as errors that carry the server's sentence. */
import createClient from "openapi-fetch";
import type { components, paths } from "../../generated/schema";

type Raw = components["schemas"];
/** Every document as the server gives it (with all its fields); what it takes may leave out more. */
export type Schemas = {
  [Name in keyof Raw as Name extends `${infer Plain}-Output`
    ? Plain
    : Name extends `${string}-Input`
      ? never
      : Name]: Raw[Name];
};
export type Problem = Schemas["Problem"];

export const client = createClient<paths>({ baseUrl: window.location.origin });

/** What the server says no to; `status` tells how. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly problem: Problem,
  ) {
    super(problem.sentence);
  }
}

/** Told to the window when the server wants a passphrase first: signed out elsewhere, or for too long. */
export const SIGNED_OUT = "ulna signed out";

/** The server did not answer at all. */
export class Unreachable extends Error {
  constructor() {
    super("Ulna is not answering");
  }
}

type Answer<T> = { data?: T; error?: unknown; response: Response };

/** The data of an answer. Throws `Refused` or `Unreachable`. */
export async function take<T>(asked: Promise<Answer<T>>): Promise<T> {
  let answer: Answer<T>;
  try {
    answer = await asked;
  } catch {
    throw new Unreachable();
  }
  if (answer.data !== undefined || answer.response.status === 204) return answer.data as T;
  if (answer.response.status === 401) window.dispatchEvent(new Event(SIGNED_OUT));
  throw new Refused(answer.response.status, asProblem(answer.error, answer.response.status));
}

/** Sends one file; the server's answer as JSON. Throws as `take` does. */
export async function sendFile<T>(path: string, file: File): Promise<T> {
  const form = new FormData();
  form.append("file", file);
  let response: Response;
  try {
    response = await fetch(path, { method: "POST", body: form });
  } catch {
    throw new Unreachable();
  }
  const body: unknown = await response.json().catch(() => null);
  if (response.ok) return body as T;
  throw new Refused(response.status, asProblem(body, response.status));
}

function asProblem(body: unknown, status: number): Problem {
  if (body && typeof body === "object" && "sentence" in body) return body as Problem;
  return { code: "error", sentence: `Ulna could not do that (${status})`, fields: [], current_version: null };
}
