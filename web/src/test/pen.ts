/** A pointer that writes on a surface, as a browser reports it. */
import { act } from "@testing-library/react";

export interface Touch {
  pointer?: "pen" | "touch" | "mouse";
  id?: number;
  force?: number;
}

type Phase = "pointerdown" | "pointermove" | "pointerup";

export function touch(surface: HTMLElement, phase: Phase, x: number, y: number, more: Touch = {}) {
  const { pointer = "mouse", id = 1, force = 0.5 } = more;
  surface.dispatchEvent(
    new PointerEvent(phase, {
      bubbles: true,
      pointerId: id,
      pointerType: pointer,
      pressure: force,
      clientX: x,
      clientY: y,
    }),
  );
}

/** A stroke straight down. */
export function strokeDown(surface: HTMLElement, x: number, more: Touch = {}) {
  act(() => {
    touch(surface, "pointerdown", x, 60, more);
    touch(surface, "pointermove", x, 150, more);
    touch(surface, "pointerup", x, 151, more);
  });
}
