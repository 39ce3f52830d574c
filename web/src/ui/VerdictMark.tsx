/**
 * A verdict as a mark: how much of the loop is there. Closed loop: secure. Half of it: nearly.
 * Only its starting dot: not yet. A short dash: not seen. Told apart by form first, then by hue.
 */
import type { Verdict } from "../api/schema";

export const VERDICT_NAMES: Record<Verdict, string> = {
  secure: "secure",
  nearly: "nearly",
  not_yet: "not yet",
  unseen: "not seen",
};

const LOOP = "M3 16C9.5 16 16.5 12 15.5 7 14.6 3.4 9.6 3.4 9 7.4 8.4 12 12.6 16 19 16";
const HALF = "M3 16C9.5 16 16.5 12 15.5 7 15.1 5.4 13.8 4.4 12.3 4.4";

export function VerdictMark({ verdict, label }: { verdict: Verdict; label: string }) {
  return (
    <svg
      viewBox="0 0 22 20"
      className="h-6 w-[1.65rem] shrink-0"
      role="img"
      aria-label={`${label}: ${VERDICT_NAMES[verdict]}`}
      fill="none"
      strokeWidth={2.4}
      strokeLinecap="round"
    >
      <title>{`${label}: ${VERDICT_NAMES[verdict]}`}</title>
      {verdict === "secure" ? <path d={LOOP} className="stroke-rule-deep" /> : null}
      {verdict === "nearly" ? (
        <>
          <path d={LOOP} className="stroke-crease" strokeWidth={1.6} />
          <path d={HALF} className="stroke-honey" />
        </>
      ) : null}
      {verdict === "not_yet" ? (
        <>
          <path d={LOOP} className="stroke-crease" strokeWidth={1.6} />
          <circle cx={3.6} cy={15.6} r={3} className="fill-ember" />
        </>
      ) : null}
      {verdict === "unseen" ? <path d="M8 12.5h6" className="stroke-soft" /> : null}
    </svg>
  );
}

export const DIMENSIONS = [
  { key: "direction", name: "Direction" },
  { key: "size", name: "Size" },
  { key: "shape", name: "Shape" },
] as const;
