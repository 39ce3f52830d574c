/** A second pair of eyes: sets that several judge without a word of another's, and how they agree. */
import { useState } from "react";
import { Link } from "react-router";

import type { BlindSetOut, ComparedOut, KappaOut, SetsOut } from "../../api/schema";
import { useThing } from "../../api/tableQueries";
import { useDeleteSet, useMakeSet, useSets, useSetsToJudge } from "../../api/trustQueries";
import { Button } from "../../ui/Button";
import { ConfirmButton } from "../../ui/ConfirmButton";
import { Hers } from "../../ui/Hers";
import { Pick } from "../../ui/Pick";
import { Failed, Loading } from "../../ui/states";
import { LetterInk } from "../Tile";

export function SetsPage() {
  const sets = useSets();
  const mine = useSetsToJudge();
  return (
    <section className="mx-auto flex w-full max-w-4xl flex-col gap-5 px-5 py-4">
      <header className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h1 className="text-2xl font-bold">A second pair of eyes</h1>
        <Link to="/check" className="underline underline-offset-4">
          Back to the table
        </Link>
      </header>
      <p className="max-w-2xl text-soft">
        You and a colleague judge the same letters, and neither sees what the other or the checker
        says. Once both are through, you see how well you agree with each other, and whether the
        checker agrees with you as well as that.
      </p>
      <Failed of={[sets, mine]} />
      {sets.isPending ? <Loading what="the sets" /> : null}
      {mine.data && mine.data.length > 0 ? (
        <ul aria-label="Yours to judge" className="flex flex-col gap-2">
          {mine.data.map((one) => (
            <li key={one.id} className="flex flex-wrap items-center gap-3">
              <Link
                to={`/check/blind/${one.id}`}
                className="inline-flex min-h-11 items-center rounded-md border-2 border-ink bg-ink px-4 font-medium text-leaf hover:bg-rule-deep"
              >
                {one.done < one.size ? `Judge “${one.name}”` : `Look again at “${one.name}”`}
              </Link>
              <span className="text-soft">
                {one.done} of {one.size} judged
              </span>
            </li>
          ))}
        </ul>
      ) : null}
      {sets.data ? (
        <Hers>
          <NewSet sets={sets.data} />
        </Hers>
      ) : null}
      {sets.data?.sets.map((one) => (
        <OneSet key={one.id} set={one} />
      ))}
    </section>
  );
}

const SIZES = ["20", "30", "40", "60"] as const;

function NewSet({ sets }: { sets: SetsOut }) {
  const make = useMakeSet();
  const [size, setSize] = useState<(typeof SIZES)[number]>("20");
  const [other, setOther] = useState("none");
  const you = sets.readers.find(({ is_you }) => is_you);
  const colleagues = sets.readers.filter(({ is_you }) => !is_you);
  if (!you) return null;
  const readers = [you.id, ...(other === "none" ? [] : [Number(other)])];
  return (
    <div className="flex flex-col gap-2">
      <div className="flex flex-wrap items-center gap-3">
        <Pick
          label="Letters in the set"
          value={size}
          options={SIZES.map((one) => ({ value: one, label: `${one} letters` }))}
          onChange={setSize}
        />
        <Pick
          label="Who judges it with you"
          value={other}
          options={[
            { value: "none", label: "You alone" },
            ...colleagues.map(({ id, name }) => ({ value: String(id), label: `You and ${name}` })),
          ]}
          onChange={setOther}
        />
        <Button
          disabled={make.isPending}
          onClick={() => {
            const name = `Letters up to ${today()}`;
            make.mutate({ body: { name, size: Number(size), readers } });
          }}
        >
          Choose a new set
        </Button>
      </div>
      {colleagues.length === 0 ? (
        <p className="text-sm text-soft">
          A colleague is added under{" "}
          <Link to="/settings" className="underline">
            Settings
          </Link>
          .
        </p>
      ) : null}
      <Failed of={[make]} />
    </div>
  );
}

