/** Whose pad it is. */
import type { PupilOut as Pupil } from "../api/schema";

export function WriterChoice({
  pupils,
  writer,
  onChoose,
}: {
  pupils: readonly Pupil[];
  writer: Pupil | undefined;
  onChoose: (id: number) => void;
}) {
  return (
    <label className="flex items-center gap-2">
      <span className="text-soft">Who writes?</span>
      <select
        value={writer?.id}
        onChange={(event) => {
          onChoose(Number(event.target.value));
        }}
        className="min-h-11 rounded-md border-2 border-crease bg-leaf px-3 text-lg font-medium"
      >
        {pupils.map((pupil) => (
          <option key={pupil.id} value={pupil.id}>
            {pupil.name}
          </option>
        ))}
      </select>
    </label>
  );
}
