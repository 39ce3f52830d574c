/** Which children are looked at: all, who has not begun, who is stuck, in whose last letter something is. */
import type { ChildOut, Code, RoomOut } from "../../api/schema";

export type Filter = "all" | "not_begun" | "stuck" | "enough" | `mend ${Code}`;

export const FILTERS: readonly { value: Filter; label: string }[] = [
  { value: "all", label: "All" },
  { value: "not_begun", label: "Not begun" },
  { value: "stuck", label: "Stuck" },
  { value: "enough", label: "Enough" },
];

/** In the order of their names, whatever is looked for: nobody is first or last. */
export function chosen(room: RoomOut, filter: Filter, lesson: number | null): ChildOut[] {
  const mend = room.mend.find(({ code }) => `mend ${code}` === filter);
  // With two lessons each group is looked at by itself; who has no pad yet belongs to both.
  const group = room.children.filter(
    (child) => room.lessons.length < 2 || child.lesson === null || child.lesson === lesson,
  );
  if (mend) return group.filter(({ who }) => mend.children.includes(who.id));
  return filter === "all" ? group : group.filter(({ going }) => going === filter);
}
