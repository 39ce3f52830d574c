/**
 * The pen. The only place that knows pointer events: they become plain samples here.
 *
 * Three quirks of browsers and hands: fast pens report several samples in one event (coalesced);
 * a mouse reports a pressure of 0.5 that means nothing; and a palm lies on the glass while a pen
 * writes, so that once a pen has been seen touch is taken for the palm.
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
  onMove: (samples: Sample[]) => void;
  onEnd: () => void;
}

export function useCapture(surface: React.RefObject<HTMLElement | null>, capture: Capture) {
  const latest = useRef(capture);
  useEffect(() => {
    latest.current = capture;
  });

  useEffect(() => {
    const element = surface.current;
    if (!element) return;
    let writing: number | null = null;
    let penSeen = false;

    const sampleOf = (event: PointerEvent): Sample => {
      const box = element.getBoundingClientRect();
      const force = event.pointerType === "pen" && event.pressure > 0 ? event.pressure : null;
      return { x: event.clientX - box.left, y: event.clientY - box.top, t: event.timeStamp, force };
    };
    const down = (event: PointerEvent) => {
      penSeen ||= event.pointerType === "pen";
      const isPalm = penSeen && event.pointerType === "touch";
      if (writing !== null || isPalm || event.button !== 0) return;
      event.preventDefault();
      writing = event.pointerId;
      element.setPointerCapture(event.pointerId);
      latest.current.onBegin(sampleOf(event));
    };
    const move = (event: PointerEvent) => {
      if (event.pointerId !== writing) return;
      const events = event.getCoalescedEvents();
      latest.current.onMove((events.length ? events : [event]).map(sampleOf));
    };
    const up = (event: PointerEvent) => {
      if (event.pointerId !== writing) return;
      writing = null;
      latest.current.onEnd();
    };

    element.addEventListener("pointerdown", down);
    element.addEventListener("pointermove", move);
    element.addEventListener("pointerup", up);
    element.addEventListener("pointercancel", up);
    return () => {
      element.removeEventListener("pointerdown", down);
      element.removeEventListener("pointermove", move);
      element.removeEventListener("pointerup", up);
      element.removeEventListener("pointercancel", up);
    };
  }, [surface]);
}
