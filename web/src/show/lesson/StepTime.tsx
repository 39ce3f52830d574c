/** How much of a step's time has gone: a line that fills, without a sound. */
import { useEffect, useState } from "react";

const EVERY_MS = 5000;

export function StepTime({ minutes }: { minutes: number }) {
  const [begun] = useState(() => Date.now());
  const [now, setNow] = useState(begun);
  useEffect(() => {
    const clock = setInterval(() => {
      setNow(Date.now());
    }, EVERY_MS);
    return () => {
      clearInterval(clock);
    };
  }, []);
  const share = (now - begun) / (minutes * 60_000);
  return (
    <span
      role="img"
      aria-label={`${String(minutes)} minutes; ${share >= 1 ? "they are over" : `${String(Math.floor(share * 100))} % gone`}`}
      title={`${String(minutes)} minutes`}
      className="h-2.5 w-48 overflow-hidden rounded-full border border-rule bg-leaf"
    >
      <span
        className={`block h-full ${share >= 1 ? "bg-ember" : "bg-rule"}`}
        style={{ width: `${String(Math.min(1, share) * 100)}%` }}
      />
    </span>
  );
}
