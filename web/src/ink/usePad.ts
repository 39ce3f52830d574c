/** What is on a pad: its strokes, in u, and the way to take them back. */
import { useCallback, useReducer } from "react";

import type { InkStroke } from "../api/schema";
import type { Sample } from "./capture";
import type { Ruled } from "./padGeometry";

/** Its times are the pen's own clock, until the ink is sent. */
export type PadStroke = InkStroke;

type Action =
  | { type: "begin"; stroke: PadStroke }
  | { type: "extend"; more: PadStroke }
  | { type: "end" }
  | { type: "set"; strokes: PadStroke[] };

/**
 * `wiped` is what the last wipe took away, so that it can be brought back; `finished` are the
 * strokes as they were when the pen was last up.
 */
export interface Pad {
  strokes: PadStroke[];
  wiped: PadStroke[];
  finished: PadStroke[];
}

/** Ink as it is sent: its times since its first point. */
export function inkOf(strokes: readonly PadStroke[]): InkStroke[] {
  const began = strokes[0]?.points[0]?.[2] ?? 0;
  return strokes.map(({ points }) => ({
    points: points.map(([x, y, ms, force]) => [
      x,
      y,
      ms === null ? null : Math.round(ms - began),
      force,
    ]),
  }));
}

export function usePad(ruled: Ruled, begunWith: PadStroke[] = []) {
  const [pad, change] = useReducer(reduce, {
    strokes: begunWith,
    wiped: [],
    finished: begunWith,
  });
  const begin = (sample: Sample) => {
    change({ type: "begin", stroke: strokeOf([sample], ruled) });
  };
  const extend = (samples: Sample[]) => {
    change({ type: "extend", more: strokeOf(samples, ruled) });
  };
  const end = () => {
    change({ type: "end" });
  };
  const set = useCallback((strokes: PadStroke[]) => {
    change({ type: "set", strokes });
  }, []);
  return { ...pad, begin, extend, end, set };
}

export function reduce(pad: Pad, action: Action): Pad {
  switch (action.type) {
    case "begin":
      return { ...pad, strokes: [...pad.strokes, action.stroke], wiped: [] };
    case "extend": {
      const last = pad.strokes.at(-1);
      if (!last) return pad;
      return { ...pad, strokes: [...pad.strokes.slice(0, -1), joined(last, action.more)] };
    }
    case "end":
      return { ...pad, finished: pad.strokes };
    case "set":
      return { strokes: action.strokes, wiped: pad.strokes, finished: action.strokes };
  }
}

function strokeOf(samples: Sample[], ruled: Ruled): PadStroke {
  return {
    points: samples.map(({ x, y, t, force }) => [
      x / ruled.unit_px,
      (ruled.base_px - y) / ruled.unit_px,
      t,
      force,
    ]),
  };
}

function joined(first: PadStroke, more: PadStroke): PadStroke {
  return { points: [...first.points, ...more.points] };
}
