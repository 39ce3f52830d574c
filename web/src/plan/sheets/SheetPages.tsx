/** The pages of a sheet as they are printed, one at a time. */
import { type ReactNode, useState } from "react";

import { Button } from "../../ui/Button";

export function SheetPages({
  pages,
  addressOfPage,
  children,
}: {
  pages: number;
  addressOfPage: (page: number) => string;
  /** What stands beside the way from page to page. */
  children?: ReactNode;
}) {
  const [at, setAt] = useState(1);
  const page = Math.min(at, Math.max(1, pages));
  return (
    <>
      <div className="flex flex-wrap items-center gap-3">
        {pages > 1 ? (
          <>
            <Button
              small
              disabled={page === 1}
              onClick={() => {
                setAt(page - 1);
              }}
            >
              The page before
            </Button>
            {page} of {pages}
            <Button
              small
              disabled={page === pages}
              onClick={() => {
                setAt(page + 1);
              }}
            >
              The next page
            </Button>
          </>
        ) : null}
        {children}
      </div>
      {pages > 0 ? (
        <img
          src={addressOfPage(page)}
          alt={`Page ${String(page)} as it is printed`}
          className="max-h-[calc(100dvh-11rem)] max-w-full border border-crease bg-white shadow-sm"
        />
      ) : null}
    </>
  );
}
