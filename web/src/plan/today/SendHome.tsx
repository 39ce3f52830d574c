/** A movement to send home: of what is new, or of one of the lesson's words. */
import { useState } from "react";

import type { LessonOut as Lesson } from "../../api/schema";
import { Pick } from "../../ui/Pick";
import { DrawingFiles } from "../DrawingFiles";

export function SendHome({ lesson }: { lesson: Lesson }) {
  const texts = [...new Set([...lesson.new, ...lesson.words])];
  const [chosen, setChosen] = useState("");
  const text = texts.includes(chosen) ? chosen : (texts[0] ?? "");
  return (
    <section aria-label="To send home">
      <h2 className="font-bold">To send home</h2>
      <div className="flex flex-wrap items-center gap-2 pt-1">
        <Pick
          label="What to send home"
          value={text}
          options={texts.map((one) => ({ value: one, label: one }))}
          onChange={setChosen}
        />
        <DrawingFiles text={text} />
      </div>
    </section>
  );
}
