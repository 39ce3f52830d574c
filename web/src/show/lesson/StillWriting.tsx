/** Who still writes on a pad, or has not begun: before a step ends, the room is asked. */
import { useLive, useRoom } from "../../api/roomQueries";

const NOT_DONE: readonly string[] = ["writing", "not_begun", "stuck"];

export function StillWriting({ lesson }: { lesson: number }) {
  const room = useRoom();
  useLive();
  const seated = (room.data?.children ?? []).filter((child) => child.lesson === lesson);
  if (seated.length === 0) return null;
  const still = seated.filter(({ going }) => NOT_DONE.includes(going));
  return (
    <p role="status" className="text-lg">
      {still.length === 0
        ? "Nobody is writing any more."
        : `Still writing: ${still.map(({ who }) => who.name).join(", ")}`}
    </p>
  );
}
