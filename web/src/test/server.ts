/** The other end of the line: answers by method and path, and remembers what it was asked. */
import type { Problem } from "../api/schema";

export interface Asked {
  method: string;
  path: string;
  query: Record<string, string>;
  body: unknown;
}

type Answer = (asked: Asked) => unknown;

const answers = new Map<string, Answer>();
const asked: Asked[] = [];

/** From now on this is answered, e.g. to "GET /api/grow"; the later word counts. */
export function serve(route: string, body: unknown): void {
  answers.set(route, typeof body === "function" ? (body as Answer) : () => body);
}

/** From now on this is refused, in the server's own form. */
export function refuse(route: string, detail: string, where: string[] = []): void {
  const problem: Problem = { type: "about:blank", title: "Refused", status: 422, detail, where };
  answers.set(route, () => Response.json(problem, { status: problem.status }));
}

/** What was asked of a route, the first first. */
export function askedOf(route: string): Asked[] {
  return asked.filter(({ method, path }) => `${method} ${path}` === route);
}

export function forgetAnswers(): void {
  answers.clear();
  asked.length = 0;
}

export async function answer(request: Request): Promise<Response> {
  const { pathname, searchParams } = new URL(request.url);
  const text = await request.text();
  const one: Asked = {
    method: request.method,
    path: decodeURIComponent(pathname),
    query: Object.fromEntries(searchParams),
    body: text === "" ? undefined : JSON.parse(text),
  };
  asked.push(one);
  const known = answers.get(`${one.method} ${one.path}`);
  if (!known) throw new Error(`Nothing is served at ${one.method} ${one.path}`);
  const said = await known(one);
  if (said instanceof Response) return said;
  return said === undefined ? new Response(null, { status: 204 }) : Response.json(said);
}
