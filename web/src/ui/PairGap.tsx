/** A word with a gap where a pair of letters is to be put in; or with a pair written into it. */
export function PairGap({ left, pair }: { left: readonly (string | null)[]; pair?: string }) {
  const said = left.map((part) => part ?? pair ?? "gap").join(pair === undefined ? " " : "");
  return (
    <span role="img" aria-label={said} className="inline-flex items-baseline">
      {left.map((part, at) =>
        part === null ? (
          <span
            key={at}
            aria-hidden
            className={`mx-[0.05em] min-w-[1.1em] border-b-[0.06em] text-center ${pair === undefined ? "border-dashed border-ember" : "border-ember text-ember"}`}
          >
            {pair ?? "\u00a0"}
          </span>
        ) : (
          <span key={at} aria-hidden>
            {part}
          </span>
        ),
      )}
    </span>
  );
}
