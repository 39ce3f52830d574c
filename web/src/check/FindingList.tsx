/** What the checker saw, the most important first, with its limit. */
import type { AttemptOut as Attempt, FindingOut as Finding } from "../api/schema";
import { VerdictMark } from "../ui/VerdictMark";

export function FindingList({ attempt }: { attempt: Attempt }) {
  if (attempt.findings.length === 0) {
    return <p className="text-soft">Nothing to mend was seen.</p>;
  }
  return (
    <ul aria-label="What was seen" className="flex flex-col gap-2">
      {attempt.findings.map((finding, at) => (
        <li key={at} className="flex gap-2" data-code={finding.code}>
          <VerdictMark verdict={finding.severity} label={finding.dimension} />
          <span>
            {finding.note}{" "}
            <span className="text-sm whitespace-nowrap text-soft">{limitOf(finding)}</span>
          </span>
        </li>
      ))}
    </ul>
  );
}

/** From where on it is to be mended: lengths in u are shares of the body height. */
function limitOf({ limit, unit }: Finding): string {
  return unit === "count" || unit === "margin" ? "" : `(to mend from ${Math.round(limit * 100)} %)`;
}
