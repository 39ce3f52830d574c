/**
 * The steps of a lesson, in their order, with their minutes. Shift and an arrow key in a step's line
 * moves it; what is skipped stays where it is, pale.
 */
import { ChevronDown, ChevronUp } from "lucide-react";

import type { ReactNode } from "react";

import type { LessonChange } from "../../api/lessonQueries";
import type { LessonOut as Lesson, LessonStep, MinutesRange } from "../../api/schema";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { nameOf } from "../../ui/lessonName";
import { Tick } from "../../ui/Tick";
import { inMinutes } from "./minutes";

interface StepProps {
  range: MinutesRange;
  onChange: (change: LessonChange) => void;
}

export function LessonSteps({
  lesson,
  range,
  onChange,
  children,
}: StepProps & {
  lesson: Lesson;
  /** What can be done with the lesson: beside its name, where the eye is. */
  children: ReactNode;
}) {
  const { spent, minutes } = lesson;
  return (
    <section aria-label="Steps" className="flex min-w-0 flex-[7] flex-col max-lg:flex-none">
      <header className="mb-1 flex min-h-11 flex-wrap items-center gap-x-4 gap-y-1">
        <h2 className="text-lg font-bold">{nameOf(lesson)}</h2>
        <p className={spent > minutes ? "text-ember" : "text-soft"}>
          {inMinutes(spent)} of {minutes} minutes
        </p>
        {spent !== minutes && (
          <Button
            look="quiet"
            className="min-h-0 px-1 py-0"
            onClick={() => {
              onChange({ do: "share_out" });
            }}
          >
            Share out anew
          </Button>
        )}
        <span className="flex-1" />
        {children}
      </header>
      <Whole lesson={lesson} onChange={onChange} />
      <ol className="min-h-0 flex-1 overflow-y-auto pr-1">
        {lesson.steps.map((step) => (
          <StepRow key={step.kind} step={step} range={range} onChange={onChange} />
        ))}
      </ol>
    </section>
  );
}

const ROUNDS = [
  { value: "by_letter", label: "letter by letter" },
  { value: "by_step", label: "step by step" },
] as const;

/** What holds for the lesson as a whole: its aim, whether it has all steps, how they come round. */
function Whole({ lesson, onChange }: { lesson: Lesson; onChange: StepProps["onChange"] }) {
  const { aim, shape, rounds } = lesson;
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b-2 border-rule pb-1.5">
      <label className="flex min-w-64 flex-1 items-center gap-2">
        <span className="text-soft">Aim</span>
        <input
          key={aim}
          defaultValue={aim}
          placeholder="Today you will …"
          maxLength={120}
          onBlur={(event) => {
            if (event.target.value !== aim) onChange({ do: "aim", aim: event.target.value });
          }}
          className="min-w-0 flex-1 rounded border-2 border-transparent bg-transparent px-1.5 py-0.5 placeholder:text-soft hover:border-crease focus:border-rule-deep focus:bg-leaf"
        />
      </label>
      {(shape === "short" || shape === "full") && (
        <Button
          look="quiet"
          className="min-h-0 px-1 py-0"
          onClick={() => {
            onChange({ do: "shape", shape: shape === "short" ? "full" : "short" });
          }}
        >
          {shape === "short" ? "All steps" : "Only the short lesson"}
        </Button>
      )}
      {lesson.new.length > 1 && (
        <span className="basis-full">
          <Choice
            label="How the letters come round"
            small
            value={rounds}
            options={ROUNDS}
            onChange={(to) => {
              onChange({ do: "rounds", rounds: to });
            }}
          />
        </span>
      )}
    </div>
  );
}

function StepRow({ step, range, onChange }: StepProps & { step: LessonStep }) {
  const { kind, title } = step;
  const move = (by: 1 | -1) => {
    onChange({ do: "move", kind, by });
  };
  return (
    <li
      aria-label={title}
      className={`flex items-center gap-x-3 border-b border-rule/60 py-0.5 focus-within:bg-rule-wash/60 max-sm:flex-wrap ${step.skipped ? "text-soft" : ""}`}
    >
      <Tick
        hidden
        label={`${title} is in the lesson`}
        checked={!step.skipped}
        onChange={(there) => {
          onChange({ do: "skip", kind, skipped: !there });
        }}
      />
      <span className="w-34 shrink-0 font-medium">{title}</span>
      <input
        aria-label={`Note on ${title}`}
        defaultValue={step.note}
        placeholder={step.what}
        maxLength={120}
        onKeyDown={(event) => {
          if (!event.shiftKey || (event.key !== "ArrowDown" && event.key !== "ArrowUp")) return;
          event.preventDefault();
          move(event.key === "ArrowDown" ? 1 : -1);
        }}
        onBlur={(event) => {
          if (event.target.value !== step.note) {
            onChange({ do: "note", kind, note: event.target.value });
          }
        }}
        className="min-w-0 flex-1 rounded border-2 border-transparent bg-transparent px-1.5 py-0.5 placeholder:text-soft hover:border-crease focus:border-rule-deep focus:bg-leaf max-sm:order-last max-sm:basis-full"
      />
      {!step.skipped && (
        <Minutes
          step={step}
          range={range}
          onChange={(minutes) => {
            onChange({ do: "time", kind, minutes });
          }}
        />
      )}
      <span className="flex">
        <RowButton
          label={`${title} earlier`}
          onClick={() => {
            move(-1);
          }}
        >
          <ChevronUp aria-hidden size={18} />
        </RowButton>
        <RowButton
          label={`${title} later`}
          onClick={() => {
            move(1);
          }}
        >
          <ChevronDown aria-hidden size={18} />
        </RowButton>
      </span>
    </li>
  );
}

function Minutes({
  step,
  range,
  onChange,
}: {
  step: LessonStep;
  range: MinutesRange;
  onChange: (minutes: number) => void;
}) {
  return (
    <span className="flex w-32 items-center justify-end gap-1">
      <RowButton
        label={`Less time for ${step.title}`}
        disabled={step.minutes <= range.step}
        onClick={() => {
          onChange(step.minutes - range.step);
        }}
      >
        −
      </RowButton>
      <span className="w-16 text-center whitespace-nowrap">{inMinutes(step.minutes)} min</span>
      <RowButton
        label={`More time for ${step.title}`}
        disabled={step.minutes >= range.longest}
        onClick={() => {
          onChange(step.minutes + range.step);
        }}
      >
        +
      </RowButton>
    </span>
  );
}

function RowButton({
  label,
  disabled,
  onClick,
  children,
}: {
  label: string;
  disabled?: boolean;
  onClick: () => void;
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      disabled={disabled}
      onClick={onClick}
      className="flex size-8 items-center justify-center rounded text-soft hover:bg-rule-wash hover:text-ink disabled:opacity-40"
    >
      {children}
    </button>
  );
}
