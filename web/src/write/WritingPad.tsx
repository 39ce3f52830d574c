/** The ruled pad: lines, the help that is asked for, and the ink as it is written. */
import type { Help, LetterDrawing as Letter } from "../api/schema";
import { useCapture } from "../ink/capture";
import { boxOf } from "../ink/geometry";
import { PenLine } from "../ink/PenLine";
import { RuledLines } from "../ink/RuledLines";
import { StartDot } from "../ink/StartDot";
import type { Ruled } from "../ink/padGeometry";
import type { usePad } from "../ink/usePad";

const INK_WIDTH = 0.075;

export function WritingPad({
  letter,
  help,
  modelOn,
  surface,
  size,
  ruled,
  pad,
}: {
  letter: Letter;
  help: Help;
  modelOn: "left" | "right";
  surface: React.RefObject<HTMLDivElement | null>;
  size: { width: number; height: number };
  ruled: Ruled;
  pad: ReturnType<typeof usePad>;
}) {
  useCapture(surface, {
    onBegin: pad.begin,
    onMove: pad.extend,
    onEnd: pad.end,
  });
  const right = size.width / Math.max(ruled.unit_px, 1);
  return (
    <div
      ref={surface}
      role="application"
      aria-label={`Pad for the letter ${letter.letter}`}
      className="absolute inset-0 cursor-crosshair touch-none select-none"
    >
      {size.height > 0 ? (
        <svg
          className="pointer-events-none absolute inset-0 h-full w-full"
          viewBox={`0 ${-ruled.base_px / ruled.unit_px} ${right} ${size.height / ruled.unit_px}`}
        >
          <RuledLines lines={letter.lines} />
          <HelpOnPad letter={letter} help={help} right={right} modelOn={modelOn} />
          {pad.strokes.map((stroke, at) => (
            <PenLine key={at} points={stroke.points} width={INK_WIDTH} />
          ))}
        </svg>
      ) : null}
    </div>
  );
}

/** Trace: the letter dotted. Finish: its starting dots. Copy: the letter at the side. */
function HelpOnPad({
  letter,
  help,
  right,
  modelOn,
}: {
  letter: Letter;
  help: Help;
  right: number;
  modelOn: "left" | "right";
}) {
  if (help === "recall") return null;
  const moves = letter.strokes.flat();
  // Going back runs on dots that are there already.
  const drawn = help === "trace" ? moves.filter((move) => move.kind !== "back") : moves;
  const box = boxOf(moves.map((move) => move.points));
  const width = box.right - box.left;
  const centred = (right - width) / 2 - box.left;
  const aside = modelOn === "right" ? right - width - 0.5 - box.left : 0.5 - box.left;
  return (
    <g transform={`translate(${help === "copy" ? aside : centred} 0)`} aria-hidden>
      {help === "finish"
        ? null
        : drawn.map(({ points }, at) => (
            <PenLine
              key={at}
              points={points}
              width={help === "copy" ? 0.09 : 0.06}
              dotted={help === "trace"}
              className={help === "copy" ? "stroke-rule" : "stroke-rule-deep"}
            />
          ))}
      {letter.strokes.map(([first], at) =>
        first ? <StartDot key={at} points={first.points} r={0.1} /> : null,
      )}
    </g>
  );
}
