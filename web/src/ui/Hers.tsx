/** What only who teaches the class may change: a helper sees it, and no button that would be refused. */
import type { ReactNode } from "react";

import { useClassroom } from "../api/queries";

export function Hers({
  children,
  told = true,
}: {
  children: ReactNode;
  /** Whether it is said why: once on a page is enough. */
  told?: boolean;
}) {
  const helps = useClassroom().data?.helps ?? false;
  if (!helps) return children;
  return (
    <>
      {told && (
        <p role="note" className="border-l-4 border-rule px-3 text-soft">
          You help in this class. What its teacher has set is here to be seen.
        </p>
      )}
      <fieldset disabled className="hers contents">
        {children}
      </fieldset>
    </>
  );
}
