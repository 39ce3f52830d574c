/** On which day the map is looked at: a slider over all days since the first letter. */
import { Slider } from "radix-ui";

import type { MapOut } from "../api/schema";
import { Button } from "../ui/Button";
import { dayAfter, dayInWords, daysBetween } from "./map";

const WEEK = 7;

export function DayLine({
  map,
  asked,
  onDay,
}: {
  map: MapOut;
  asked: string | undefined;
  onDay: (day: string) => void;
}) {
  const last = daysBetween(map.first, map.today);
  const at = daysBetween(map.first, asked ?? map.day);
  function go(days: number) {
    onDay(dayAfter(map.first, Math.min(last, Math.max(0, days))));
  }
  return (
    <div
      className="flex min-w-0 flex-1 flex-wrap items-center justify-end gap-x-3 gap-y-1 max-sm:basis-full max-sm:justify-start"
      role="group"
      aria-label="Day"
    >
      <Button
        small
        disabled={at === 0}
        onClick={() => {
          go(at - WEEK);
        }}
      >
        A week back
      </Button>
      <Slider.Root
        value={[at]}
        min={0}
        max={Math.max(1, last)}
        disabled={last === 0}
        onValueChange={([days]) => {
          if (days !== undefined) go(days);
        }}
        className="relative flex h-9 max-w-96 min-w-32 flex-1 touch-none max-sm:order-last max-sm:max-w-full max-sm:basis-full items-center"
      >
        <Slider.Track className="relative h-1 flex-1 rounded bg-crease">
          <Slider.Range className="absolute h-full rounded bg-rule-deep" />
        </Slider.Track>
        <Slider.Thumb
          aria-label="Day of the map"
          aria-valuetext={dayInWords(dayAfter(map.first, at))}
          className="block size-6 rounded-full border-2 border-ink bg-leaf"
        />
      </Slider.Root>
      <Button
        small
        disabled={at === last}
        onClick={() => {
          go(at + WEEK);
        }}
      >
        A week on
      </Button>
      <span className="whitespace-nowrap sm:w-48" aria-live="polite">
        {at === last ? "Today" : dayInWords(dayAfter(map.first, at))}
      </span>
    </div>
  );
}
