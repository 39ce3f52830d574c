/** The four kinds of help as pictures, so that a child who cannot read yet can tell them apart. */
import type { Help } from "../api/schema";

const HILL = "M6 6V22M6 13C7 8 16 4 18 12V22";

export function HelpIcon({ help }: { help: Help }) {
  return (
    <svg
      viewBox="0 0 36 28"
      className="h-9 w-12"
      fill="none"
      strokeWidth={2.4}
      strokeLinecap="round"
      aria-hidden
    >
      <path d="M1 22H35" className="stroke-rule" strokeWidth={1.5} />
      {help === "trace" ? (
        <path d={HILL} transform="translate(6 0)" className="stroke-ink" strokeDasharray="0.1 4" />
      ) : null}
      {help === "finish" ? <circle cx={12} cy={7} r={3} className="fill-ember" /> : null}
      {help === "copy" ? (
        <>
          <path d={HILL} transform="translate(-3 0)" className="stroke-ink" />
          <path d="M22 22L29 11 32 13 25 22Z" className="fill-leaf stroke-ink" strokeWidth={1.8} />
        </>
      ) : null}
      {help === "recall" ? (
        <path d="M14 22L23 8 27 10.5 18 22Z" className="fill-leaf stroke-ink" strokeWidth={1.8} />
      ) : null}
    </svg>
  );
}
