/** The letter made move by move; of several, one after another; a pair first as it is joined. */
import { useState } from "react";

import { Choice } from "../../ui/Choice";
import { Board } from "../Board";
import { DrawnPart } from "./DrawnPart";

export function LetterStep({ parts }: { parts: string[] }) {
  const [part, setPart] = useState(parts[0] ?? "");
  return (
    <>
      <PartChoice parts={parts} part={part} onChange={setPart} />
      <DrawnPart part={part}>
        {(drawing) => <Board key={part} letter={drawing} inLesson />}
      </DrawnPart>
    </>
  );
}

/** Which of several is shown. */
export function PartChoice({
  parts,
  part,
  onChange,
}: {
  parts: string[];
  part: string;
  onChange: (part: string) => void;
}) {
  if (parts.length < 2) return null;
  return (
    <div className="pb-2">
      <Choice
        label="Letter"
        value={part}
        options={parts.map((one) => ({ value: one, label: one }))}
        onChange={onChange}
      />
    </div>
  );
}
