/** The lines of a row, drawn over a photograph and moved there, by pen, mouse or arrow keys. */
import { useRef, useState } from "react";
import type { KeyboardEvent, PointerEvent } from "react";

import {
  dragged,
  isMarked,
  midLine,
  moved,
  onPage,
  type Handle,
  type RowMarks,
  type Spot,
} from "./rowMarks";

const STEP_MM = 0.5;
const STRIDE_MM = 4;

const HANDLES: { handle: Handle; name: string }[] = [
  { handle: "begin", name: "Where the base line begins" },
  { handle: "end", name: "Where the base line ends" },
  { handle: "height", name: "How high the mid line is" },
];

const KEYS: Partial<Record<string, Spot>> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

interface Props {
  marks: RowMarks;
  size: readonly [number, number];
  onMark: (marks: RowMarks) => void;
}

export function RowLines({ marks, size, onMark }: Props) {
  const [width, height] = size;
  const ground = useRef<SVGRectElement>(null);
  const [drag, setDrag] = useState<{ from: Spot; before: RowMarks; handle?: Handle }>();
  const spot = (event: PointerEvent) => {
    const box = ground.current?.ownerSVGElement?.getBoundingClientRect();
    return box ? onPage(box, size, event) : { x: 0, y: 0 };
  };
  const begin = (event: PointerEvent<SVGElement>, handle?: Handle) => {
    event.preventDefault();
    event.stopPropagation();
    ground.current?.setPointerCapture(event.pointerId);
    setDrag({ from: spot(event), before: marks, ...(handle ? { handle } : {}) });
  };
  const go = (event: PointerEvent) => {
    if (!drag) return;
    const { from, before, handle } = drag;
    const to = spot(event);
    const by = { x: to.x - from.x, y: to.y - from.y };
    onMark(handle ? moved(before, handle, by) : dragged(before, from, to));
  };
  const end = () => {
    setDrag(undefined);
  };
  return (
    <g>
      <rect
        ref={ground}
        width={width}
        height={height}
        className="cursor-crosshair fill-transparent"
        style={{ touchAction: "none" }}
        onPointerDown={begin}
        onPointerMove={go}
        onPointerUp={end}
        onPointerCancel={end}
        data-testid="ground"
      />
      <Lines marks={marks} />
      {HANDLES.map(({ handle, name }) => {
        const at = placeOf(marks, handle);
        return at ? (
          <Grip
            key={handle}
            name={name}
            at={at}
            onPress={(event) => {
              begin(event, handle);
            }}
            onMove={(by) => {
              onMark(moved(marks, handle, by));
            }}
          />
        ) : null;
      })}
    </g>
  );
}

function placeOf(marks: RowMarks, handle: Handle): Spot | null {
  if (handle !== "height") return marks[handle];
  if (!isMarked(marks)) return null;
  const { begin, end } = midLine(marks);
  return { x: (begin.x + end.x) / 2, y: (begin.y + end.y) / 2 };
}

function Lines({ marks }: { marks: RowMarks }) {
  const { begin, end } = marks;
  if (!begin || !end) return null;
  const mid = isMarked(marks) ? midLine(marks) : undefined;
  return (
    <g className="pointer-events-none stroke-ember" fill="none" aria-hidden>
      <path d={between(begin, end)} strokeWidth={0.7} />
      {mid ? (
        <path d={between(mid.begin, mid.end)} strokeWidth={0.5} strokeDasharray="2 1.4" />
      ) : null}
    </g>
  );
}

const between = (from: Spot, to: Spot) =>
  `M${String(from.x)} ${String(from.y)}L${String(to.x)} ${String(to.y)}`;

function Grip({
  name,
  at,
  onPress,
  onMove,
}: {
  name: string;
  at: Spot;
  onPress: (event: PointerEvent<SVGElement>) => void;
  onMove: (by: Spot) => void;
}) {
  const press = (event: KeyboardEvent) => {
    const way = KEYS[event.key];
    if (!way) return;
    event.preventDefault();
    const step = event.shiftKey ? STRIDE_MM : STEP_MM;
    onMove({ x: way.x * step, y: way.y * step });
  };
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`${name}; arrow keys move it`}
      className="group cursor-move outline-none"
      style={{ touchAction: "none" }}
      onPointerDown={onPress}
      onKeyDown={press}
    >
      <circle cx={at.x} cy={at.y} r={5} className="fill-transparent" />
      <circle
        cx={at.x}
        cy={at.y}
        r={1.8}
        strokeWidth={0.8}
        className="fill-leaf stroke-ember group-focus-visible:stroke-ink"
      />
    </g>
  );
}
