/** Where photographs are dropped, chosen or taken, and how far they are read. */
import { Camera, FileImage } from "lucide-react";
import { type DragEvent, useRef, useState } from "react";

import { useBringPhotos, useStopReading } from "../../api/paperQueries";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/states";

const KINDS = "image/jpeg,image/png,image/tiff,image/heic,image/heif,application/pdf";

export function Bring({ waiting }: { waiting: number }) {
  const { left, error, bring } = useBringPhotos();
  const stop = useStopReading();
  const [over, setOver] = useState(false);
  const sent = (files: FileList | null) => {
    if (files?.length) void bring([...files]);
  };
  const drop = {
    onDragOver: (event: DragEvent) => {
      event.preventDefault();
      setOver(true);
    },
    onDragLeave: () => {
      setOver(false);
    },
    onDrop: (event: DragEvent) => {
      event.preventDefault();
      setOver(false);
      sent(event.dataTransfer.files);
    },
  };
  const waits = Math.max(left, waiting);
  return (
    <div
      {...drop}
      data-over={over || undefined}
      className="rounded-lg border-2 border-dashed border-rule bg-leaf px-3 py-2.5 data-over:border-ink data-over:bg-rule-wash"
    >
      <p className="font-medium">Drop photographs or a scan here</p>
      <div className="mt-2 flex flex-wrap gap-2">
        <Files label="Choose files" Icon={FileImage} onFiles={sent} />
        <Files label="Take one" Icon={Camera} camera onFiles={sent} />
      </div>
      {error ? <ProblemNote error={error} /> : null}
      <div role="status" className="mt-2 flex min-h-9 items-center justify-between gap-3 text-sm">
        {waits > 0 ? (
          <>
            <span className="flex items-center gap-2">
              <Turning />
              {waits === 1 ? "One is being read" : `${String(waits)} are to be read`}
            </span>
            <Button
              small
              onClick={() => {
                stop.mutate({});
              }}
            >
              Stop
            </Button>
          </>
        ) : (
          <span className="text-soft">JPEG, HEIC, PNG, TIFF or PDF, all at once.</span>
        )}
      </div>
    </div>
  );
}

/** A line of the pen that goes round. */
function Turning() {
  return (
    <svg viewBox="0 0 20 20" className="size-5 motion-safe:animate-spin" fill="none" aria-hidden>
      <path d="M10 2a8 8 0 1 1-7.4 5" className="stroke-rule-deep" strokeWidth={2.4} />
    </svg>
  );
}

function Files({
  label,
  Icon,
  camera = false,
  onFiles,
}: {
  label: string;
  Icon: typeof Camera;
  camera?: boolean;
  onFiles: (files: FileList | null) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        multiple={!camera}
        accept={camera ? "image/*" : KINDS}
        {...(camera && { capture: "environment" as const })}
        aria-label={label}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          onFiles(event.target.files);
          event.target.value = ""; // the same may be chosen again
        }}
      />
      <Button className="px-3" onClick={() => input.current?.click()}>
        <Icon aria-hidden size={18} /> {label}
      </Button>
    </>
  );
}
