/** What is on a pad: its strokes, in u, and the way to take them back. */
import { useCallback, useReducer } from "react";

import type { AttemptIn, Point } from "../api/client";
import type { Sample } from "./capture";
import type { Ruled } from "./padGeometry";

export type PadStroke = AttemptIn["strokes"][number];

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

export function pointsOf(stroke: PadStroke): Point[] {
  return stroke.x.map((x, at) => [x, stroke.y[at] ?? 0]);
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
    x: samples.map((sample) => sample.x / ruled.unit_px),
    y: samples.map((sample) => (ruled.base_px - sample.y) / ruled.unit_px),
    t: samples.map((sample) => sample.t / 1000),
    f: samples.some((sample) => sample.force !== null)
      ? samples.map((sample) => sample.force ?? 0)
      : null,
  };
}

function joined(first: PadStroke, more: PadStroke): PadStroke {
  return {
    x: [...first.x, ...more.x],
    y: [...first.y, ...more.y],
    t: [...(first.t ?? []), ...(more.t ?? [])],
    f: first.f && more.f ? [...first.f, ...more.f] : null,
  };
}
