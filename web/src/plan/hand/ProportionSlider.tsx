/** One proportion of the hand: the hand's own until it is moved, and again when it is put back. */
import { Slider } from "radix-ui";

import type { Proportion } from "../../api/schema";

export function ProportionSlider({
  name,
  unit,
  proportion: { value, least, most },
  step,
  own,
  onChange,
}: {
  name: string;
  unit: string;
  proportion: Proportion;
  step: number;
  /** Whether it is the hand's own; undefined where the hand has none. */
  own?: boolean;
  onChange: (value: number | null) => void;
}) {
  return (
    <div className="flex items-center gap-3">
      <span className="w-24 text-soft">{name}</span>
      <Slider.Root
        value={[value]}
        min={least}
        max={most}
        step={step}
        onValueChange={([moved]) => {
          if (moved !== undefined) onChange(Math.round(moved * 100) / 100);
        }}
        className="relative flex h-9 flex-1 touch-none items-center"
      >
        <Slider.Track className="relative h-1 flex-1 rounded bg-crease">
          <Slider.Range className="absolute h-full rounded bg-rule-deep" />
        </Slider.Track>
        <Slider.Thumb
          aria-label={name}
          className="block size-6 rounded-full border-2 border-ink bg-leaf"
        />
      </Slider.Root>
      <span className="w-28 text-right text-sm">
        {Math.abs(Math.round(value * 100) / 100)}
        {unit}
      </span>
      {own === undefined ? (
        <span className="w-20" />
      ) : (
        <button
          type="button"
          disabled={own}
          onClick={() => {
            onChange(null);
          }}
          className="w-20 text-left text-sm text-soft underline underline-offset-4 disabled:opacity-40"
        >
          hand’s own
        </button>
      )}
    </div>
  );
}