function OneSet({ set }: { set: BlindSetOut }) {
  const remove = useDeleteSet();
  return (
    <article aria-label={set.name} className="flex flex-col gap-3 border-t-2 border-crease pt-3">
      <header className="flex flex-wrap items-center gap-x-4">
        <h2 className="text-lg font-bold">{set.name}</h2>
        <p className="text-soft">
          {set.readers.map(({ name, done }) => `${name}: ${done} of ${set.size}`).join(" · ")}
        </p>
        <Hers told={false}>
          <ConfirmButton
            label={`Delete ${set.name}`}
            question="All that was said in it is deleted with it."
            yes="Delete"
            onYes={() => {
              remove.mutate({ params: { path: { set_id: set.id } } });
            }}
          />
        </Hers>
      </header>
      {set.through ? (
        set.compared.map((one) => <Two key={`${one.one} ${one.other}`} two={one} />)
      ) : (
        <p className="text-soft">How you agree is shown once everybody is through.</p>
      )}
    </article>
  );
}

function Two({ two }: { two: ComparedOut }) {
  const [shown, setShown] = useState(false);
  const rows = [
    ["Direction", two.direction],
    ["Size", two.size],
    ["Shape", two.shape],
    ...two.findings.map(({ name, kappa }) => [name, kappa] as const),
  ] as const;
  return (
    <section aria-label={`${two.one} and ${two.other}`} className="flex flex-col gap-1">
      <h3 className="font-bold">
        {two.one} and {two.other}
      </h3>
      <ul className="flex flex-col">
        {rows.map(([name, kappa]) => (
          <li key={name} className="flex items-baseline gap-3">
            <span className="w-44 shrink-0">{name}</span>
            <span className={kappa ? "" : "text-sm text-soft"}>{kappaWords(kappa)}</span>
          </li>
        ))}
      </ul>
      {two.differ.length > 0 ? (
        <Button
          small
          aria-expanded={shown}
          onClick={() => {
            setShown(!shown);
          }}
          className="self-start"
        >
          {`Letters to talk over: ${two.differ.length}`}
        </Button>
      ) : (
        <p className="text-soft">They saw every letter alike.</p>
      )}
      {shown ? (
        <ul className="grid grid-cols-[repeat(auto-fill,minmax(9rem,1fr))] gap-2">
          {two.differ.map((id) => (
            <li key={id}>
              <ToTalkOver id={id} />
            </li>
          ))}
        </ul>
      ) : null}
    </section>
  );
}

function ToTalkOver({ id }: { id: number }) {
  const thing = useThing(`attempt ${id}`).data;
  if (thing?.kind !== "attempt") return <div className="h-28" />;
  const { attempt } = thing;
  return (
    <figure className="rounded-lg border-2 border-crease bg-leaf p-1.5">
      <LetterInk
        attempt={attempt}
        label={`${attempt.letter} by ${attempt.pupil.name}`}
        className="h-24 w-full"
      />
      <figcaption className="text-sm">
        {attempt.letter}, {attempt.pupil.name}
      </figcaption>
    </figure>
  );
}

/** Kappa as it is read, with its interval; none says why. */
export function kappaWords(kappa: KappaOut | null): string {
  if (!kappa) return "too few to say, or one of them always said the same";
  const rounded = (value: number) => value.toFixed(2);
  return `${rounded(kappa.value)} (${rounded(kappa.low)} to ${rounded(kappa.high)}), ${gradeOf(kappa.value)}`;
}

/** In words, by the usual steps of Landis and Koch (1977), made fewer. */
function gradeOf(value: number): string {
  if (value > 0.8) return "nearly always";
  if (value > 0.6) return "mostly";
  if (value > 0.4) return "half of the way";
  return "hardly more than by chance";
}

function today(): string {
  return new Date().toLocaleDateString("en-GB", { day: "numeric", month: "long" });
}
