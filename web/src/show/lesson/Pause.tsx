/** A pause: pencils down, and what rests the hand. */
export function Pause({ told }: { told: readonly string[] }) {
  return (
    <div className="flex min-h-0 flex-1 flex-col items-center justify-center gap-8 text-center">
      <svg viewBox="0 0 120 70" className="h-56 big:h-96" aria-hidden>
        <path
          d="M8 58H112M20 52L84 36M84 36L92 34L86 40Z"
          className="fill-none stroke-rule-deep"
          strokeWidth="3"
          strokeLinecap="round"
          strokeLinejoin="round"
        />
        <path
          d="M40 24V8M52 22V4M64 22V6M76 26V12"
          className="fill-none stroke-ink"
          strokeWidth="4"
          strokeLinecap="round"
        />
      </svg>
      {told.map((one) => (
        <p key={one} className="text-3xl leading-snug big:text-[3.5rem]">
          {one}
        </p>
      ))}
    </div>
  );
}
