/** How pads come in: the square for a camera, two words for who types. */
import type { LessonCodeOut } from "../api/schema";

/** Where other devices do not come to the address, what is missing. */
function Reach({ code }: { code: LessonCodeOut }) {
  if (code.reaches) return null;
  return (
    <p className="mt-2 max-w-96 text-sm text-soft">
      Only pads on this machine reach that address. For others start First Loop with --host
      (docs/for-technicians.md).
    </p>
  );
}

export function JoinCode({ code, large = false }: { code: LessonCodeOut; large?: boolean }) {
  const { host } = new URL(code.url);
  return (
    <div
      className={`flex items-center ${large ? "gap-10 max-md:flex-col" : "flex-wrap gap-x-4 gap-y-2"}`}
      aria-label="How pads come in"
      role="group"
    >
      <img
        src={`data:image/svg+xml,${encodeURIComponent(code.qr_svg)}`}
        alt={`Square with the address ${host}/pad`}
        className={`shrink-0 rounded-md border-2 border-crease bg-white ${large ? "size-72 big:size-[28rem]" : "size-28"}`}
      />
      <div>
        <p
          className={`leading-tight font-bold ${large ? "text-[3.5rem] big:text-[6rem]" : "text-2xl"}`}
        >
          {code.code}
        </p>
        <p className={`text-soft ${large ? "text-2xl big:text-[2.5rem]" : ""}`}>{host}/pad</p>
        {large ? <Reach code={code} /> : null}
      </div>
      {large ? null : <Reach code={code} />}
    </div>
  );
}
