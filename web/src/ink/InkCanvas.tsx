/**
 * A surface to write on: two canvases, one for what is written, one for the stroke that is being
 * written. While the pen is down nothing but that stroke is drawn, in the event that brought it, so
 * that a row of many strokes is as quick as an empty one. Ink is kept in u: where the surface turns
 * or is resized it is drawn anew.
 */
import { useEffect, useLayoutEffect, useRef } from "react";

import type { InkStroke } from "../api/schema";
import { fill, type Frame, outlineOf } from "./brush";
import { type Sample, useCapture } from "./capture";

type Point = InkStroke["points"][number];

const INK = "#1c2b45";

interface Props {
  label: string;
  /** How u lie on the surface, px; and its size. */
  frame: Frame;
  size: { width: number; height: number };
  strokes: readonly InkStroke[];
  /** Degrees that the sheet lies turned by; the pen is turned back. */
  tilt_deg?: number;
  colour?: string;
  onStroke: (stroke: InkStroke) => void;
  /** A stroke begins at a place, px: in which frame it is, if another; null: it is none. */
  onBegin?: (x: number, y: number) => Frame | null;
}

export function InkCanvas({
  label,
  frame,
  size,
  strokes,
  tilt_deg = 0,
  colour = INK,
  onStroke,
  onBegin,
}: Props) {
  const surface = useRef<HTMLDivElement>(null);
  const still = useRef<HTMLCanvasElement>(null);
  const live = useRef<HTMLCanvasElement>(null);
  const points = useRef<Point[]>([]);
  const drawnIn = useRef(frame); // a stroke stays in the frame that it was begun in
  const { width, height } = size;

  useLayoutEffect(() => {
    for (const canvas of [still.current, live.current]) {
      if (canvas) setSize(canvas, width, height);
    }
  }, [width, height]);

  useEffect(() => {
    const to = contextOf(still.current);
    if (!to) return;
    to.clearRect(0, 0, width, height);
    for (const { points: written } of strokes) fill(to, outlineOf(written, frame), colour);
  }, [strokes, frame, width, height, colour]);

  const placeOf = ({ x, y }: Sample) => turnedBack(x, y, width, height, tilt_deg);
  const pointOf = (sample: Sample): Point => {
    const [across, down] = placeOf(sample);
    const { unit, left, base } = drawnIn.current;
    return [(across - left) / unit, (base - down) / unit, sample.t, sample.force];
  };
  const wipe = () => {
    contextOf(live.current)?.clearRect(0, 0, width, height);
  };
  const drawLive = (ahead: readonly Point[]) => {
    const to = contextOf(live.current);
    if (!to) return;
    to.clearRect(0, 0, width, height);
    fill(to, outlineOf([...points.current, ...ahead], drawnIn.current), colour);
  };
  useCapture(surface, {
    onBegin: (sample) => {
      const begun = onBegin ? onBegin(...placeOf(sample)) : frame;
      if (!begun) return;
      drawnIn.current = begun;
      points.current = [pointOf(sample)];
      drawLive([]);
    },
    onMove: (samples, ahead) => {
      if (points.current.length === 0) return;
      points.current.push(...samples.map(pointOf));
      drawLive(ahead.map(pointOf));
    },
    onEnd: () => {
      const written = points.current;
      points.current = [];
      if (written.length === 0) return;
      const to = contextOf(still.current);
      if (to) fill(to, outlineOf(written, drawnIn.current), colour); // before the strokes come round
      wipe();
      onStroke({ points: written });
    },
    onCancel: () => {
      points.current = [];
      wipe();
    },
  });

  return (
    <div
      ref={surface}
      role="application"
      aria-label={label}
      data-strokes={strokes.length}
      className="absolute inset-0 cursor-crosshair touch-none select-none"
    >
      <canvas ref={still} className="pointer-events-none absolute inset-0" />
      <canvas ref={live} className="pointer-events-none absolute inset-0" />
    </div>
  );
}

function setSize(canvas: HTMLCanvasElement, width: number, height: number) {
  const ratio = window.devicePixelRatio || 1;
  canvas.width = Math.round(width * ratio);
  canvas.height = Math.round(height * ratio);
  canvas.style.width = `${String(width)}px`;
  canvas.style.height = `${String(height)}px`;
  contextOf(canvas)?.setTransform(ratio, 0, 0, ratio, 0, 0);
}

function contextOf(canvas: HTMLCanvasElement | null) {
  return canvas?.getContext("2d", { desynchronized: true }) ?? null;
}

/**
 * Where a place on the screen, from the corner of the box that holds a turned sheet, lies on the
 * sheet itself.
 */
export function turnedBack(
  x: number,
  y: number,
  width: number,
  height: number,
  tilt_deg: number,
): [number, number] {
  if (tilt_deg === 0) return [x, y];
  const turn = (-tilt_deg * Math.PI) / 180;
  // The box that holds the turned sheet is larger than it, about the same middle.
  const boxWidth = width * Math.abs(Math.cos(turn)) + height * Math.abs(Math.sin(turn));
  const boxHeight = width * Math.abs(Math.sin(turn)) + height * Math.abs(Math.cos(turn));
  const [dx, dy] = [x - boxWidth / 2, y - boxHeight / 2];
  return [
    width / 2 + dx * Math.cos(turn) - dy * Math.sin(turn),
    height / 2 + dx * Math.sin(turn) + dy * Math.cos(turn),
  ];
}
