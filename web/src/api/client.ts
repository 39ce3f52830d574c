/** The one way to the server: typed by the generated schema, problems as errors. */
import createFetchClient, {
  createFinalURL,
  createQuerySerializer,
  defaultPathSerializer,
} from "openapi-fetch";
import createQueryClient from "openapi-react-query";

import type { paths, Problem } from "./schema";

/** What the server could not do, in the words it gave. */
export class ProblemError extends Error {
  readonly title: string;
  /** The status of the answer; 0 where there was none. */
  readonly status: number;
  /** Each fault by itself, where there are several. */
  readonly where: readonly string[];
  constructor(title: string, detail: string, where: readonly string[] = [], status = 0) {
    super(detail);
    this.title = title;
    this.status = status;
    this.where = where;
  }
}

function isProblem(error: unknown): error is Problem {
  return typeof error === "object" && error !== null && "title" in error && "detail" in error;
}

export const fetchClient = createFetchClient<paths>({ baseUrl: "/" });
fetchClient.use({
  async onResponse({ response }) {
    if (response.ok) return;
    const said: unknown = await response.json().catch(() => undefined);
    throw isProblem(said)
      ? new ProblemError(said.title, said.detail, said.where, said.status)
      : new ProblemError(
          "Something failed",
          `The server answered ${String(response.status)}.`,
          [],
          response.status,
        );
  },
  onError() {
    return new ProblemError("No answer", "First Loop does not answer. Is it still running?");
  },
});

/** Asks by method and path, as the OpenAPI document has them; what is asked is its cache key. */
export const $api = createQueryClient(fetchClient);

/**
 * An answer in the schema's own type. The client's answer types widen a point from a pair to any
 * array; what is sent is what the schema says.
 */
// eslint-disable-next-line @typescript-eslint/no-unnecessary-type-parameters -- names the type of the answer
export function exact<Body>(answer: unknown): Body {
  return answer as Body;
}

type GetPath = {
  [Path in keyof paths]: paths[Path] extends { get: object } ? Path : never;
}[keyof paths];

/** The address of a file to save or print. */
export function addressOf(
  path: GetPath,
  params: { path?: Record<string, unknown>; query?: Record<string, unknown> },
): string {
  return createFinalURL(path, {
    baseUrl: "",
    params,
    querySerializer: createQuerySerializer(),
    pathSerializer: defaultPathSerializer,
  });
}
