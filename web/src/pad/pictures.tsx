/** What a pad says without words: drawn with the same pen as everything here. */
import type { ReactNode } from "react";

function Drawn({ children, className = "" }: { children: ReactNode; className?: string }) {
  return (
    <svg
      viewBox="0 0 120 100"
      aria-hidden
      className={`h-48 max-h-[40vh] ${className}`}
      fill="none"
      strokeWidth={3}
      strokeLinecap="round"
      strokeLinejoin="round"
    >
      {children}
    </svg>
  );
}

/** A board with a letter on it, and two eyes that look up to it. */
export function Watch() {
  return (
    <Drawn>
      <path d="M24 8H96V52H24Z" className="fill-leaf stroke-ink" />
      <path d="M32 40H88M32 26H88" className="stroke-rule" strokeWidth={1.5} />
      <path d="M52 26V40M52 31C53 27 62 23 64 31V40" className="stroke-ink" />
      <circle cx={52} cy={26} r={2.6} className="fill-ember" />
      <ellipse cx={46} cy={80} rx={12} ry={9} className="fill-leaf stroke-ink" />
      <ellipse cx={76} cy={80} rx={12} ry={9} className="fill-leaf stroke-ink" />
      <circle cx={48} cy={76} r={3.6} className="fill-ink" />
      <circle cx={74} cy={76} r={3.6} className="fill-ink" />
    </Drawn>
  );
}

/** A door that opens soon. */
export function Waits() {
  return (
    <Drawn>
      <path d="M40 92V14H80V92" className="stroke-ink" />
      <path d="M40 14L66 24V96L40 92" className="fill-leaf stroke-ink" />
      <circle cx={60} cy={60} r={2.4} className="fill-ember" />
      <path d="M18 92H104" className="stroke-rule" />
    </Drawn>
  );
}

/** A hand that waves. */
export function Bye() {
  return (
    <Drawn>
      <path
        d="M48 90C40 78 34 64 36 56 40 54 44 60 46 66L42 30C46 26 50 28 52 34L56 54 56 22C60 18 64 20 66 26L66 54 70 28C74 24 78 28 78 34L75 60 80 46C84 44 87 47 86 52 84 66 82 80 74 90Z"
        className="fill-leaf stroke-ink"
      />
      <path d="M92 24C98 28 100 34 100 40M24 30C20 34 18 40 20 46" className="stroke-ember" />
    </Drawn>
  );
}

/** From one hand to another. */
export function PassedOn() {
  return (
    <Drawn className="max-h-36">
      <path d="M40 30H80V72H40Z" className="fill-leaf stroke-ink" />
      <path d="M48 58H72M48 46H72" className="stroke-rule" strokeWidth={1.5} />
      <path d="M4 62C18 58 26 56 40 56M4 78C20 78 30 72 40 66" className="stroke-ink" />
      <path d="M116 62C102 58 94 56 80 56M116 78C100 78 90 72 80 66" className="stroke-ink" />
      <path d="M50 16H72M66 10L72 16 66 22" className="stroke-ember" />
    </Drawn>
  );
}

/** It is enough: the pencil lies down, the sun is out. */
export function Enough() {
  return (
    <Drawn className="max-h-40">
      <circle cx={60} cy={38} r={18} className="fill-ember-wash stroke-ember" />
      <path
        d="M60 8V13M60 63V68M30 38H35M85 38H90M39 17L43 21M77 55L81 59M81 17L77 21M43 55L39 59"
        className="stroke-ember"
      />
      <path d="M53 36V37M67 36V37M52 44C56 49 64 49 68 44" className="stroke-ink" />
      <path d="M28 86H80L92 90 80 94H28Z" className="fill-leaf stroke-ink" />
      <path d="M80 86V94" className="stroke-ink" />
    </Drawn>
  );
}
