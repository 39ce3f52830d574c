/**
 * The tally, for paper and whiteboards: what is seen is chosen once, then a tap on a child says that
 * it was seen there. Each tap is kept at once and can be taken back.
 */
import { Undo2 } from "lucide-react";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";

import { useToday } from "../../api/lessonQueries";
import { useClassroom } from "../../api/queries";
import { useTakeTallyBack, useTally, useTallyChoices } from "../../api/roomQueries";
import type { ClassOut as Classroom, Code, SlipSeen } from "../../api/schema";
import { SlipPicture } from "../../ink/SlipPicture";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { Loading, ProblemNote } from "../../ui/states";
import { Tile } from "../../ui/Tile";
import { useShortcuts } from "../../ui/useShortcuts";

const WELL = "well";

interface Tap {
  attempt: number;
  pupil: number;
  name: string;
}

export function TallyDesk() {
  const classroom = useClassroom();
  const today = useToday();
  const [search] = useSearchParams();
  if (classroom.isError) return <ProblemNote error={classroom.error} />;
  if (!classroom.data || today.isPending) return <Loading what="the class" />;
  const letters = today.data?.lesson?.letters ?? [];
  const letter = search.get("letter") ?? letters[0] ?? classroom.data.letters[0] ?? "";
  return <Desk key={letter} classroom={classroom.data} letters={letters} letter={letter} />;
}

function Desk({
  classroom,
  letters,
  letter,
}: {
  classroom: Classroom;
  letters: readonly string[];
  letter: string;
}) {
  const [, setSearch] = useSearchParams();
  const choices = useTallyChoices(letter);
  const [seen, setSeen] = useState<string>(WELL);
  const [taps, setTaps] = useState<Tap[]>([]);
  const tally = useTally();
  const takeBack = useTakeTallyBack();
  const nameOf = (code: string) =>
    choices.data?.find((one) => one.code === code)?.name ?? "well made";
  const tap = (pupil_id: number) => {
    const name = nameOf(seen);
    tally.mutate(
      { body: { pupil_id, letter, seen: seen === WELL ? null : (seen as Code) } },
      {
        onSuccess: ({ id }) => {
          setTaps((before) => [...before, { attempt: id, pupil: pupil_id, name }]);
        },
      },
    );
  };
  const last = taps.at(-1);
  const undo = () => {
    if (!last || takeBack.isPending) return;
    takeBack.mutate(
      { params: { path: { attempt_id: last.attempt } } },
      {
        onSuccess: () => {
          setTaps((before) => before.filter(({ attempt }) => attempt !== last.attempt));
        },
      },
    );
  };
  useShortcuts({ z: undo, u: undo });
  const problem = choices.error ?? tally.error ?? takeBack.error;
  const there = [...new Set([...letters, letter])];
  return (
    <section aria-label="Tally by eye" className="flex flex-col gap-3 px-5 py-3">
      <header className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <h1 className="text-xl font-bold">Tally by eye</h1>
        {there.length > 1 ? (
          <Choice
            small
            label="Which letter"
            value={letter}
            options={there.map((one) => ({ value: one, label: one }))}
            onChange={(one) => {
              setSearch({ letter: one }, { replace: true });
            }}
          />
        ) : (
          <p className="text-lg">
            of <span className="font-bold">{letter}</span>
          </p>
        )}
        <span className="flex-1" />
        <Button disabled={!last || takeBack.isPending} onClick={undo} aria-keyshortcuts="z">
          <Undo2 aria-hidden size={18} /> Take the last back
        </Button>
        <Link to="/write" className="underline underline-offset-4">
          The class at its pads
        </Link>
      </header>
      {problem ? <ProblemNote error={problem} /> : null}
      <p className="text-soft">
        What do you see? Choose it, then tap each child in whose letter it is.
      </p>
      <Choice
        label="What you see"
        value={seen}
        onChange={setSeen}
        options={[
          { value: WELL, label: "Well made" },
          ...(choices.data ?? []).map((one) => ({
            value: one.code,
            name: one.name,
            label: <Slip slip={one} />,
          })),
        ]}
      />
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(7.5rem,1fr))] gap-2">
        {classroom.pupils
          .filter(({ presence }) => presence === "here")
          .map(({ id, name, tile }) => {
            const own = taps.filter(({ pupil }) => pupil === id);
            return (
              <li key={id}>
                <button
                  type="button"
                  onClick={() => {
                    tap(id);
                  }}
                  className="flex min-h-28 w-full flex-col items-center gap-0.5 rounded-md border-2 border-crease bg-leaf p-1.5 hover:border-rule-deep"
                >
                  {tile ? <Tile name={tile} className="size-11" /> : null}
                  <span className="font-medium">{name}</span>
                  <span className="text-center text-sm leading-tight text-soft">
                    {own.map((one) => one.name).join(", ")}
                  </span>
                </button>
              </li>
            );
          })}
      </ul>
      <p role="status" className="sr-only">
        {last
          ? `${classroom.pupils.find(({ id }) => id === last.pupil)?.name ?? ""}: ${last.name}`
          : ""}
      </p>
    </section>
  );
}

/** A usual slip by its picture, or roughly what it is about. */
function Slip({ slip }: { slip: SlipSeen }) {
  return (
    <span className="flex max-w-32 flex-col items-center gap-0.5 py-1 text-sm leading-tight">
      {slip.picture ? <SlipPicture picture={slip.picture} className="h-16" /> : null}
      {slip.name}
    </span>
  );
}
