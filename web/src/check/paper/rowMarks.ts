/** The lines of a row as they are marked on a photograph: its base line, and how high the mid line
    is above that. Pure; all in millimetres of the page as it is shown. */
export interface Spot {
  x: number;
  y: number;
}

export interface RowMarks {
  begin: Spot | null;
  end: Spot | null;
  height: number | null;
}

export const NO_MARKS: RowMarks = { begin: null, end: null, height: null };

/** Shorter, and a press was no line. */
const A_LINE = 4;
export const LOWEST = 1;

export type Handle = "begin" | "end" | "height";

/** The next row's lines stand as far apart. */
export function nextRow({ height }: RowMarks): RowMarks {
  return { begin: null, end: null, height };
}

/** Lines to move from, for who does not draw. */
export function linesIn([width, height]: readonly [number, number]): RowMarks {
  return {
    begin: { x: 0.1 * width, y: 0.5 * height },
    end: { x: 0.9 * width, y: 0.5 * height },
    height: 0.04 * width,
  };
}

/** What a drag from one place to another marks: the base line where there is none yet (or where all
    is marked: another row), else the height of the mid line. */
export function dragged(marks: RowMarks, from: Spot, to: Spot): RowMarks {
  const { begin, end, height } = marks;
  if (begin && end && height === null) {
    const far = Math.abs(beside({ begin, end }, to));
    return far < LOWEST ? marks : { ...marks, height: far };
  }
  if (Math.hypot(to.x - from.x, to.y - from.y) < A_LINE) return marks;
  const [left, right] = from.x <= to.x ? [from, to] : [to, from];
  return { ...marks, begin: left, end: right };
}

/** A handle moved by so much. */
export function moved(marks: RowMarks, handle: Handle, by: Spot): RowMarks {
  if (handle === "height") {
    return { ...marks, height: Math.max(LOWEST, (marks.height ?? LOWEST) - by.y) };
  }
  const spot = marks[handle];
  return spot ? { ...marks, [handle]: { x: spot.x + by.x, y: spot.y + by.y } } : marks;
}

/** Whether all is marked that a row needs. */
export function isMarked(
  marks: RowMarks,
): marks is RowMarks & { begin: Spot; end: Spot; height: number } {
  return marks.begin !== null && marks.end !== null && marks.height !== null;
}

/** The ends of the mid line: the base line moved up, square to it. */
export function midLine({ begin, end, height }: { begin: Spot; end: Spot; height: number }): {
  begin: Spot;
  end: Spot;
} {
  const length = Math.hypot(end.x - begin.x, end.y - begin.y) || 1;
  const up = {
    x: ((end.y - begin.y) / length) * height,
    y: (-(end.x - begin.x) / length) * height,
  };
  return {
    begin: { x: begin.x + up.x, y: begin.y + up.y },
    end: { x: end.x + up.x, y: end.y + up.y },
  };
}

/** How far a place is from a line, square to it; above is less than nothing. */
function beside({ begin, end }: { begin: Spot; end: Spot }, at: Spot): number {
  const length = Math.hypot(end.x - begin.x, end.y - begin.y) || 1;
  return ((end.x - begin.x) * (at.y - begin.y) - (end.y - begin.y) * (at.x - begin.x)) / length;
}

/** A place on the screen as one of the page, which is shown whole in its box. */
export function onPage(
  box: { left: number; top: number; width: number; height: number },
  [width, height]: readonly [number, number],
  at: { clientX: number; clientY: number },
): Spot {
  const scale = Math.min(box.width / width, box.height / height) || 1;
  const left = box.left + (box.width - width * scale) / 2;
  const top = box.top + (box.height - height * scale) / 2;
  const within = (value: number, most: number) => Math.min(Math.max(value, 0), most);
  return {
    x: within((at.clientX - left) / scale, width),
    y: within((at.clientY - top) / scale, height),
  };
}

/** What is to be done next. */
export function nextInWords(marks: RowMarks): string {
  if (!marks.begin || !marks.end) {
    return marks.height === null
      ? "Draw along the base line of a row, from its first letter to its last."
      : "Draw along the base line of the next row.";
  }
  if (marks.height === null) return "Now draw from the base line up to the mid line.";
  return "Say what was to be written there.";
}
