/** How the words that can be written grow from letter to letter; equal steps up are equal factors. */
import type { StepOut as Step } from "../../api/schema";
import { pathOf } from "../../ink/geometry";

const WIDTH = 26;
const HEIGHT = 8;
const MARKS = [10, 100, 1000];
const MOST = Math.log1p(2600);

export function WordsCurve({ steps }: { steps: readonly Step[] }) {
  const y = (words: number) => (HEIGHT * Math.log1p(words)) / MOST;
  const eighth = steps[7];
  const letters = Math.max(steps.length, WIDTH);
  const x = (at: number) => ((at + 0.5) * WIDTH) / letters;
  // Of many letters only some are named, or they would run into each other.
  const named = Math.ceil(letters / WIDTH);
  return (
    <figure>
      <svg
        viewBox={`-3 ${-HEIGHT - 0.6} ${WIDTH + 3.6} ${HEIGHT + 2.4}`}
        className="w-full"
        role="img"
        aria-label={`Words after each letter: ${steps.map((s) => `${s.letter} ${s.words}`).join(", ")}`}
      >
        {MARKS.map((words) => (
          <g key={words}>
            <path d={`M0 ${-y(words)}H${WIDTH}`} className="stroke-rule" strokeWidth={0.06} />
            <text
              x={-0.4}
              y={-y(words)}
              fontSize={1.15}
              textAnchor="end"
              dominantBaseline="central"
              className="fill-soft"
            >
              {words}
            </text>
          </g>
        ))}
        <path d={`M0 0H${WIDTH}`} className="stroke-rule-deep" strokeWidth={0.1} />
        <path
          d={pathOf(steps.map((step, at) => [x(at), y(step.words)]))}
          className="fill-none stroke-ink"
          strokeWidth={0.28}
          strokeLinejoin="round"
          strokeLinecap="round"
        />
        {steps.map((step, at) =>
          at % named ? null : (
            <text
              key={step.letter}
              x={x(at)}
              y={1.3}
              fontSize={1.15}
              textAnchor="middle"
              className="fill-soft"
            >
              {step.letter}
            </text>
          ),
        )}
      </svg>
      <figcaption className="text-sm text-soft">
        Words that can be written{eighth ? `: ${eighth.words} after the eighth letter` : ""}
      </figcaption>
    </figure>
  );
}
