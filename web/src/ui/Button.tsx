/** Our button: `main` for the next step of a screen, `plain` for the rest. */
import type { ComponentProps } from "react";

const LOOKS = {
  main: "bg-ink text-leaf border-ink enabled:hover:bg-rule-deep enabled:hover:border-rule-deep",
  plain: "bg-leaf text-ink border-crease enabled:hover:border-ink",
  quiet: "border-transparent text-soft hover:text-ink underline underline-offset-4",
};

export function Button({
  look = "plain",
  className = "",
  ...rest
}: ComponentProps<"button"> & { look?: keyof typeof LOOKS }) {
  return (
    <button
      type="button"
      {...rest}
      className={`inline-flex min-h-11 items-center justify-center gap-2 rounded-md border-2 px-4 py-1.5 font-medium disabled:cursor-default disabled:opacity-45 ${LOOKS[look]} ${className}`}
    />
  );
}
