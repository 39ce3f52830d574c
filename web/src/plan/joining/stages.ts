/** Stages rearranged: pure functions from a plan to the next one. */

export type Stages = readonly (readonly string[])[];

/** A stage so many places later, or with a negative number earlier. */
export function movedStage(stages: Stages, at: number, by: number): Stages {
  const to = at + by;
  const stage = stages[at];
  if (!stage || to < 0 || to >= stages.length) return stages;
  const others = stages.filter((_, place) => place !== at);
  return [...others.slice(0, to), stage, ...others.slice(to)];
}

/** A stage with other letters or pairs, typed with spaces or commas between them. */
export function withParts(stages: Stages, at: number, text: string): Stages {
  const parts = text.split(/[\s,]+/).filter((part) => part !== "");
  if (parts.length === 0) return stages;
  return stages.map((stage, place) => (place === at ? parts : stage));
}
