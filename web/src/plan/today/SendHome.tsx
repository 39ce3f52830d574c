/** A movement to send home: of what is new, or of one of the lesson's words. */
import { FileText, House } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";

import { addressOf } from "../../api/client";
import type { LessonOut as Lesson } from "../../api/schema";
import { Pick } from "../../ui/Pick";
import { DrawingFiles } from "../DrawingFiles";

export function SendHome({ lesson }: { lesson: Lesson }) {
  const texts = [...new Set([...lesson.new, ...lesson.words])];
  const [chosen, setChosen] = useState("");
  const text = texts.includes(chosen) ? chosen : (texts[0] ?? "");
  return (
    <section aria-label="To send home">
      <h2 className="font-bold">To send home</h2>
      <div className="flex flex-wrap items-center gap-2 pt-1">
        <Pick
          label="What to send home"
          value={text}
          options={texts.map((one) => ({ value: one, label: one }))}
          onChange={setChosen}
        />
        <DrawingFiles text={text} />
      </div>
      <p className="flex flex-wrap items-center gap-x-3 pt-2">
        <a
          href={addressOf("/api/plan/lessons/{lesson_id}/home", { path: { lesson_id: lesson.id } })}
          download="at-home.html"
          className="inline-flex min-h-11 items-center gap-2 rounded-md border-2 border-crease bg-leaf px-3 font-medium hover:border-ink"
        >
          <House aria-hidden size={18} /> One page for home
        </a>
        <span className="text-sm text-soft">
          opens on any phone, without a network; no child&rsquo;s name is in it
        </span>
      </p>
      <p className="pt-2">
        <Link
          to={`/plan/sheet/${String(lesson.id)}`}
          className="inline-flex min-h-11 items-center gap-2 rounded-md border-2 border-crease bg-leaf px-3 font-medium hover:border-ink"
        >
          <FileText aria-hidden size={18} /> A sheet to write on
        </Link>
      </p>
    </section>
  );
}
