/** The joins of a hand that ask most, which letters do not join, and words that say so. */
import { useState } from "react";

import type { InkStroke, RulingLine as Line } from "../../api/schema";
import { exact } from "../../api/client";
import { useOwnJoins, useWriteWord } from "../../api/ownHandQueries";
import type { JoinsOut } from "../../api/schema";
import { inkOf } from "../../ink/usePad";
import { SmallPicture } from "../../ui/SmallPicture";
import { Failed, Loading } from "../../ui/states";
import { WriteLetter } from "./WriteLetter";

const LONGEST = 12;

export function JoinsTable({
  hand,
  lines,
  words,
}: {
  hand: string;
  lines: readonly Line[];
  words: readonly string[];
}) {
  const asked = useOwnJoins(hand);
  return (
    <section aria-label="Joins" className="flex min-h-0 min-w-0 flex-1 flex-col gap-3">
      <h2 className="text-xl font-bold">How letters join</h2>
      <Failed of={[asked]} />
      {asked.data ? <Worst joins={exact<JoinsOut>(asked.data)} /> : <Loading what="the joins" />}
      <Words hand={hand} lines={lines} words={words} />
    </section>
  );
}

function Worst({ joins }: { joins: JoinsOut }) {
  const { worst, joined, pairs, lifts_after, lifts_before, lines } = joins;
  return (
    <>
      <p className="text-soft">
        {joined} of {pairs} pairs are joined.{" "}
        {lifts_after.length > 0 ? `The pen is lifted after ${lifts_after.join(" ")}. ` : ""}
        {lifts_before.length > 0 ? `It is lifted before ${lifts_before.join(" ")}.` : ""}
      </p>
      <h3 className="font-bold">Those that ask most of a hand</h3>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(11rem,1fr))] gap-2">
        {worst.map(({ pair, how, picture }) => (
          <li
            key={pair}
            className="flex items-center gap-2 rounded-md border-2 border-crease bg-leaf pr-2"
          >
            <SmallPicture picture={picture} lines={lines} className="h-14 shrink-0" />
            <span className="text-sm leading-tight">
              <span className="font-bold">{pair}</span>
              <br />
              {how}
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}

/** A pair or a word as she writes it says where the pen is lifted. */
function Words({
  hand,
  lines,
  words,
}: {
  hand: string;
  lines: readonly Line[];
  words: readonly string[];
}) {
  const [word, setWord] = useState("");
  const [ink, setInk] = useState<readonly InkStroke[]>([]);
  const write = useWriteWord(hand);
  const isWord = /^[a-z]{2,12}$/.test(word);
  const done = () => {
    if (!isWord || ink.length === 0 || write.isPending) return;
    write.mutate(
      { params: { path: { name: hand } }, body: { word, strokes: inkOf(ink) } },
      {
        onSuccess: () => {
          setInk([]);
          setWord("");
        },
      },
    );
  };
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-2 border-t-2 border-crease pt-3">
      <div className="flex flex-wrap items-center gap-3">
        <h3 className="font-bold">Where you lift the pen</h3>
        <label className="flex items-center gap-2">
          <span className="text-soft">I write the word</span>
          <input
            value={word}
            maxLength={LONGEST}
            placeholder="of"
            onChange={(event) => {
              setWord(event.target.value.toLowerCase());
            }}
            className="min-h-9 w-32 rounded-md border-2 border-crease bg-leaf px-2"
          />
        </label>
        {words.length > 0 ? (
          <p role="status" className="text-soft">
            Written: {words.join(", ")}. Fit the letters together to see what they say.
          </p>
        ) : null}
      </div>
      {isWord ? (
        <WriteLetter
          what={`the word ${word}`}
          lines={lines}
          strokes={ink}
          onChange={setInk}
          onDone={done}
          busy={write.isPending}
        />
      ) : null}
      <Failed of={[write]} />
    </div>
  );
}
