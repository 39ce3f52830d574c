/** What the steps are about: letters to look back on, words, a sentence. */
import { type ReactNode, useState } from "react";

import type { Lesson, LessonIn, Today } from "../../api/client";
import { usePicker, useSentences } from "../../api/wordQueries";
import { Button } from "../../ui/Button";
import { Pick } from "../../ui/Pick";
import { SmallLetter } from "../../ui/SmallLetter";
import { SoundWord } from "../letters/SoundWord";
import { withWord } from "./lesson";
import { SendHome } from "./SendHome";
import { WordPicker } from "./WordPicker";

interface MatterProps {
  lesson: Lesson;
  sent: LessonIn;
  onChange: (lesson: LessonIn) => void;
}

export function LessonMatter({
  lesson,
  sent,
  today,
  onChange,
  children,
}: MatterProps & { today: Today; children: ReactNode }) {
  return (
    <aside className="flex min-h-0 min-w-0 flex-[5] flex-col gap-4 border-rule max-lg:flex-none max-lg:border-t-2 max-lg:pt-4 lg:border-l-2 lg:pl-5">
      <div className="flex items-center justify-end gap-4">{children}</div>
      <LookBack lesson={lesson} sent={sent} today={today} onChange={onChange} />
      <Words lesson={lesson} sent={sent} onChange={onChange} />
      <Sentence lesson={lesson} sent={sent} onChange={onChange} />
      <SendHome lesson={lesson} />
    </aside>
  );
}

function LookBack({ sent, today, onChange }: MatterProps & { today: Today }) {
  const others = today.due.filter(({ letter }) => !sent.look_back.includes(letter));
  return (
    <section aria-label="Look back">
      <h2 className="font-bold">Look back on</h2>
      <ul className="flex flex-wrap items-center gap-2">
        {sent.look_back.map((letter) => (
          <li key={letter}>
            <button
              type="button"
              title={`Leave out ${letter}`}
              aria-label={`Leave out ${letter}`}
              onClick={() => {
                onChange({
                  ...sent,
                  look_back: sent.look_back.filter((one) => one !== letter),
                });
              }}
              className="rounded-md border-2 border-crease bg-leaf px-1 hover:border-ember"
            >
              <SmallLetter letter={letter} className="h-12" />
            </button>
          </li>
        ))}
        {others.length > 0 && (
          <li>
            <Pick
              label="Look back on another letter"
              value="one more"
              options={[
                { value: "one more", label: "one more" },
                ...others.map(({ letter, why }) => ({ value: letter, label: `${letter}, ${why}` })),
              ]}
              onChange={(letter) => {
                if (letter !== "one more") {
                  onChange({ ...sent, look_back: [...sent.look_back, letter] });
                }
              }}
            />
          </li>
        )}
      </ul>
    </section>
  );
}

function Words({ lesson, sent, onChange }: MatterProps) {
  const [open, setOpen] = useState(false);
  const part = lesson.new[0] ?? "";
  const rows = usePicker(part, 1);
  const known = new Map(
    rows.data?.flatMap(({ words }) => words.map(({ word }) => [word.text, word] as const)),
  );
  const take = (word: string) => {
    onChange(withWord(sent, word));
  };
  return (
    <section aria-label="Words">
      <header className="flex items-baseline gap-4">
        <h2 className="font-bold">Words</h2>
        <Button
          look="quiet"
          className="min-h-0 px-1 py-0"
          aria-expanded={open}
          onClick={() => {
            setOpen(!open);
          }}
        >
          {open ? "Done" : "Choose words"}
        </Button>
      </header>
      <ul className="flex flex-wrap items-center gap-2 py-1">
        {sent.words.map((text) => {
          const word = known.get(text);
          return (
            <li key={text}>
              <button
                type="button"
                title={`Leave out ${text}`}
                aria-label={`Leave out ${text}`}
                onClick={() => {
                  take(text);
                }}
                className="rounded-md border-2 border-crease bg-leaf px-2.5 py-1 hover:border-ember"
              >
                {word ? (
                  <SoundWord word={word} lit={part} />
                ) : (
                  <span className="text-lg">{text}</span>
                )}
              </button>
            </li>
          );
        })}
        {sent.words.length === 0 && <li className="text-soft">None yet; the step is skipped.</li>}
      </ul>
      {open && <WordPicker part={part} chosen={sent.words} onTake={take} />}
    </section>
  );
}

function Sentence({ lesson, sent, onChange }: MatterProps) {
  const offered = useSentences(lesson.new[0] ?? "");
  const { notes, words, text } = lesson.sentence;
  const others = (offered.data ?? []).filter((one) => one !== sent.sentence);
  return (
    <section aria-label="A sentence">
      <h2 className="font-bold">A sentence</h2>
      <input
        key={sent.sentence}
        aria-label="The sentence"
        defaultValue={sent.sentence}
        maxLength={120}
        placeholder="Your own sentence"
        onBlur={(event) => {
          if (event.target.value !== sent.sentence) {
            onChange({ ...sent, sentence: event.target.value });
          }
        }}
        className="w-full rounded-md border-2 border-crease bg-leaf px-3 py-1.5 text-lg"
      />
      {text !== "" && (
        <p className="text-sm text-soft">
          {words} {words === 1 ? "word" : "words"}
          {notes.length === 0 ? "; capital, spaces and stop are right." : ""}
        </p>
      )}
      <ul className="text-ember">
        {notes.map((note) => (
          <li key={note}>{note}</li>
        ))}
      </ul>
      {others.length > 0 && (
        <Pick
          quiet
          label="Another sentence"
          value="another"
          options={[
            { value: "another", label: `Another of ${String(others.length)}` },
            ...others.slice(0, 12).map((one) => ({ value: one, label: one })),
          ]}
          onChange={(sentence) => {
            if (sentence !== "another") onChange({ ...sent, sentence });
          }}
        />
      )}
    </section>
  );
}
