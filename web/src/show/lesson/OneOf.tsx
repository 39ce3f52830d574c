/** Of several letters, pairs or words one at a time: which, and what is shown of it. */
import { Fragment, type ReactNode, useState } from "react";

import { Choice } from "../../ui/Choice";

export function OneOf({
  parts,
  label = "Letter",
  children,
}: {
  /** What there is one of: letters, if nothing is said. */
  label?: string;
  parts: readonly string[];
  children: (part: string) => ReactNode;
}) {
  const [part, setPart] = useState(parts[0] ?? "");
  return (
    <>
      {parts.length > 1 && (
        <div className="pb-2">
          <Choice
            label={label}
            value={part}
            options={parts.map((one) => ({ value: one, label: one }))}
            onChange={setPart}
          />
        </div>
      )}
      <Fragment key={part}>{children(part)}</Fragment>
    </>
  );
}
