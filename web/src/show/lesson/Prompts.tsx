/** Steps in which the children work: what to do, in few large words. */
import type { Lesson } from "../../api/client";

type Kind = "own" | "best" | "close" | "home";

const PROMPTS: Record<Kind, (lesson: Lesson) => string[]> = {
  own: ({ new: parts }) => [
    `Trace ${parts.join(", ")} on the dots.`,
    "Finish it from its starting dots.",
    "Write five or six of your own, a gap between them.",
    "One went wrong? Cross it out and leave it. The next one is better.",
  ],
  best: () => ["Look at your row.", "Ring the one you like best.", "Tell your neighbour why."],
  close: ({ new: parts }) => [
    `Where does ${parts.join(", ")} start?`,
    "What does the pencil do first?",
    "Turn one of yours into a small drawing.",
  ],
  home: () => ["A few minutes at home, no more.", "Trace, finish, then write your own."],
};

export function Prompts({ kind, lesson }: { kind: Kind; lesson: Lesson }) {
  return (
    <ol className="flex min-h-0 flex-1 flex-col justify-center gap-6 pl-8">
      {PROMPTS[kind](lesson).map((prompt, at) => (
        <li
          key={prompt}
          className="flex items-baseline gap-5 text-[2.25rem] leading-tight big:text-[3.5rem]"
        >
          <span className="text-[0.7em] font-bold text-rule-deep">{at + 1}</span>
          {prompt}
        </li>
      ))}
    </ol>
  );
}
