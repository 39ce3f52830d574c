/** What is said of a move: of the first of a stroke, quieter, where it begins; then what the pen does. */
import type { MoveDrawing } from "../api/schema";

export function Spoken({ move }: { move: Pick<MoveDrawing, "begin" | "words"> }) {
  return (
    <span>
      {move.begin !== null && <span className="text-soft">{move.begin}: </span>}
      {move.words}
    </span>
  );
}
