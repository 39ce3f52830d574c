/** How much the lesson asks of a hand: nothing is said of what fits; of what does not, what could be cut. */
import type { LessonChange } from "../../api/lessonQueries";
import type { LoadOut } from "../../api/schema";
import { Button } from "../../ui/Button";

const CUTS: Record<LoadOut["cuts"][number], string> = {
  fewer_own: "Five or six of their own",
  fewer_letters: "The last letter another day",
  no_sentence: "Without the sentence",
  no_date: "Without the date",
  pause: "Put a pause in",
};

export function LessonLoad({
  load,
  onChange,
}: {
  load: LoadOut;
  onChange: (change: LessonChange) => void;
}) {
  if (load.says.length === 0) {
    return (
      <p className="text-sm text-soft">
        About {load.letters} letters to write: {minutes(load.takes)}, and there are{" "}
        {minutes(load.has)} to write in.
      </p>
    );
  }
  return (
    <section
      aria-label="How much it asks"
      className="flex flex-col gap-2 border-l-4 border-honey pl-3"
    >
      {load.says.map((said) => (
        <p key={said}>{said}</p>
      ))}
      <div className="flex flex-wrap gap-2">
        {load.cuts.map((cut) => (
          <Button
            key={cut}
            className="min-h-9 px-2.5 text-sm"
            onClick={() => {
              onChange({ do: "cut", cut });
            }}
          >
            {CUTS[cut]}
          </Button>
        ))}
      </div>
    </section>
  );
}

function minutes(time: number): string {
  const whole = Math.max(1, Math.round(time));
  return whole === 1 ? "a minute" : `${String(whole)} minutes`;
}
