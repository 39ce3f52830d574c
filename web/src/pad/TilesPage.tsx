/** Who writes here: a picture and a name each. Also the page on which a tablet is passed on. */
import { Tile } from "../ui/Tile";
import { PassedOn } from "./pictures";
import type { PadLesson } from "./usePadLesson";

export function TilesPage({ pad }: { pad: PadLesson }) {
  const { joined, task } = pad;
  const before = task?.pupil ?? null;
  return (
    <section aria-label="Who writes here" className="flex min-h-0 flex-1 flex-col gap-3 p-4">
      <header className="flex items-center justify-center gap-5">
        {before ? <PassedOn /> : null}
        {before ? (
          <button
            type="button"
            onClick={pad.backToTask}
            className="flex min-h-16 items-center gap-3 rounded-md border-2 border-crease bg-leaf px-4 text-xl"
          >
            {before.tile ? <Tile name={before.tile} className="size-12" /> : null}
            Back to {before.name}
          </button>
        ) : (
          <h2 className="text-2xl font-bold">Who are you?</h2>
        )}
      </header>
      {pad.problem === null ? null : (
        <p role="alert" className="text-center text-xl text-ember">
          {pad.problem}
        </p>
      )}
      <ul className="grid flex-1 auto-rows-min grid-cols-[repeat(auto-fill,minmax(8.5rem,1fr))] gap-3 overflow-y-auto">
        {joined?.pupils
          .filter(({ id }) => id !== before?.id)
          .map(({ id, name, tile, taken }) => (
            <li key={id}>
              <button
                type="button"
                disabled={taken}
                onClick={() => {
                  pad.sit(id);
                }}
                className="flex w-full flex-col items-center gap-1 rounded-lg border-2 border-crease bg-leaf p-2 text-xl enabled:hover:border-rule-deep disabled:opacity-35"
              >
                {tile ? (
                  <Tile name={tile} className="size-20" />
                ) : (
                  <span
                    aria-hidden
                    className="flex size-20 items-center justify-center text-[3rem] text-rule-deep"
                  >
                    {name.slice(0, 1)}
                  </span>
                )}
                {name}
              </button>
            </li>
          ))}
      </ul>
    </section>
  );
}
