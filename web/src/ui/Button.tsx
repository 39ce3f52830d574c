/** Our button: `main` for the next step of a screen, `plain` for the rest. */
import type { ComponentProps } from "react";

const LOOKS = {
  main: "bg-ink text-leaf border-ink enabled:hover:bg-rule-deep enabled:hover:border-rule-deep",
  plain: "bg-leaf text-ink border-crease enabled:hover:border-ink",
  quiet: "border-transparent text-soft hover:text-ink underline underline-offset-4",
};

const LARGE = "min-h-11 gap-2 px-4 py-1.5";
/** Beside others, on a screen that is worked at with the keyboard. */
const SMALL = "min-h-9 gap-1.5 px-2.5 py-0.5 text-sm";

export function Button({
  look = "plain",
  small = false,
  className = "",
  ...rest
}: ComponentProps<"button"> & { look?: keyof typeof LOOKS; small?: boolean }) {
  return (
    <button
      type="button"
      {...rest}
      className={`inline-flex items-center justify-center rounded-md border-2 font-medium disabled:cursor-default disabled:opacity-45 ${small ? SMALL : LARGE} ${LOOKS[look]} ${className}`}
    />
  );
}
