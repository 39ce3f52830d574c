/** A box to tick, on Radix's checkbox; the tick is drawn with one stroke of the pen. */
import { Checkbox } from "radix-ui";
import { useId } from "react";

export function Tick({
  label,
  checked,
  onChange,
  hidden = false,
}: {
  label: string;
  checked: boolean;
  onChange: (checked: boolean) => void;
  /** The words are said, not shown. */
  hidden?: boolean;
}) {
  const id = useId();
  return (
    <span className="inline-flex items-center gap-2">
      <Checkbox.Root
        id={id}
        aria-label={hidden ? label : undefined}
        checked={checked}
        onCheckedChange={(now) => {
          onChange(now === true);
        }}
        className="flex size-6 shrink-0 items-center justify-center rounded border-2 border-crease bg-leaf hover:border-rule-deep data-[state=checked]:border-ink"
      >
        <Checkbox.Indicator asChild>
          <svg viewBox="0 0 16 16" className="size-5" fill="none" aria-hidden>
            <path
              d="M2.5 9 Q5 10.5 6.5 13.5 Q9 7 14 2.5"
              stroke="currentColor"
              strokeWidth="2"
              strokeLinecap="round"
            />
          </svg>
        </Checkbox.Indicator>
      </Checkbox.Root>
      {!hidden && <label htmlFor={id}>{label}</label>}
    </span>
  );
}
