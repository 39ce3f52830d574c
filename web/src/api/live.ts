/** What happens in the class that is open, as the server tells it: one line for the whole page. */
type Heard = (data: string) => void;

const KINDS = ["attempt", "pad", "tally", "best", "place", "onwards", "class"] as const;
export type LiveKind = (typeof KINDS)[number];

const listeners = new Map<LiveKind, Set<Heard>>();
let source: EventSource | null = null;

/** Hears something until it is let go; a browser comes back after a gap by itself. */
export function hear(kinds: readonly LiveKind[], heard: (kind: LiveKind, data: string) => void) {
  const each = kinds.map((kind): [LiveKind, Heard] => [
    kind,
    (data) => {
      heard(kind, data);
    },
  ]);
  for (const [kind, one] of each) {
    const known = listeners.get(kind) ?? new Set();
    listeners.set(kind, known.add(one));
  }
  source ??= opened();
  return () => {
    for (const [kind, one] of each) listeners.get(kind)?.delete(one);
    if ([...listeners.values()].some((known) => known.size > 0)) return;
    source?.close();
    source = null;
  };
}

function opened(): EventSource {
  const made = new EventSource("/api/write/live");
  for (const kind of KINDS) {
    made.addEventListener(kind, ({ data }: MessageEvent<string>) => {
      for (const one of [...(listeners.get(kind) ?? [])]) one(data);
    });
  }
  return made;
}
