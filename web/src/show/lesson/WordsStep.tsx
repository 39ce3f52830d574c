/** Words, one at a time: heard first, then its sounds, then written on the lines. */
import { useState } from "react";

import { usePicker } from "../../api/wordQueries";
import { SoundWord } from "../../ui/SoundWord";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { Empty } from "../../ui/states";
import { TextOnLines } from "./TextOnLines";

const STAGES = ["heard", "sounds", "written"] as const;

export function WordsStep({ words }: { words: string[] }) {
  const [word, setWord] = useState(words[0] ?? "");
  const [stage, setStage] = useState(0);
  if (words.length === 0) return <Empty>There are no words in this lesson yet.</Empty>;
  const next = words[words.indexOf(word) + 1];
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3">
      <div className="flex min-h-0 flex-1 flex-col items-stretch justify-center">
        {stage === 0 && (
          <p className="text-center text-2xl text-soft big:text-[3rem]">
            Listen to the word, and count its sounds.
          </p>
        )}
        {stage >= 1 && <Sounds text={word} />}
        {stage === 2 && <TextOnLines text={word} />}
      </div>
      <div className="flex flex-wrap items-center gap-3">
        <Choice
          label="Word"
          value={word}
          options={words.map((text, at) => ({
            value: text,
            // Not given away before it is heard.
            label: text === word && stage > 0 ? text : `word ${String(at + 1)}`,
          }))}
          onChange={(text) => {
            setWord(text);
            setStage(0);
          }}
        />
        {stage < STAGES.length - 1 ? (
          <Button
            onClick={() => {
              setStage(stage + 1);
            }}
          >
            {stage === 0 ? "Show its sounds" : "Write it"}
          </Button>
        ) : (
          next !== undefined && (
            <Button
              onClick={() => {
                setWord(next);
                setStage(0);
              }}
            >
              Next word
            </Button>
          )
        )}
      </div>
    </div>
  );
}

function Sounds({ text }: { text: string }) {
  const rows = usePicker(text[0] ?? "", 3);
  const word = rows.data?.flatMap(({ words }) => words).find((one) => one.word.text === text)?.word;
  return (
    <p className="py-4 text-center big:py-8 [&_span]:text-[3rem] big:[&_span]:text-[5rem]">
      {word ? <SoundWord word={word} /> : <span>{text}</span>}
    </p>
  );
}
