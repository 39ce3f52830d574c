/** What is on the pad: the strokes since the last hand-in, in u, and the way to take them back. */
import { useCallback, useReducer } from "react";

import type { AttemptIn } from "../api/client";
import type { Sample } from "../ink/capture";
import type { Ruled } from "./padGeometry";

export type PadStroke = AttemptIn["strokes"][number];

type Action =
  | { type: "begin"; stroke: PadStroke }
  | { type: "extend"; more: PadStroke }
  | { type: "set"; strokes: PadStroke[] };

/** `wiped` is the letter that the last wipe took away, so that it can be brought back. */
interface Pad {
  strokes: PadStroke[];
  wiped: PadStroke[];
}

export function usePad(ruled: Ruled) {
  const [pad, change] = useReducer(reduce, { strokes: [], wiped: [] });
  const begin = (sample: Sample) => {
    change({ type: "begin", stroke: strokeOf([sample], ruled) });
  };
  const extend = (samples: Sample[]) => {
    change({ type: "extend", more: strokeOf(samples, ruled) });
  };
  const set = useCallback((strokes: PadStroke[]) => {
    change({ type: "set", strokes });
  }, []);
  return { ...pad, begin, extend, set };
}

function reduce(pad: Pad, action: Action): Pad {
  switch (action.type) {
    case "begin":
      return { strokes: [...pad.strokes, action.stroke], wiped: [] };
    case "extend": {
      const last = pad.strokes.at(-1);
      if (!last) return pad;
      return { ...pad, strokes: [...pad.strokes.slice(0, -1), joined(last, action.more)] };
    }
    case "set":
      return { strokes: action.strokes, wiped: pad.strokes };
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
