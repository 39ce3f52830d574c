/**
 * What goes on within a step: its next move, word or letter. The step says how, the space bar and
 * whoever is elsewhere (the teacher's own screen, her phone) ask for it.
 */
import { useEffect, useRef } from "react";

import { useShortcuts } from "../ui/useShortcuts";

const steps: (() => void)[] = [];

/** The step goes on by this: by the space bar, and when it is asked from elsewhere. */
export function useGoesOn(goOn: () => void): void {
  useShortcuts({ " ": goOn });
  const latest = useRef(goOn);
  useEffect(() => {
    latest.current = goOn;
  });
  useEffect(() => {
    const step = () => {
      latest.current();
    };
    steps.push(step);
    return () => {
      steps.splice(steps.indexOf(step), 1);
    };
  }, []);
}

/** What is on the board goes on, if it is anything that does. */
export function goOnWithin(): void {
  steps.at(-1)?.();
}
