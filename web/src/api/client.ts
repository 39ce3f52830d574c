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

/** A type as the client's answers have it: a point, which is a pair, is widened to any array. */
type Widened<Type> = Type extends readonly unknown[]
  ? Widened<Type[number]>[]
  : Type extends object
    ? { [Key in keyof Type]: Widened<Type[Key]> }
    : Type;

/**
 * An answer in the schema's own type; that it is this type's, but for what is widened, is checked
 * where it is compiled. Throws where there is none, as a server that answers always has one.
 */
export function exact<Body>(answer: Widened<Body> | undefined): Body {
  if (answer === undefined) throw new ProblemError("No answer", "First Loop said nothing.");
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
