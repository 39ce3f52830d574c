/**
 * A sentence: said and its words counted, then hidden and written, then shown again. Where a class
 * hears before it sees, it is not shown before it was written. The space bar goes on.
 */
import { useState } from "react";

import { Button } from "../../ui/Button";
import { Empty } from "../../ui/states";
import { TextOnLines } from "../../ui/TextOnLines";
import { useGoesOn } from "../onwards";
import { useCovered } from "./covered";

type Part = "said" | "hidden" | "shown";

const SAID: Record<Part, { shown: string; heard: string; next: string }> = {
  said: {
    shown: "Read it, say it. A finger for each word.",
    heard: "Listen, say it. A finger for each word.",
    next: "Hide it, and write",
  },
  hidden: {
    shown: "Now you write. A capital to begin, a finger’s space, its mark at the end.",
    heard: "Now you write. A capital to begin, a finger’s space, its mark at the end.",
    next: "Show it",
  },
  shown: {
    shown: "Read yours word by word. Right? Tick it.",
    heard: "Read yours word by word. Right? Tick it.",
    next: "Once more",
  },
};
const AFTER: Record<Part, Part> = { said: "hidden", hidden: "shown", shown: "said" };

export function SentenceStep({
  text,
  gap,
  heard,
}: {
  text: string;
  /** A word that is left out until all was written. */
  gap: string;
  heard: boolean;
}) {
  const [part, setPart] = useState<Part>("said");
  const goOn = () => {
    setPart(AFTER[part]);
  };
  useGoesOn(goOn);
  const covered = part === "hidden" || (part === "said" && heard);
  const words = text.split(" ").filter(Boolean);
  useCovered(covered || (gap !== "" && part !== "shown") ? text : null);
  if (words.length === 0) return <Empty>There is no sentence in this lesson yet.</Empty>;
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3">
      <p role="status" className="text-center text-2xl text-soft big:text-[2.75rem]">
        {SAID[part][heard ? "heard" : "shown"]}
      </p>
      {covered ? (
        <Count words={words.length} />
      ) : (
        <TextOnLines text={text} gap={part === "said" ? gap : ""} counted />
      )}
      <div>
        <Button look="main" onClick={goOn}>
          {SAID[part].next}
        </Button>
      </div>
    </div>
  );
}

/** A bar for each word, as long as any: how many there are, and none of them. */
function Count({ words }: { words: number }) {
  return (
    <div
      role="img"
      aria-label={`${String(words)} ${words === 1 ? "word" : "words"}`}
      className="flex min-h-0 flex-1 flex-wrap content-center justify-center gap-8"
    >
      {Array.from({ length: words }, (_, at) => (
        <span key={at} className="h-5 w-36 rounded-full bg-honey big:w-64" />
      ))}
    </div>
  );
}
