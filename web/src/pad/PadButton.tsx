/** The pad's large buttons: a picture each, its name for who cannot see it. */
import type { ComponentProps } from "react";

const LOOKS = {
  done: "border-ink bg-ink text-leaf",
  plain: "border-crease bg-leaf text-ink",
};

export function PadButton({
  look = "plain",
  name,
  ...rest
}: ComponentProps<"button"> & { look?: keyof typeof LOOKS; name: string }) {
  return (
    <button
      type="button"
      aria-label={name}
      {...rest}
      className={`flex size-16 shrink-0 items-center justify-center rounded-full border-2 disabled:opacity-30 ${LOOKS[look]}`}
    />
  );
}

/** A letter that is struck through: no fault, the next one is better. */
export function StruckIcon() {
  return (
    <svg
      viewBox="0 0 36 36"
      className="size-10"
      fill="none"
      strokeWidth={2.6}
      strokeLinecap="round"
    >
      <path d="M12 12V26M12 17C13 12 24 10 25 17V26" className="stroke-soft" />
      <path d="M6 27L30 9" className="stroke-ember" />
    </svg>
  );
}
