/** Ink that is written, as it lies on the page: the same line as on the canvas, still. */
import type { InkStroke } from "../api/schema";
import { type Frame, outlineOf, rounded } from "./brush";

export function InkShape({
  strokes,
  frame,
  className = "fill-ink",
}: {
  strokes: readonly InkStroke[];
  frame: Frame;
  className?: string;
}) {
  return (
    <>
      {strokes.map(({ points }, at) => (
        <path key={at} d={pathOf(outlineOf(points, frame))} className={className} />
      ))}
    </>
  );
}

function pathOf(outline: readonly number[][]): string {
  const [first] = outline;
  if (!first) return "";
  const curves = rounded(outline).map((places) => `Q${places.map((x) => x.toFixed(1)).join(" ")}`);
  return `M${first.map((x) => x.toFixed(1)).join(" ")}${curves.join("")}Z`;
}
