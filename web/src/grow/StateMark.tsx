/**
 * How a letter stands, small: a closed loop is secure, half of it nearly, only its starting dot not
 * yet, a hair where too little is known. By form first, then by hue.
 */
import type { LetterState } from "../api/schema";

const ROUND = "M8 2.6a5.4 5.4 0 1 1-.01 0Z";
const HALF = "M8 2.6a5.4 5.4 0 0 0 0 10.8";

export function StateMark({ state }: { state: LetterState }) {
  return (
    <svg viewBox="0 0 16 16" className="h-3.5 w-3.5 shrink-0" aria-hidden fill="none">
      {state === "secure" ? (
        <path d={ROUND} className="fill-rule-pale stroke-rule-deep" strokeWidth={2} />
      ) : null}
      {state === "nearly" ? (
        <path d={HALF} className="stroke-honey" strokeWidth={2.2} strokeLinecap="round" />
      ) : null}
      {state === "not_yet" ? <circle cx={8} cy={8} r={4.2} className="fill-ember" /> : null}
      {state === "unknown" ? (
        <path d="M6.6 8h2.8" className="stroke-soft" strokeWidth={1.2} strokeLinecap="round" />
      ) : null}
    </svg>
  );
}
