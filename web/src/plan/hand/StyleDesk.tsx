/** How the class writes, and on which lines. It is set here once, seen at once, obeyed everywhere. */
import { Check, PenLine, Undo2 } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";

import type { StyleIn as Style } from "../../api/schema";
import { usePreview, useSetStyle, useStyle } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { handName, RULING_NAMES } from "../../ui/names";
import { Loading, ProblemNote } from "../../ui/states";
import { AlternativeChoice } from "./AlternativeChoice";
import { HandFiles } from "./HandFiles";
import { LineLooks } from "./LineLooks";
import { LineNames } from "./LineNames";
import { PreviewLines } from "./PreviewLines";
import { ProportionSlider } from "./ProportionSlider";
import { TrueSize } from "./TrueSize";

const SPECIMENS = ["abcdefghi", "jklmnopqr", "stuvwxyz", "A quiet hour"];
/** What can be set: of the hand, which has its own, and of the lines, which have not. */
const OF_THE_HAND = [
  { key: "slant_deg", name: "Lean", unit: "°", step: 1 },
  { key: "width", name: "Width", unit: "×", step: 0.05 },
  { key: "branch", name: "Branch at", unit: " of the body", step: 0.02 },
  { key: "exit", name: "Exits", unit: "×", step: 0.1 },
] as const;
const OF_THE_LINES = [
  { key: "x_height_mm", name: "Body", unit: " mm", step: 0.5 },
  { key: "top", name: "Tall", unit: " bodies", step: 0.05 },
  { key: "drop", name: "Tail", unit: " bodies", step: 0.05 },
] as const;

export function StyleDesk() {
  const style = useStyle();
  if (style.isError) return <ProblemNote error={style.error} retry={() => void style.refetch()} />;
  if (!style.data) return <Loading what="how the class writes" />;
  return <Desk key={JSON.stringify(style.data)} kept={style.data} />;
}

function Desk({ kept }: { kept: Style }) {
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
  const squared = draft.ruling === "squares";

  return (
    <section
      className="flex min-h-0 flex-1 gap-6 px-5 py-4 max-lg:flex-col"
      aria-label="How the class writes"
    >
      <div className="flex min-w-0 shrink-0 flex-col gap-3 lg:w-[27rem]">
        <h1 className="text-xl font-bold">How the class writes</h1>
        <Choice
          label="Hand"
          value={draft.hand}
          onChange={(hand) => {
            // Another hand has other alternatives and proportions: it begins with its own.
            const none = { slant_deg: null, width: null, branch: null, exit: null };
            setDraft({ ...draft, ...none, hand, choices: {} });
          }}
          options={(seen?.hands ?? []).map(({ name }) => ({
            value: name,
            label: handName(name),
          }))}
        />
        <Link
          to="/plan/hand/ours"
          className="inline-flex min-h-9 items-center gap-2 self-start text-soft underline underline-offset-4 hover:text-ink"
        >
          <PenLine aria-hidden size={16} /> Our own letters
        </Link>
        {seen ? (
          <div className="flex flex-col">
            {OF_THE_HAND.map(({ key, ...rest }) => (
              <ProportionSlider
                key={key}
                {...rest}
                proportion={seen.proportions[key]}
                own={draft[key] == null}
                onChange={(value) => {
                  change({ [key]: value });
                }}
              />
            ))}
          </div>
        ) : null}
        <h2 className="font-bold">The lines</h2>
        <Choice
          label="Ruling"
          value={draft.ruling}
          onChange={(ruling) => {
            change({ ruling });
          }}
          options={(seen?.rulings ?? []).map((kind) => ({
            value: kind,
            label: RULING_NAMES[kind],
          }))}
        />
        {seen && !squared ? (
          <LineLooks
            presets={seen.presets}
            lines={seen.lines}
            looks={draft.looks}
            onChange={(looks) => {
              change({ looks });
            }}
          />
        ) : null}
        {seen && !squared ? (
          <LineNames
            lines={seen.lines}
            names={draft.names}
            onChange={(names) => {
              change({ names });
            }}
          />
        ) : null}
        {seen ? (
          <div className="flex flex-col">
            {OF_THE_LINES.filter(({ key }) => key === "x_height_mm" || !squared).map(
              ({ key, ...rest }) => (
                <ProportionSlider
                  key={key}
                  {...rest}
                  proportion={seen.proportions[key]}
                  onChange={(value) => {
                    if (value !== null) change({ [key]: value });
                  }}
                />
              ),
            )}
          </div>
        ) : null}
        <div className="flex flex-wrap gap-2">
          <Button
            look="main"
            disabled={!changed || save.isPending}
            onClick={() => {
              save.mutate({ body: draft });
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
        </p>
        <HandFiles
          hand={draft.hand}
          own={seen?.hands.some(({ name, own }) => own && name === draft.hand) ?? false}
          inUse={draft.hand === kept.hand}
          onChosen={(hand) => {
            change({ hand, choices: {} });
          }}
        />
      </div>
      <div className="flex min-w-0 flex-1 flex-col gap-3">
        {preview.isError ? <ProblemNote error={preview.error} /> : null}
        {seen ? (
          <>
            <PreviewLines lines={seen.lines} words={seen.words} />
            <div className="flex flex-wrap items-center justify-between gap-3">
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
              <TrueSize word={seen.words[0]} lines={seen.lines} mm={draft.x_height_mm} />
            </div>
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
