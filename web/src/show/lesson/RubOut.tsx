/**
 * A game with the words that stand on the board: the teacher describes one, the class finds it, and it
 * is rubbed out; the one that is left is read.
 */
import { useState } from "react";

import type { WordOut as Word } from "../../api/schema";
import { Button } from "../../ui/Button";
import { Empty } from "../../ui/states";
import { TextOnLines } from "../../ui/TextOnLines";

export function RubOut({ words }: { words: Word[] }) {
  const [gone, setGone] = useState<readonly string[]>([]);
  const left = words.filter(({ text }) => !gone.includes(text));
  if (words.length < 2) return <Empty>This game needs two words or more.</Empty>;
  const [last] = left;
  const isOver = left.length === 1;
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3">
      <p role="status" className="text-center text-2xl text-soft big:text-[2.75rem]">
        {isOver ? "One is left: read it together." : "Listen: which word is it? Find it."}
      </p>
      <ul className="grid min-h-0 flex-1 grid-cols-2 gap-4 max-md:grid-cols-1">
        {words.map(({ text }) => {
          const out = gone.includes(text);
          return (
            <li key={text} className="flex min-h-0">
              <button
                type="button"
                disabled={out || isOver}
                aria-label={out ? `${text}, rubbed out` : `Rub out ${text}`}
                onClick={() => {
                  setGone([...gone, text]);
                }}
                className={`flex min-h-0 w-full flex-col rounded-lg border-2 p-2 ${isOver && last?.text === text ? "border-ember" : "border-crease"} enabled:hover:border-ink`}
              >
                <span
                  className={`flex min-h-0 w-full flex-1 transition-opacity ${out ? "opacity-0" : ""}`}
                >
                  <TextOnLines text={text} />
                </span>
              </button>
            </li>
          );
        })}
      </ul>
      <div className="flex gap-3">
        <Button
          disabled={gone.length === 0}
          onClick={() => {
            setGone(gone.slice(0, -1));
          }}
        >
          Bring the last back
        </Button>
        <Button
          look="quiet"
          disabled={gone.length === 0}
          onClick={() => {
            setGone([]);
          }}
        >
          From the beginning
        </Button>
      </div>
    </div>
  );
}
