/**
 * Slips to spot: some letters written on purpose as they go wrong, and the right one among them.
 * Pressed, a slip is crossed out and named, and the right one is ringed.
 */
import { useState } from "react";

import type { Code, Picture, SlipPicture as Slip } from "../../api/schema";
import { useLetterPage, usePairSlips } from "../../api/queries";
import { SlipPicture } from "../../ink/SlipPicture";
import { Loading, ProblemNote } from "../../ui/states";
import { OneOf } from "./OneOf";

const SLIPS = 3;

export function SlipsStep({ parts, habit }: { parts: string[]; habit: Code | null }) {
  return (
    <OneOf parts={parts}>
      {(part) =>
        part.length > 1 ? <OfPair pair={part} /> : <OfLetter letter={part} habit={habit} />
      }
    </OneOf>
  );
}

function OfPair({ pair }: { pair: string }) {
  const slips = usePairSlips(pair);
  if (slips.isPending) return <Loading what="the slips" />;
  if (slips.isError) return <ProblemNote error={slips.error} />;
  return <Slips what={pair} right={slips.data.right} slips={slips.data.slips} />;
}

function OfLetter({ letter, habit }: { letter: string; habit: Code | null }) {
  const page = useLetterPage(letter, habit);
  if (page.isPending) return <Loading what="the slips" />;
  if (page.isError) return <ProblemNote error={page.error} />;
  const own = page.data.forms.find((form) => form.own);
  const right: Picture = {
    text: letter,
    strokes: (own?.drawing.strokes ?? []).map((stroke) => stroke.flatMap(({ points }) => points)),
  };
  return <Slips what={letter} right={right} slips={page.data.slips} />;
}

function Slips({ what, right, slips }: { what: string; right: Picture; slips: Slip[] }) {
  const [found, setFound] = useState<ReadonlySet<string>>(new Set());
  const cards = slips.slice(0, SLIPS).map(({ name, picture }) => ({ name, picture, ok: false }));
  // The right one stands somewhere among them, the same place for everyone who looks.
  cards.splice(what.charCodeAt(0) % (cards.length + 1), 0, {
    name: "right",
    picture: right,
    ok: true,
  });
  return (
    <ul className="grid min-h-0 flex-1 grid-cols-2 gap-5 lg:grid-cols-4">
      {cards.map(({ name, picture, ok }, at) => {
        const seen = found.has(name);
        return (
          <li key={name} className="min-h-0">
            <button
              type="button"
              aria-pressed={seen}
              onClick={() => {
                setFound(new Set([...found, name]));
              }}
              className="relative flex h-full w-full flex-col items-center justify-center rounded-lg border-2 border-crease bg-leaf p-4 hover:border-ink"
            >
              <span className="flex min-h-0 w-full flex-1 items-center justify-center [&_svg]:h-full! [&_svg]:max-w-full">
                <SlipPicture picture={picture} />
              </span>
              {seen && <Verdict ok={ok} />}
              <span className="block min-h-10 text-center text-xl big:text-[2rem]">
                {seen ? name : <span className="sr-only">Letter {at + 1}</span>}
              </span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}

/** Crossed out with one stroke, or ringed. */
function Verdict({ ok }: { ok: boolean }) {
  return (
    <svg
      viewBox="0 0 100 100"
      preserveAspectRatio="none"
      className="pointer-events-none absolute inset-0 h-full w-full"
      fill="none"
      aria-hidden
    >
      <path
        d={
          ok
            ? "M60 6 C14 0 4 30 8 52 C12 84 80 92 92 56 C98 26 70 6 38 8"
            : "M10 84 C36 62 62 36 90 12"
        }
        className={ok ? "stroke-rule-deep" : "stroke-ink"}
        strokeWidth="3"
        strokeLinecap="round"
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}
