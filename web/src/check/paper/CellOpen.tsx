/** One cell of a page, large: what was read, what there is to say, and what stands there after all. */
import { useSetCell } from "../../api/paperQueries";
import type { CellOut, PageInFull } from "../../api/schema";
import { Choice } from "../../ui/Choice";
import { Failed } from "../../ui/states";
import { DIMENSIONS, VERDICT_NAMES, VerdictMark } from "../../ui/VerdictMark";
import { keptInWords, STATES } from "./words";

/** mm about a cell that are shown with it. */
const ABOUT = 3;

export function CellOpen({
  page,
  cell,
  picture,
  size: [width, height],
}: {
  page: PageInFull;
  cell: CellOut | undefined;
  picture: string;
  size: readonly [number, number];
}) {
  const set = useSetCell();
  return (
    <section aria-label="The cell" className="flex flex-col gap-3">
      {cell ? (
        <>
          <Crop cell={cell} picture={picture} size={[width, height]} />
          <h2 className="text-xl font-bold">{cell.target}</h2>
          <Told cell={cell} />
          {page.kept_at === null ? (
            <Choice
              small
              label="What stands there"
              value={cell.state}
              options={STATES}
              onChange={(state) => {
                const { row, cell: at } = cell;
                set.mutate({
                  params: { path: { page_id: page.id, row, cell: at } },
                  body: { state },
                });
              }}
            />
          ) : null}
          <Failed of={[set]} />
        </>
      ) : (
        <Legend />
      )}
    </section>
  );
}

function Crop({
  cell,
  picture,
  size: [width, height],
}: {
  cell: CellOut;
  picture: string;
  size: readonly [number, number];
}) {
  const [x0, y0, x1, y1] = cell.box_mm;
  const box = [x0 - ABOUT, y0 - ABOUT, x1 - x0 + 2 * ABOUT, y1 - y0 + 2 * ABOUT];
  return (
    <svg
      viewBox={box.map(String).join(" ")}
      className="max-h-64 w-full rounded border-2 border-crease"
      role="img"
      aria-label={`${cell.target}, as it was written`}
    >
      <image href={picture} width={width} height={height} preserveAspectRatio="none" />
    </svg>
  );
}

function Told({ cell }: { cell: CellOut }) {
  if (cell.state === "unreadable") return <p>{`It cannot be read: ${cell.why ?? "no reason"}.`}</p>;
  if (cell.state !== "written") {
    return <p className="text-soft">Nothing here goes into the record.</p>;
  }
  if (cell.mode === "trace") {
    return (
      <p>
        {cell.kept_u == null ? "Traced." : keptInWords(cell.kept_u)}{" "}
        <span className="text-soft">Tracing is practice; it does not go into the record.</span>
      </p>
    );
  }
  const { verdict } = cell;
  return (
    <>
      {cell.say ? <p className="text-lg">{cell.say}</p> : null}
      {verdict ? (
        <ul className="flex flex-col gap-0.5">
          {DIMENSIONS.map(({ key, name }) => (
            <li key={key} className="flex items-center gap-2">
              <VerdictMark verdict={verdict[key] ?? "unseen"} label={name} />
              {`${name}: ${VERDICT_NAMES[verdict[key] ?? "unseen"]}`}
            </li>
          ))}
        </ul>
      ) : null}
      {cell.reads_as && cell.reads_as !== cell.target ? (
        <p>{`It reads as ${cell.reads_as}.`}</p>
      ) : null}
      {cell.chosen ? <p>The child marked it as its best.</p> : null}
    </>
  );
}

function Legend() {
  return (
    <div className="flex flex-col gap-2 text-soft">
      <p>Press a cell to see it large, and to say what stands there.</p>
      <p>
        At the foot of each: size on the left, shape on the right. A whole line is secure, half of
        it nearly, a dot not yet. Which way a letter was made a photograph does not show.
      </p>
    </div>
  );
}
