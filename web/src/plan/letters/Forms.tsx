/** The letter as the class writes it, and beside it as it will look joined, or looked in print. */
import type { LetterPage } from "../../api/schema";
import { LetterModel } from "../../ink/LetterModel";
import { letterTimeline } from "../../ink/timeline";
import { handName } from "../../ui/names";

export function Forms({ forms }: { forms: LetterPage["forms"] }) {
  return (
    <div className="flex min-h-0 gap-3">
      {forms.map(({ hand, own, drawing }) => {
        const timeline = letterTimeline(drawing.strokes, 1);
        return (
          <figure key={hand} className="min-w-0 flex-1">
            <LetterModel
              letter={drawing}
              timeline={timeline}
              time_s={timeline.total_s}
              numbered
              margin={0.5}
              className="h-[25rem] w-full rounded-lg border-2 border-crease bg-leaf"
            />
            <figcaption className="text-center text-sm">
              {handName(hand)}
              {own ? <span className="font-bold"> · the class’s</span> : null}
            </figcaption>
          </figure>
        );
      })}
    </div>
  );
}
