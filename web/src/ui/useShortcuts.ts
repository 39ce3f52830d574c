/** Keys of a screen. They are silent while something is being typed or a modifier is held. */
import { useEffect, useRef } from "react";

export type Shortcuts = Readonly<Record<string, () => void>>;

export function useShortcuts(shortcuts: Shortcuts) {
  const latest = useRef(shortcuts);
  useEffect(() => {
    latest.current = shortcuts;
  });
  useEffect(() => {
    const pressed = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return;
      if (isTyping(event.target) || ownsKey(event.target, event.key)) return;
      const action = latest.current[event.key.length === 1 ? event.key.toLowerCase() : event.key];
      if (!action) return;
      event.preventDefault();
      action();
    };
    window.addEventListener("keydown", pressed);
    return () => {
      window.removeEventListener("keydown", pressed);
    };
  }, []);
}

function isTyping(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && target.matches("input, textarea, select");
}

/**
 * Space and Enter belong to a focused button, unless it is chosen already and they would do nothing;
 * arrows belong to a group that moves focus with them.
 */
function ownsKey(target: EventTarget | null, key: string): boolean {
  if (!(target instanceof HTMLElement)) return false;
  if (key === " " || key === "Enter") {
    return target.matches("button, a") && !target.matches("[aria-checked=true], [aria-current]");
  }
  return key.startsWith("Arrow") && target.closest("[role=group], [role=radiogroup]") !== null;
}
