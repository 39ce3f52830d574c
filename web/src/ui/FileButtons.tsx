/** A file to save, and a file to bring along: plain buttons for both. */
import { Download, Upload } from "lucide-react";
import { useRef } from "react";

import { Button } from "./Button";

export function SaveFile({ href, name, label }: { href: string; name: string; label: string }) {
  return (
    <a
      href={href}
      download={name}
      className="inline-flex min-h-11 items-center gap-2 rounded-md border-2 border-crease bg-leaf px-3 py-1.5 font-medium whitespace-nowrap hover:border-ink"
    >
      <Download aria-hidden size={18} /> {label}
    </a>
  );
}

export function BringFile({
  label,
  onText,
  accept = ".json,application/json",
}: {
  label: string;
  onText: (text: string) => void;
  accept?: string;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) void file.text().then(onText);
          event.target.value = ""; // the same file may be chosen again once it is mended
        }}
      />
      <Button className="px-3" onClick={() => input.current?.click()}>
        <Upload aria-hidden size={18} /> {label}
      </Button>
    </>
  );
}
