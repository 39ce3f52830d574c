/** The teacher's own words, which go into every list beside the bundled ones. */
import { X } from "lucide-react";
import { useState } from "react";

import type { WordOut as Word } from "../../api/schema";
import { useAddOwnWord, useOwnWords, useRemoveOwnWord } from "../../api/wordQueries";
import { Button } from "../../ui/Button";
import { Loading, messageOf, ProblemNote } from "../../ui/states";
import { SoundWord } from "../../ui/SoundWord";
import { WordInput } from "./WordInput";

export function OwnWords() {
  const words = useOwnWords();
  const add = useAddOwnWord();
  const remove = useRemoveOwnWord();
  const [noted, setNoted] = useState("");
  return (
    <section aria-label="My words" className="flex flex-col gap-3 lg:min-h-0">
      <header>
        <h2 className="font-bold">My words</h2>
        <p className="text-sm text-soft">
          Names, places, what the class talks about. A dot parts two sounds (go.ing), brackets hold
          one together ((eigh)t), a star marks a word to know by heart (said*).
        </p>
      </header>
      <form
        className="flex items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (noted.trim() !== "") {
            add.mutate(
              { body: { noted: noted.trim() } },
              {
                onSuccess: () => {
                  setNoted("");
                },
              },
            );
          }
        }}
      >
        <WordInput label="A new word" value={noted} onChange={setNoted} />
        <Button type="submit" disabled={noted.trim() === "" || add.isPending}>
          Add
        </Button>
      </form>
      {add.isError && (
        <p role="alert" className="text-ember">
          {messageOf(add.error)}
        </p>
      )}
      {words.isPending && <Loading what="your words" />}
      {words.isError && <ProblemNote error={words.error} />}
      {words.data?.length === 0 && <p className="text-soft">None yet.</p>}
      <ul className="flex min-h-0 flex-wrap content-start gap-2 lg:overflow-y-auto">
        {words.data?.map((word) => (
          <OwnWord
            key={word.text}
            word={word}
            onRemove={() => {
              remove.mutate({ params: { path: { text: word.text } } });
            }}
          />
        ))}
      </ul>
      {remove.isError && <ProblemNote error={remove.error} />}
    </section>
  );
}

function OwnWord({ word, onRemove }: { word: Word; onRemove: () => void }) {
  return (
    <li className="inline-flex items-center gap-1 rounded-md border-2 border-crease bg-leaf pl-3">
      <SoundWord word={word} />
      <button
        type="button"
        aria-label={`Forget ${word.text}`}
        title={`Forget ${word.text}`}
        onClick={onRemove}
        className="inline-flex size-9 items-center justify-center text-soft hover:text-ember"
      >
        <X aria-hidden size={16} />
      </button>
    </li>
  );
}
