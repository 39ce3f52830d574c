/** Fetches the next page of a list, and says how much of it is there. */
import { Button } from "./Button";

interface Pages {
  hasNextPage: boolean;
  isFetchingNextPage: boolean;
  fetchNextPage: () => Promise<unknown>;
}

export function MoreButton({
  pages,
  shown,
  total,
}: {
  pages: Pages;
  shown: number;
  total: number;
}) {
  if (!pages.hasNextPage) return null;
  return (
    <Button
      disabled={pages.isFetchingNextPage}
      onClick={() => void pages.fetchNextPage()}
      className="self-start"
    >
      {pages.isFetchingNextPage ? "Fetching more …" : "More"}
      <span className="font-normal text-soft">
        {shown} of {total}
      </span>
    </Button>
  );
}
