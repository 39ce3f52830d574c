/** Settling down to write: reminders with small drawings, for left hands and for right. */
import { useState } from "react";

import { Choice } from "../../ui/Choice";

const HANDS = [
  { value: "right", label: "Right hand" },
  { value: "left", label: "Left hand" },
] as const;

/** Of a lesson that is not the full one, one line and the drawings small beside it. */
export function SettleBriefly() {
  return (
    <div className="flex min-h-0 flex-1 flex-col items-center justify-center gap-8">
      <div className="flex h-56 gap-10 big:h-96" aria-hidden>
        {[
          <Seat key="seat" />,
          <Paper key="paper" left={false} />,
          <Pencil key="pencil" left={false} />,
        ].map((drawing) => (
          <Drawing key={drawing.key} className="h-full w-auto">
            {drawing}
          </Drawing>
        ))}
      </div>
      <p className="text-center text-3xl leading-snug big:text-[3.5rem]">
        Feet flat, paper tilted and held, pencil near its point. If your hand hurts, stop and say
        so.
      </p>
    </div>
  );
}

export function Settle() {
  const [hand, setHand] = useState<(typeof HANDS)[number]["value"]>("right");
  const left = hand === "left";
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-4">
      <Choice label="Which hand" value={hand} options={HANDS} onChange={setHand} />
      <ul className="grid min-h-0 flex-1 grid-cols-3 grid-rows-[minmax(0,1fr)] gap-5">
        <Reminder text="Feet flat, back against the chair, a fist between you and the table.">
          <Seat />
        </Reminder>
        <Reminder
          text={
            left
              ? "Lay the paper to your left, its top leaning to the right. Sit on the left of your neighbour."
              : "Lay the paper a little to your right, and let its top lean to the left."
          }
        >
          <Paper left={left} />
        </Reminder>
        <Reminder
          text={
            left
              ? "Hold the pencil a thumb’s width from its point, your hand under the line. The other hand keeps the paper still."
              : "Hold the pencil near its point, not too tight. The other hand keeps the paper still."
          }
        >
          <Pencil left={left} />
        </Reminder>
      </ul>
      <p className="text-xl text-soft big:text-[2rem]">
        Stretch: shoulders up and down, fingers wide and closed. If your hand hurts, stop and say
        so.
      </p>
    </div>
  );
}

function Reminder({ text, children }: { text: string; children: React.ReactNode }) {
  return (
    <li className="flex min-h-0 flex-col items-center gap-3 rounded-lg border-2 border-crease bg-leaf p-4">
      <Drawing className="min-h-0 w-full flex-1">{children}</Drawing>
      <p className="text-xl big:text-[2.25rem] big:leading-tight">{text}</p>
    </li>
  );
}

function Drawing({ className, children }: { className: string; children: React.ReactNode }) {
  return (
    <svg
      viewBox="0 0 100 100"
      className={className}
      fill="none"
      stroke="currentColor"
      strokeWidth="2.4"
      strokeLinecap="round"
      strokeLinejoin="round"
      aria-hidden
    >
      {children}
    </svg>
  );
}

function Seat() {
  return (
    <>
      <path d="M22 38V88M22 66H50M50 66V88" className="stroke-rule-deep" />
      <path d="M58 52H92M86 52V88" className="stroke-rule-deep" />
      <circle cx="36" cy="16" r="8" />
      <path d="M32 26C27 36 27 52 30 62H54C56 70 56 80 56 86H64" />
      <path d="M33 34C42 44 52 50 66 50" />
      <path d="M10 88H94" className="stroke-rule" />
    </>
  );
}

function Paper({ left }: { left: boolean }) {
  return (
    <>
      <path d="M8 84H92" className="stroke-rule-deep" />
      <path d="M50 94V76" className="stroke-rule" strokeDasharray="3 4" />
      <g transform={`translate(${left ? 38 : 62} 46) rotate(${left ? 20 : -20})`}>
        <path d="M-20 -28H20V28H-20Z" className="fill-paper" />
        <path d="M-14 -14H14M-14 -4H14M-14 6H14" className="stroke-rule" />
      </g>
    </>
  );
}

function Pencil({ left }: { left: boolean }) {
  return (
    <g transform={left ? "translate(100 0) scale(-1 1)" : undefined}>
      <path d="M12 86H88" className="stroke-rule" />
      <path d="M34 82L40 66L72 14L80 19L48 71Z" className="fill-honey/20" />
      <path d="M34 82L37 74L41 77Z" className="fill-ink" />
      <path d="M86 62C74 50 62 48 52 56C46 60 44 66 48 68C54 70 58 62 64 62" />
      <path d="M88 78C76 76 66 74 58 70" />
    </g>
  );
}
