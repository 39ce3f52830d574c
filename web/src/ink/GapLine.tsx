/** Where a word is left out: a bar on the base line, as long as the word. */
import { boxOf } from "./geometry";
import { type Placed, strokesOf } from "./wordRows";

export function GapLine({ word }: { word: Placed }) {
  const box = boxOf(strokesOf([word]));
  return (
    <path
      d={`M${String(box.left)} 0H${String(box.right)}`}
      className="fill-none stroke-ember"
      strokeWidth={0.09}
      strokeLinecap="round"
    />
  );
}
