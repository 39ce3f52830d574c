/** What the steps are about: letters to look back on, words, a sentence. */
import { type ReactNode, useState } from "react";

import type { LessonChange } from "../../api/lessonQueries";
import type { LessonOut as Lesson, TodayOut as Today } from "../../api/schema";
import { usePhrases, usePicker, useSentences } from "../../api/wordQueries";
import { Button } from "../../ui/Button";
import { Pick } from "../../ui/Pick";
import { SmallLetter } from "../../ui/SmallLetter";
import { ProblemNote } from "../../ui/states";
import { SoundWord } from "../../ui/SoundWord";
import { Tick } from "../../ui/Tick";
import { FreePrompt } from "./FreePrompt";
import { LessonLoad } from "./LessonLoad";
import { SendHome } from "./SendHome";
import { WordPicker } from "./WordPicker";

interface MatterProps {
  lesson: Lesson;
  onChange: (change: LessonChange) => void;
}

export function LessonMatter({
  lesson,
  today,
  onChange,
  children,
}: MatterProps & { today: Today; children: ReactNode }) {
  return (
    <aside className="flex min-h-0 min-w-0 flex-[5] flex-col gap-4 border-rule max-lg:flex-none max-lg:border-t-2 max-lg:pt-4 lg:border-l-2 lg:pl-5">
      <div className="flex items-center justify-end gap-4">{children}</div>
      <LessonLoad load={lesson.load} onChange={onChange} />
      <LookBack lesson={lesson} today={today} onChange={onChange} />
      <Words lesson={lesson} onChange={onChange} />
      <Sentence lesson={lesson} onChange={onChange} />
      <FreePrompt lesson={lesson} today={today} onChange={onChange} />
      <SendHome lesson={lesson} />
    </aside>
  );
}

function LookBack({ lesson, today, onChange }: MatterProps & { today: Today }) {
  const others = today.due.filter(({ letter }) => !lesson.look_back.includes(letter));
  return (
    <section aria-label="Look back">
      <h2 className="font-bold">Look back on</h2>
      <ul className="flex flex-wrap items-center gap-2">
        {lesson.look_back.map((letter) => (
          <li key={letter}>
            <button
              type="button"
              title={`Leave out ${letter}`}
              aria-label={`Leave out ${letter}`}
              onClick={() => {
                onChange({ do: "look_back", letter, there: false });
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
                  onChange({ do: "look_back", letter, there: true });
                }
              }}
            />
          </li>
        )}
      </ul>
      {lesson.look_back.length > 0 && (
        <Tick
          label="Again and again, to the end of the line"
          checked={lesson.to_the_end}
          onChange={(filled) => {
            onChange({ do: "to_the_end", filled });
          }}
        />
      )}
    </section>
  );
}

const TIMES = [1, 2, 3, 4, 5];
const NO_GAP = "no gap";

function Words({ lesson, onChange }: MatterProps) {
  const [open, setOpen] = useState(false);
  const part = lesson.new[0] ?? "";
  const rows = usePicker(part, 1);
  const known = new Map(
    rows.data?.flatMap(({ words }) => words.map(({ word }) => [word.text, word] as const)),
  );
  const take = (text: string) => {
    onChange({ do: "word", text, there: !lesson.words.includes(text) });
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
        {lesson.words.map((text) => {
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
        {lesson.words.length === 0 && <li className="text-soft">None yet; the step is skipped.</li>}
      </ul>
      {lesson.words.length > 0 && (
        <Pick
          quiet
          label="How often each word"
          value={String(lesson.word_times)}
          options={TIMES.map((times) => ({
            value: String(times),
            label: times === 1 ? "each once" : `each ${String(times)} times`,
          }))}
          onChange={(times) => {
            onChange({ do: "word_times", times: Number(times) });
          }}
        />
      )}
      {rows.isError && <ProblemNote error={rows.error} retry={() => void rows.refetch()} />}
      {open && <WordPicker part={part} chosen={lesson.words} onTake={take} />}
    </section>
  );
}

function Sentence({ lesson, onChange }: MatterProps) {
  const offered = useSentences(lesson.new[0] ?? "");
  const phrases = usePhrases(lesson.new[0] ?? "");
  const { notes, words, text } = lesson.sentence;
  const others = (offered.data ?? []).filter((one) => one !== text);
  return (
    <section aria-label="A sentence or phrase">
      <h2 className="font-bold">A sentence or phrase</h2>
      <input
        key={text}
        aria-label="The sentence"
        defaultValue={text}
        maxLength={120}
        placeholder="Your own sentence"
        onBlur={(event) => {
          if (event.target.value !== text) {
            onChange({ do: "sentence", sentence: event.target.value });
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
      {text !== "" && (
        <Pick
          quiet
          label="A gap in it"
          value={lesson.gap || NO_GAP}
          options={[
            { value: NO_GAP, label: "no gap in it" },
            ...text
              .split(" ")
              .map((one) => one.replace(/[.,!?]+$/, ""))
              .filter((one, at, all) => one !== "" && all.indexOf(one) === at)
              .map((one) => ({ value: one, label: `a gap for “${one}”` })),
          ]}
          onChange={(word) => {
            onChange({ do: "gap", word: word === NO_GAP ? "" : word });
          }}
        />
      )}
      <ul className="text-ember">
        {notes.map((note) => (
          <li key={note}>{note}</li>
        ))}
      </ul>
      {offered.isError && (
        <ProblemNote error={offered.error} retry={() => void offered.refetch()} />
      )}
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
            if (sentence !== "another") onChange({ do: "sentence", sentence });
          }}
        />
      )}
      {(phrases.data ?? []).length > 0 && (
        <Pick
          quiet
          label="A phrase"
          value="phrase"
          options={[
            { value: "phrase", label: "Or a phrase" },
            ...(phrases.data ?? []).slice(0, 12).map((one) => ({ value: one, label: one })),
          ]}
          onChange={(sentence) => {
            if (sentence !== "phrase") onChange({ do: "sentence", sentence });
          }}
        />
      )}
    </section>
  );
}
