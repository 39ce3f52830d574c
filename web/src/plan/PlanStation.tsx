/** Plan: how the class writes. It is set here once, seen at once, and obeyed everywhere. */
import { Check, Undo2 } from "lucide-react";
import { useState } from "react";

import type { Style } from "../api/client";
import { usePreview, useSetStyle, useStyle } from "../api/queries";
import { Button } from "../ui/Button";
import { Choice } from "../ui/Choice";
import { Loading, ProblemNote } from "../ui/states";
import { AlternativeChoice } from "./AlternativeChoice";
import { PreviewLines } from "./PreviewLines";
import { ProportionSlider } from "./ProportionSlider";

const SPECIMENS = ["abcdefghi", "jklmnopqr", "stuvwxyz", "A quiet hour"];
const HAND_NAMES: Record<string, string> = {
  plain: "Plain print",
  flick: "Print with flicks",
  joined: "Joined",
  looped: "Joined with loops",
};

export function PlanStation() {
  const style = useStyle();
  if (style.isError) return <ProblemNote error={style.error} retry={() => void style.refetch()} />;
  if (!style.data) return <Loading what="how the class writes" />;
  return <StyleDesk key={JSON.stringify(style.data)} kept={style.data} />;
}

function StyleDesk({ kept }: { kept: Style }) {
  const [draft, setDraft] = useState(kept);
  const [own, setOwn] = useState("");
  const words = [...SPECIMENS, ...(own ? [own] : [])].flatMap((line) => line.split(" "));
  const preview = usePreview(draft, words.filter(Boolean).slice(0, 8));
  const save = useSetStyle();
  const changed = JSON.stringify(draft) !== JSON.stringify(kept);
  const change = (part: Partial<Style>) => {
    setDraft({ ...draft, ...part });
  };
  const seen = preview.data;

  return (
    <section className="flex min-h-0 flex-1 gap-6 px-5 py-4" aria-label="How the class writes">
      <div className="flex w-[27rem] shrink-0 flex-col gap-4">
        <h1 className="text-xl font-bold">How the class writes</h1>
        <Choice
          label="Hand"
          value={draft.hand}
          onChange={(hand) => {
            // Another hand has other alternatives and proportions: it begins with its own.
            setDraft({ ...kept, hand, choices: {}, slant_deg: null, width: null, branch: null });
          }}
          options={(seen?.hands ?? []).map((hand) => ({
            value: hand,
            label: HAND_NAMES[hand] ?? hand,
          }))}
        />
        {seen ? (
          <div className="flex flex-col gap-2">
            <ProportionSlider
              name="Lean"
              unit="°"
              proportion={seen.slant_deg}
              step={1}
              own={draft.slant_deg == null}
              onChange={(slant_deg) => {
                change({ slant_deg });
              }}
            />
            <ProportionSlider
              name="Width"
              unit="×"
              proportion={seen.width}
              step={0.05}
              own={draft.width == null}
              onChange={(width) => {
                change({ width });
              }}
            />
            <ProportionSlider
              name="Branch at"
              unit=" of the body"
              proportion={seen.branch}
              step={0.02}
              own={draft.branch == null}
              onChange={(branch) => {
                change({ branch });
              }}
            />
          </div>
        ) : null}
        <div className="flex flex-wrap gap-2">
          <Button
            look="main"
            disabled={!changed || save.isPending}
            onClick={() => {
              save.mutate(draft);
            }}
          >
            <Check aria-hidden size={20} /> Write like this
          </Button>
          <Button
            disabled={!changed}
            onClick={() => {
              setDraft(kept);
            }}
          >
            <Undo2 aria-hidden size={18} /> As it was
          </Button>
        </div>
        {save.error ? <ProblemNote error={save.error} /> : null}
        <p className="text-sm text-soft">
          Board, pads and checks follow at once. What children have written stays as it was checked.
          Families, the order of letters and today’s lesson will have their place on this page too.
        </p>
      </div>
      <div className="flex min-w-0 flex-1 flex-col gap-3">
        {preview.isError ? <ProblemNote error={preview.error} /> : null}
        {seen ? (
          <>
            <PreviewLines lines={seen.lines} words={seen.words} />
            <label className="flex items-center gap-3">
              <span className="text-soft">See a word of your own</span>
              <input
                value={own}
                maxLength={12}
                onChange={(event) => {
                  setOwn(event.target.value.replace(/[^A-Za-z0-9.,!?\-']/g, ""));
                }}
                className="min-h-11 rounded-md border-2 border-crease bg-leaf px-3"
              />
            </label>
            <ul
              aria-label="Letters that can be written in several ways"
              className="flex flex-wrap gap-x-6 gap-y-3"
            >
              {seen.alternatives.map(({ letter, ways }) => (
                <li key={letter}>
                  <AlternativeChoice
                    letter={letter}
                    ways={ways}
                    lines={seen.lines}
                    chosen={draft.choices[letter] ?? ways[0]?.name ?? ""}
                    onChange={(name) => {
                      const others = Object.entries(draft.choices).filter(
                        ([one]) => one !== letter,
                      );
                      const chosen: [string, string][] =
                        name === ways[0]?.name ? [] : [[letter, name]];
                      change({ choices: Object.fromEntries([...others, ...chosen]) });
                    }}
                  />
                </li>
              ))}
            </ul>
          </>
        ) : (
          <Loading what="the hand" />
        )}
      </div>
    </section>
  );
}
