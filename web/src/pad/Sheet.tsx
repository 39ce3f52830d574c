/** The paper on the pad: it fills the room there is, and lies tilted where the class wants that. */
import { type ReactNode, useMemo, useRef } from "react";

import { useSize } from "../ink/useSize";

/** Degrees: as a child turns its paper, the other way for the left hand. */
const TILT_DEG = 12;

export interface SheetSize {
  width: number;
  height: number;
  tilt_deg: number;
}

export function Sheet({
  tilted,
  leftHanded,
  children,
}: {
  tilted: boolean;
  leftHanded: boolean;
  children: (sheet: SheetSize) => ReactNode;
}) {
  const room = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(room);
  const tilt_deg = tilted ? (leftHanded ? TILT_DEG : -TILT_DEG) : 0;
  const sheet = useMemo(() => fitted(width, height, tilt_deg), [width, height, tilt_deg]);
  return (
    <div ref={room} className="relative min-h-0 min-w-0 flex-1 overflow-hidden">
      {width > 0 && height > 0 ? (
        <div
          className="absolute overflow-hidden rounded-lg border-2 border-crease bg-leaf"
          style={{
            width: sheet.width,
            height: sheet.height,
            left: (width - sheet.width) / 2,
            top: (height - sheet.height) / 2,
            transform: tilt_deg === 0 ? undefined : `rotate(${String(tilt_deg)}deg)`,
          }}
        >
          {children(sheet)}
        </div>
      ) : null}
    </div>
  );
}

/** The largest sheet of the room's own shape that finds room in it when it is turned. */
export function fitted(width: number, height: number, tilt_deg: number): SheetSize {
  const turn = (Math.abs(tilt_deg) * Math.PI) / 180;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const share = Math.min(
    width / Math.max(1, width * cos + height * sin),
    height / Math.max(1, width * sin + height * cos),
  );
  return { width: Math.floor(width * share), height: Math.floor(height * share), tilt_deg };
}
