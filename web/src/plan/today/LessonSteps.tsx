/**
 * The steps of a lesson, in their order, with their minutes. Shift and an arrow key in a step's line
 * moves it; what is skipped stays where it is, pale.
 */
import { ChevronDown, ChevronUp } from "lucide-react";

import type { ReactNode } from "react";

import type { Lesson, LessonIn, LessonStep } from "../../api/client";
import { Button } from "../../ui/Button";
import { Tick } from "../../ui/Tick";
import { withStep, withStepMoved } from "./lesson";

const HALF = 0.5;

export function LessonSteps({
  lesson,
  sent,
  onChange,
  children,
}: {
  lesson: Lesson;
  sent: LessonIn;
  onChange: (lesson: LessonIn) => void;
  /** What can be done with the lesson: beside its name, where the eye is. */
  children: ReactNode;
}) {
  const words = new Map(lesson.steps.map((step) => [step.kind, step]));
  const spent = sent.steps.reduce((sum, step) => sum + (step.skipped ? 0 : step.minutes), 0);
  return (
    <section aria-label="Steps" className="flex min-w-0 flex-[7] flex-col max-lg:flex-none">
      <header className="mb-1 flex min-h-11 items-center gap-4">
        <h2 className="text-lg font-bold">Lesson on {lesson.new.join(", ")}</h2>
        <p className={spent > sent.minutes ? "text-ember" : "text-soft"}>
          {spent} of {sent.minutes} minutes
        </p>
        {spent !== sent.minutes && (
          <Button
            look="quiet"
            className="min-h-0 px-1 py-0"
            onClick={() => {
              onChange({ ...sent, share_out: true });
            }}
          >
            Share out anew
          </Button>
        )}
        <span className="flex-1" />
        {children}
      </header>
      <ol className="min-h-0 flex-1 overflow-y-auto pr-1">
        {sent.steps.map((step) => {
          const known = words.get(step.kind);
          return known ? (
            <StepRow
              key={step.kind}
              step={{ ...known, ...step }}
              onMove={(by) => {
                onChange(withStepMoved(sent, step.kind, by));
              }}
              onChange={(changed) => {
                const next = withStep(sent, step.kind, changed);
                onChange({ ...next, share_out: changed.skipped !== undefined });
              }}
            />
          ) : null;
        })}
      </ol>
    </section>
  );
}

type StepChange = Partial<Pick<LessonStep, "minutes" | "skipped" | "note">>;

function StepRow({
  step,
  onMove,
  onChange,
}: {
  step: LessonStep;
  onMove: (by: 1 | -1) => void;
  onChange: (changed: StepChange) => void;
}) {
  return (
    <li
      aria-label={step.title}
      className={`flex items-center gap-3 border-b border-rule/60 py-1 focus-within:bg-rule-wash/60 ${step.skipped ? "text-soft" : ""}`}
    >
      <Tick
        hidden
        label={`${step.title} is in the lesson`}
        checked={!step.skipped}
        onChange={(there) => {
          onChange({ skipped: !there });
        }}
      />
      <span className="w-34 shrink-0 font-medium">{step.title}</span>
      <input
        aria-label={`Note on ${step.title}`}
        defaultValue={step.note}
        placeholder={step.what}
        maxLength={120}
        onKeyDown={(event) => {
          if (!event.shiftKey || (event.key !== "ArrowDown" && event.key !== "ArrowUp")) return;
          event.preventDefault();
          onMove(event.key === "ArrowDown" ? 1 : -1);
        }}
        onBlur={(event) => {
          if (event.target.value !== step.note) onChange({ note: event.target.value });
        }}
        className="min-w-0 flex-1 rounded border-2 border-transparent bg-transparent px-1.5 py-0.5 placeholder:text-soft hover:border-crease focus:border-rule-deep focus:bg-leaf"
      />
      {!step.skipped && (
        <Minutes
          step={step}
          onChange={(minutes) => {
            onChange({ minutes });
          }}
        />
      )}
      <span className="flex">
        <RowButton
          label={`${step.title} earlier`}
          onClick={() => {
            onMove(-1);
          }}
        >
          <ChevronUp aria-hidden size={18} />
        </RowButton>
        <RowButton
          label={`${step.title} later`}
          onClick={() => {
            onMove(1);
          }}
        >
          <ChevronDown aria-hidden size={18} />
        </RowButton>
      </span>
    </li>
  );
}

function Minutes({ step, onChange }: { step: LessonStep; onChange: (minutes: number) => void }) {
  return (
    <span className="flex w-32 items-center justify-end gap-1">
      <RowButton
        label={`Less time for ${step.title}`}
        disabled={step.minutes <= HALF}
        onClick={() => {
          onChange(step.minutes - HALF);
        }}
      >
        −
      </RowButton>
      <span className="w-14 text-center">{step.minutes} min</span>
      <RowButton
        label={`More time for ${step.title}`}
        onClick={() => {
          onChange(step.minutes + HALF);
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
