/** A letter's page: all there is to know about it before it is taught. */
import { ChevronLeft, ChevronRight, Presentation } from "lucide-react";
import { Link, useNavigate, useParams } from "react-router";

import type { LetterPage } from "../../api/schema";
import { useClassroom, useLetterPage } from "../../api/queries";
import { SmallLetter } from "../../ui/SmallLetter";
import { Loading, ProblemNote } from "../../ui/states";
import { useShortcuts } from "../../ui/useShortcuts";
import { Forms } from "./Forms";
import { DrawingFiles } from "../DrawingFiles";
import { Phrase } from "./Phrase";
import { SlipPicture } from "../../ink/SlipPicture";
import { SoundWord } from "../../ui/SoundWord";
import { SpacesMark } from "./SpacesMark";

export function LetterDesk() {
  const { letter = "a" } = useParams();
  const page = useLetterPage(letter);
  const letters = useClassroom().data?.letters ?? [];
  const navigate = useNavigate();
  const at = letters.indexOf(letter);
  const go = (by: number) => {
    const next = letters[(at + by + letters.length) % letters.length];
    if (next) void navigate(`/plan/letters/${encodeURIComponent(next)}`);
  };
  useShortcuts({
    ArrowLeft: () => {
      go(-1);
    },
    ArrowRight: () => {
      go(1);
    },
  });
  return (
    <section
      aria-label={`The letter ${letter}`}
      className="flex min-h-0 flex-1 flex-col gap-3 px-5 py-3"
    >
      <div className="flex items-center gap-3 max-lg:flex-wrap">
        <Turn
          label="The letter before"
          onClick={() => {
            go(-1);
          }}
        >
          <ChevronLeft aria-hidden />
        </Turn>
        <h1 className="min-w-10 text-center text-2xl font-bold">{letter}</h1>
        <Turn
          label="The next letter"
          onClick={() => {
            go(1);
          }}
        >
          <ChevronRight aria-hidden />
        </Turn>
        {page.data ? <FamilyLine page={page.data} /> : null}
        <span className="flex-1" />
        <Link
          to={`/show/${encodeURIComponent(letter)}`}
          className="inline-flex min-h-11 items-center gap-2 rounded-md border-2 border-ink bg-ink px-4 font-medium whitespace-nowrap text-leaf hover:bg-rule-deep"
        >
          <Presentation aria-hidden size={18} /> On the board
        </Link>
        <DrawingFiles text={letter} />
      </div>
      {page.isError ? <ProblemNote error={page.error} retry={() => void page.refetch()} /> : null}
      {page.isPending ? <Loading what={`the letter ${letter}`} /> : null}
      {page.data ? <Page key={letter} page={page.data} /> : null}
    </section>
  );
}

function Turn({
  label,
  onClick,
  children,
}: {
  label: string;
  onClick: () => void;
  children: React.ReactNode;
}) {
  return (
    <button
      type="button"
      aria-label={label}
      onClick={onClick}
      className="inline-flex size-11 items-center justify-center rounded-md border-2 border-crease bg-leaf hover:border-ink"
    >
      {children}
    </button>
  );
}

function FamilyLine({ page }: { page: LetterPage }) {
  const { family } = page;
  if (!family) return <p className="text-soft">In no family of the class’s scheme.</p>;
  return (
    <p className="leading-tight max-lg:w-[calc(100%-12rem)]">
      <span className="font-bold">{family.family}</span>{" "}
      <span className="text-soft">
        with {family.letters.filter((x) => x !== page.letter).join(" ")}
      </span>
      <br />
      <span className="text-sm text-soft">
        {family.exception ? (
          <strong className="text-ember">But it {family.exception}.</strong>
        ) : (
          family.why
        )}
      </span>
    </p>
  );
}

function Page({ page }: { page: LetterPage }) {
  const own = page.forms.find((form) => form.own);
  return (
    <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1.25fr)_minmax(0,1fr)] gap-6">
      <div className="flex flex-col gap-3">
        <Forms forms={page.forms} />
        <div className="flex gap-4">
          <SpacesMark spaces={own?.drawing.spaces ?? []} />
          <Phrase page={page} />
        </div>
      </div>
      <div className="flex min-h-0 flex-col gap-4">
        <Slips page={page} />
        <Relatives page={page} />
        <Words page={page} />
      </div>
    </div>
  );
}

function Slips({ page }: { page: LetterPage }) {
  if (!page.slips.length) return null;
  return (
    <section aria-label="Usual slips">
      <h2 className="font-bold">What to watch for</h2>
      <ul className="flex flex-wrap gap-2">
        {page.slips.map(({ name, picture }) => (
          <li key={name} className="w-28 text-center text-sm leading-tight">
            <SlipPicture picture={picture} />
            {name}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Relatives({ page }: { page: LetterPage }) {
  if (!page.relatives.length) return null;
  return (
    <section aria-label="Relatives">
      <h2 className="font-bold">Easily confused with</h2>
      <ul className="flex flex-wrap gap-2">
        {page.relatives.map(({ letter, why }) => (
          <li key={letter}>
            <Link
              to={`/plan/letters/${encodeURIComponent(letter)}`}
              aria-label={`${letter}, ${why}`}
              className="flex items-center gap-2 rounded-md border-2 border-crease bg-leaf pr-3 text-sm hover:border-ink"
            >
              <SmallLetter letter={letter} className="h-12" />
              {why}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Words({ page }: { page: LetterPage }) {
  if (!page.words.length) return null;
  const more = page.word_count - page.words.length;
  return (
    <section aria-label="Words it unlocks" className="min-h-0 flex-1 overflow-y-auto">
      <h2 className="font-bold">
        {page.word_count} {page.word_count === 1 ? "word" : "words"} can be written with it{" "}
        <span className="font-normal text-soft">that could not before</span>
      </h2>
      <ul className="flex flex-wrap gap-x-4 gap-y-1.5">
        {page.words.map((word) => (
          <li key={word.text}>
            <SoundWord word={word} lit={page.letter} />
          </li>
        ))}
      </ul>
      {more > 0 ? <p className="text-sm text-soft">and {more} more</p> : null}
    </section>
  );
}
