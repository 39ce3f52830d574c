/** The photograph, laid flat, with its cells; all in millimetres of the page. */
import type { ReactNode } from "react";

import type { CellOut, PageInFull, Verdict } from "../../api/schema";
import { cellInWords } from "./words";

/** How much of a line under the cell is there tells how it stands, as the loop does elsewhere. */
const LENGTHS: Record<Verdict, number> = { secure: 6, nearly: 3, not_yet: 0, unseen: 0 };
const COLOURS: Record<Verdict, string> = {
  secure: "stroke-rule-deep",
  nearly: "stroke-honey",
  not_yet: "stroke-ember",
  unseen: "stroke-crease",
};

export function PagePicture({
  page,
  size: [width, height],
  picture,
  open,
  onOpen,
  children,
}: {
  page: PageInFull;
  size: readonly [number, number];
  picture: string;
  open: CellOut | undefined;
  onOpen: (cell: CellOut) => void;
  /** What is drawn over the photograph, under the cells. */
  children?: ReactNode;
}) {
  return (
    <svg
      viewBox={`0 0 ${String(width)} ${String(height)}`}
      className="min-h-0 min-w-0 flex-1 self-stretch max-lg:max-h-[70dvh]"
      role="group"
      aria-label="What was read, cell by cell"
    >
      <image href={picture} width={width} height={height} preserveAspectRatio="none" />
      {children}
      {page.cells.map((cell) => (
        <Cell key={`${String(cell.row)} ${String(cell.cell)}`} {...{ cell, open, onOpen }} />
      ))}
    </svg>
  );
}

function Cell({
  cell,
  open,
  onOpen,
}: {
  cell: CellOut;
  open: CellOut | undefined;
  onOpen: (cell: CellOut) => void;
}) {
  const [x0, y0, x1, y1] = cell.box_mm;
  const choose = () => {
    onOpen(cell);
  };
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={cellInWords(cell)}
      aria-pressed={cell === open}
      onClick={choose}
      onKeyDown={(event) => {
        if (event.key !== "Enter" && event.key !== " ") return;
        event.preventDefault();
        choose();
      }}
      className="group cursor-pointer outline-none"
    >
      <rect
        x={x0 + 0.4}
        y={y0 + 0.4}
        width={x1 - x0 - 0.8}
        height={y1 - y0 - 0.8}
        rx={1}
        strokeWidth={cell === open ? 0.9 : 0.5}
        className={`fill-transparent group-hover:stroke-ink group-focus-visible:stroke-ember ${cell === open ? "stroke-ink" : "stroke-transparent"}`}
      />
      <Mark cell={cell} />
    </g>
  );
}

/** Size on the left and shape on the right, at the foot of the cell; other states by a sign. */
function Mark({ cell }: { cell: CellOut }) {
  const [x0, , x1, y1] = cell.box_mm;
  const middle = (x0 + x1) / 2;
  const y = y1 - 1.4;
  if (cell.state === "empty") return null;
  if (cell.state === "written") {
    return (
      <g fill="none" strokeWidth={1.1} strokeLinecap="round" aria-hidden>
        {cell.verdict
          ? (["size", "shape"] as const).map((dimension, at) => {
              const verdict = cell.verdict?.[dimension] ?? "unseen";
              const x = at === 0 ? middle - 6.6 : middle + 0.6;
              return (
                <path
                  key={dimension}
                  d={`M${String(x)} ${String(y)}h${String(LENGTHS[verdict] || 0.01)}`}
                  className={COLOURS[verdict]}
                  strokeWidth={verdict === "not_yet" ? 1.9 : 1.1}
                />
              );
            })
          : null}
        {cell.chosen ? (
          <circle
            cx={x1 - 2.2}
            cy={cell.box_mm[1] + 2.2}
            r={1.3}
            className="fill-honey stroke-none"
          />
        ) : null}
      </g>
    );
  }
  return (
    <text x={middle} y={y} textAnchor="middle" fontSize={3.4} className="fill-soft" aria-hidden>
      {cell.state === "struck" ? "struck out" : "not readable"}
    </text>
  );
}
