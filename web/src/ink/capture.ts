/**
 * The pen. The only place that knows pointer events: they become plain samples here.
 *
 * Quirks of browsers and hands: fast pens report several samples in one event (coalesced), and where
 * they will be next (predicted); a mouse reports a pressure of 0.5 that means nothing; a palm lies on
 * the glass while a pen writes, so that once a pen has been seen touch is taken for the palm, and a
 * touch that lay there before the pen came is no stroke; a pen whose lifting was lost on the way
 * begins anew all the same.
 */
import { useEffect, useRef } from "react";

/** One sample: CSS pixels from the surface's top left, milliseconds, force where a pen gave one. */
export interface Sample {
  x: number;
  y: number;
  t: number;
  force: number | null;
}

export interface Capture {
  onBegin: (sample: Sample) => void;
  /** `ahead` is where the pen is likely to be next: to be drawn, never to be kept. */
  onMove: (samples: Sample[], ahead: Sample[]) => void;
  onEnd: () => void;
  /** What was begun is no stroke: a palm, as it turned out. */
  onCancel?: () => void;
}

/** CSS pixels: a touch that is wider than this is no fingertip. */
const A_PALM = 60;

export function useCapture(surface: React.RefObject<HTMLElement | null>, capture: Capture) {
  const latest = useRef(capture);
  useEffect(() => {
    latest.current = capture;
  });

  useEffect(() => {
    const element = surface.current;
    if (!element) return;
    let writing: { id: number; type: string } | null = null;
    let penSeen = false;

    const sampleOf = (event: PointerEvent): Sample => {
      const box = element.getBoundingClientRect();
      const force = event.pointerType === "pen" && event.pressure > 0 ? event.pressure : null;
      return { x: event.clientX - box.left, y: event.clientY - box.top, t: event.timeStamp, force };
    };
    const down = (event: PointerEvent) => {
      const isPen = event.pointerType === "pen";
      penSeen ||= isPen;
      const isPalm =
        event.pointerType === "touch" && (penSeen || Math.max(event.width, event.height) > A_PALM);
      if (isPalm || event.button !== 0) return;
      if (writing !== null) {
        if (!isPen) return;
        if (writing.type === "pen") latest.current.onEnd();
        else latest.current.onCancel?.();
      }
      event.preventDefault();
      writing = { id: event.pointerId, type: event.pointerType };
      element.setPointerCapture(event.pointerId);
      latest.current.onBegin(sampleOf(event));
    };
    const move = (event: PointerEvent) => {
      if (event.pointerId !== writing?.id) return;
      const events = event.getCoalescedEvents();
      latest.current.onMove(
        (events.length ? events : [event]).map(sampleOf),
        event.getPredictedEvents().map(sampleOf),
      );
    };
    const up = (event: PointerEvent) => {
      if (event.pointerId !== writing?.id) return;
      writing = null;
      latest.current.onEnd();
    };
    const cancel = (event: PointerEvent) => {
      if (event.pointerId !== writing?.id) return;
      // The system took a touch for its own; of a pen all that was written counts.
      const isTouch = writing.type === "touch";
      writing = null;
      if (isTouch && latest.current.onCancel) latest.current.onCancel();
      else latest.current.onEnd();
    };

    element.addEventListener("pointerdown", down);
    element.addEventListener("pointermove", move);
    element.addEventListener("pointerup", up);
    element.addEventListener("pointercancel", cancel);
    return () => {
      element.removeEventListener("pointerdown", down);
      element.removeEventListener("pointermove", move);
      element.removeEventListener("pointerup", up);
      element.removeEventListener("pointercancel", cancel);
    };
  }, [surface]);
}
