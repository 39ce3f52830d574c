/** Under the sheet: strike through or rub out, what is said, done. */
import { Check, Undo2 } from "lucide-react";

import type { PadTaskOut } from "../api/schema";
import { PadButton, StruckIcon } from "./PadButton";
import { Enough } from "./pictures";
import type { PadLesson } from "./usePadLesson";
import type { PageHook } from "./usePage";

/** Under the sheet; `enough` where the class wants no more of it. */
export function PadBar({
  task,
  page,
  pad,
  enough,
  further,
}: {
  task: PadTaskOut;
  page: PageHook;
  pad: PadLesson;
  enough: boolean;
  /** Leads on to lines that are written on freely. */
  further: (() => void) | null;
}) {
  const written = page.strokes.length > 0;
  return (
    <footer className="flex h-20 shrink-0 items-center gap-4 px-4">
      <PadButton
        name="Strike it through"
        disabled={!written}
        onClick={() => {
          page.done(true);
        }}
      >
        <StruckIcon />
      </PadButton>
      {task.rubbing_out ? (
        <PadButton name="Last stroke away" disabled={!written} onClick={page.rubOut}>
          <Undo2 aria-hidden size={30} />
        </PadButton>
      ) : null}
      <p role="status" className="min-w-0 flex-1 text-center text-xl">
        {pad.answer?.say ?? task.reminder}
        {enough ? <span className="sr-only">That is enough</span> : null}
      </p>
      {further ? (
        <PadButton name="More lines" onClick={further}>
          <MoreLines />
        </PadButton>
      ) : null}
      <PadButton
        look="done"
        name="Done"
        disabled={!written}
        onClick={() => {
          page.done(false);
        }}
      >
        <Check aria-hidden size={36} />
      </PadButton>
    </footer>
  );
}

/** Lines that go on. */
function MoreLines() {
  return (
    <svg viewBox="0 0 36 36" className="size-10" fill="none" strokeWidth={2.6} aria-hidden>
      <path d="M5 12H31M5 21H31M5 30H17" className="stroke-rule-deep" strokeLinecap="round" />
      <path d="M27 25V35M22 30H32" className="stroke-ember" strokeLinecap="round" />
    </svg>
  );
}

/** The sun over a sheet on which enough is written. */
export function EnoughSign() {
  return (
    <div className="pointer-events-none absolute right-3 bottom-3">
      <Enough />
    </div>
  );
}
