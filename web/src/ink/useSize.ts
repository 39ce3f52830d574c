/** The size of an element in CSS pixels, kept current. */
import { useEffect, useState } from "react";

export function useSize(element: React.RefObject<HTMLElement | null>) {
  const [size, setSize] = useState({ width: 0, height: 0 });
  useEffect(() => {
    if (!element.current) return;
    const watcher = new ResizeObserver(([entry]) => {
      if (entry) setSize({ width: entry.contentRect.width, height: entry.contentRect.height });
    });
    watcher.observe(element.current);
    return () => {
      watcher.disconnect();
    };
  }, [element]);
  return size;
}
