/** Which of the three spaces a letter fills. */
import type { LetterDrawing as Letter } from "../../api/schema";

const SPACES = ["upper", "middle", "lower"] as const;

export function SpacesMark({ spaces }: { spaces: Letter["spaces"] }) {
  return (
    <figure className="shrink-0">
      <ul aria-label="Spaces filled" className="w-16 border-y-2 border-rule">
        {SPACES.map((space) => (
          <li
            key={space}
            aria-label={`${space} space ${spaces.includes(space) ? "filled" : "empty"}`}
            className={`h-8 border-rule not-last:border-b-2 ${spaces.includes(space) ? "bg-rule" : "bg-leaf"}`}
          />
        ))}
      </ul>
      <figcaption className="mt-1 w-16 text-center text-sm leading-tight text-soft">
        fills {spaces.join(", ")}
      </figcaption>
    </figure>
  );
}
