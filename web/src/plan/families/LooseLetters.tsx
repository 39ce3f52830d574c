/** Letters that are in no family yet: dropped here they are put aside, pressed they are placed. */
import { useDraggable, useDroppable } from "@dnd-kit/core";

import { SmallLetter } from "../../ui/SmallLetter";

export function LooseLetters({
  letters,
  unfinished,
  selected,
  canPlace,
  onSelect,
  onPlace,
}: {
  letters: readonly string[];
  /** How many of them keep the scheme from being whole. */
  unfinished: number;
  selected: string | undefined;
  canPlace: boolean;
  onSelect: (letter: string) => void;
  onPlace: (letter: string) => void;
}) {
  const { setNodeRef, isOver } = useDroppable({ id: "loose" });
  return (
    <section
      ref={setNodeRef}
      aria-label="In no family yet"
      className={`mt-2 min-h-12 rounded-md border-2 border-dashed border-crease px-3 py-1.5 ${isOver ? "bg-rule-wash" : ""}`}
    >
      <p className={`text-sm ${unfinished ? "font-medium text-ember" : "text-soft"}`}>
        {unfinished
          ? `Unfinished: ${unfinished} ${unfinished === 1 ? "letter is" : "letters are"} in no family yet. Drag them to one, or press one for the last family.`
          : letters.length
            ? "Capitals and digits may come in their own time. Drag them to a family, or press one for the last."
            : "Every letter has its family. Drop one here to put it aside."}
      </p>
      <ul className="flex flex-wrap gap-1">
        {letters.map((letter) => (
          <Loose
            key={letter}
            letter={letter}
            selected={letter === selected}
            onPress={() => {
              if (canPlace) onPlace(letter);
              else onSelect(letter);
            }}
          />
        ))}
      </ul>
    </section>
  );
}

function Loose({
  letter,
  selected,
  onPress,
}: {
  letter: string;
  selected: boolean;
  onPress: () => void;
}) {
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: letter });
  return (
    <li>
      <button
        ref={setNodeRef}
        {...listeners}
        type="button"
        data-letter={letter}
        aria-label={`Place ${letter}`}
        aria-pressed={selected}
        onClick={onPress}
        className={`touch-none rounded-md border-2 border-crease bg-leaf hover:border-rule-deep ${isDragging ? "opacity-35" : ""}`}
      >
        <SmallLetter letter={letter} className="h-10" />
      </button>
    </li>
  );
}
