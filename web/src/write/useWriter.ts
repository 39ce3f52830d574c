/** Who writes on this pad. It is remembered on the device, so that a child finds their own pad. */
import { useState } from "react";

import type { PupilOut as Pupil } from "../api/schema";

const KEY = "firstloop.writer";

export function useWriter(pupils: readonly Pupil[]): [Pupil | undefined, (id: number) => void] {
  const [id, setId] = useState(() => Number(localStorage.getItem(KEY)));
  const choose = (chosen: number) => {
    localStorage.setItem(KEY, String(chosen));
    setId(chosen);
  };
  return [pupils.find((pupil) => pupil.id === id) ?? pupils[0], choose];
}
