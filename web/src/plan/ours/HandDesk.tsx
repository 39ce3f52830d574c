/** A hand that is written here: its alphabet, and one letter of it, its joins, or it as a font. */
import { Link, useNavigate, useParams } from "react-router";

import type { OwnHandOut } from "../../api/schema";
import { addressOf } from "../../api/client";
import { useFit, useOwnHand, useOwnLetter } from "../../api/ownHandQueries";
import { Button } from "../../ui/Button";
import { SaveFile } from "../../ui/FileButtons";
import { handName } from "../../ui/names";
import { Failed, Loading, ProblemNote } from "../../ui/states";
import { Alphabet } from "./Alphabet";
import { nextUnwritten } from "./draft";
import { FontPart } from "./FontPart";
import { JoinsTable } from "./JoinsTable";
import { LetterBench } from "./LetterBench";
import { Back } from "./OursDesk";

/** From so many letters on it is worth while to look for what they share. */
const SHARED_BY = 4;
const JOINS = "joins";
const FONT = "font";

export function HandDesk() {
  const { name = "", letter } = useParams();
  const hand = useOwnHand(name);
  if (hand.isError) return <ProblemNote error={hand.error} retry={() => void hand.refetch()} />;
  if (!hand.data) return <Loading what={`the hand ${name}`} />;
  return <Desk hand={hand.data} at={letter ?? hand.data.letters[0]?.letter ?? "a"} />;
}

function Desk({ hand, at }: { hand: OwnHandOut; at: string }) {
  const stand = hand.letters.filter(({ stands }) => stands !== null).length;
  const fit = useFit();
  const base = `/plan/hand/ours/${encodeURIComponent(hand.name)}`;
  return (
    <section
      aria-label={`The hand ${hand.name}`}
      className="flex min-h-0 flex-1 flex-col gap-3 px-5 py-2"
    >
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <Back />
        <h1 className="text-xl font-bold">{hand.name}</h1>
        <p className="text-soft">
          {stand} of {hand.letters.length} are yours, the rest {handName(hand.base)}
          {hand.slant_deg === 0 ? "" : `; leans ${String(Math.round(hand.slant_deg))}°`}
          {hand.in_use
            ? "; your class writes it"
            : stand > 0
              ? "; for your class, choose it under Hand and lines"
              : ""}
        </p>
        <span className="flex-1" />
        <Button
          small
          disabled={stand < SHARED_BY || fit.isPending}
          title="What your letters share, lean and width, is taken out of each and said once"
          onClick={() => {
            fit.mutate({ params: { path: { name: hand.name } } });
          }}
        >
          {fit.isPending ? "Fitting …" : "Fit together"}
        </Button>
        {hand.joins ? <Tab to={`${base}/${JOINS}`} name="Joins" /> : null}
        <Tab to={`${base}/${FONT}`} name="As a font" />
        <SaveFile
          href={addressOf("/api/plan/files/hand/{name}", { path: { name: hand.name } })}
          name={`${hand.name}.hand.json`}
          label="Save it"
        />
      </div>
      <Failed of={[fit]} />
      <div className="flex min-h-0 flex-1 gap-5 max-lg:flex-col">
        <div className="min-h-0 overflow-y-auto lg:w-[15rem] lg:shrink-0 xl:w-[19rem]">
          <Alphabet hand={hand.name} letters={hand.letters} lines={hand.lines} chosen={at} />
        </div>
        {at === JOINS ? (
          <JoinsTable hand={hand.name} lines={hand.lines} words={hand.words} />
        ) : at === FONT ? (
          <FontPart hand={hand.name} />
        ) : (
          <OneLetter key={at} hand={hand} letter={at} />
        )}
      </div>
    </section>
  );
}

function Tab({ to, name }: { to: string; name: string }) {
  return (
    <Link
      to={to}
      className="inline-flex min-h-9 items-center rounded-md border-2 border-crease bg-leaf px-2.5 text-sm font-medium hover:border-ink"
    >
      {name}
    </Link>
  );
}

function OneLetter({ hand, letter }: { hand: OwnHandOut; letter: string }) {
  const found = useOwnLetter(hand.name, letter);
  const navigate = useNavigate();
  if (found.isError) return <ProblemNote error={found.error} retry={() => void found.refetch()} />;
  if (!found.data) return <Loading what={`the letter ${letter}`} />;
  const next = nextUnwritten(hand.letters, letter);
  return (
    <LetterBench
      hand={hand.name}
      found={found.data}
      lines={hand.lines}
      onReworded={() => void found.refetch()}
      onStands={() => {
        if (!next) return;
        void navigate(
          `/plan/hand/ours/${encodeURIComponent(hand.name)}/${encodeURIComponent(next)}`,
        );
      }}
    />
  );
}
