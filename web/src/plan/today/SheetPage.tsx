/** The sheet of a lesson: how it is to be on the left, its pages as they are printed on the right. */
import { Printer } from "lucide-react";
import { useState } from "react";
import { Link, useParams } from "react-router";

import { addressOf } from "../../api/client";
import { useSheet } from "../../api/lessonQueries";
import { Choice } from "../../ui/Choice";
import { Loading, ProblemNote } from "../../ui/states";
import { Tick } from "../../ui/Tick";
import { SheetPages } from "../sheets/SheetPages";

const FOR = [
  { value: "lesson", label: "For the lesson" },
  { value: "home", label: "For home" },
] as const;
const WHOSE = [
  { value: "all", label: "One for all" },
  { value: "each", label: "One a child" },
] as const;
const PAPERS = [
  { value: "A4", label: "A4" },
  { value: "Letter", label: "Letter" },
] as const;

export function SheetPage() {
  const lesson = Number(useParams().id);
  const [purpose, setPurpose] = useState<(typeof FOR)[number]["value"]>("lesson");
  const [whose, setWhose] = useState<(typeof WHOSE)[number]["value"]>("all");
  const [paper, setPaper] = useState<(typeof PAPERS)[number]["value"]>("A4");
  const [left, setLeft] = useState(false);
  const [week, setWeek] = useState(false);
  const asked = {
    ...(purpose === "home" && { home: true }),
    ...(purpose === "home" && week && { week }),
    ...(whose === "each" && { each: true }),
    ...(paper !== "A4" && { paper }),
    ...(left && whose === "all" && { left }),
  };
  const sheet = useSheet(lesson, asked);
  const path = { lesson_id: lesson };
  const pages = sheet.data?.pages ?? 0;
  return (
    <section className="flex min-h-0 flex-1 gap-8 px-5 py-3 max-lg:flex-col" aria-label="A sheet">
      <div className="flex w-72 shrink-0 flex-col items-start gap-4">
        <h1 className="text-2xl font-bold">On paper</h1>
        <Choice small label="For" value={purpose} options={FOR} onChange={setPurpose} />
        {purpose === "home" ? (
          <Tick label="A row a day, with a box to tick" checked={week} onChange={setWeek} />
        ) : null}
        <Choice small label="Whose" value={whose} options={WHOSE} onChange={setWhose} />
        <p className="text-sm text-soft">
          {whose === "each"
            ? "Each with the child’s name, by what it gets: its lines, fewer letters, more help, the model’s side. Set on the child’s page in Grow."
            : "The same for everybody, with a line for the name."}
        </p>
        <Choice small label="Paper" value={paper} options={PAPERS} onChange={setPaper} />
        {whose === "all" ? (
          <Tick label="Models on the right, for the left hand" checked={left} onChange={setLeft} />
        ) : null}
        <a
          href={addressOf("/api/plan/lessons/{lesson_id}/sheet/pdf", { path, query: asked })}
          target="_blank"
          rel="noreferrer"
          className="inline-flex min-h-11 items-center gap-2 rounded-md border-2 border-ink bg-ink px-4 font-medium text-leaf hover:border-rule-deep hover:bg-rule-deep"
        >
          <Printer aria-hidden size={20} />
          {pages === 1 ? "Print it" : `Print ${String(pages)} pages`}
        </a>
        <p className="text-sm text-soft">
          At its true size: choose “actual size” where the printer asks.
        </p>
        <p className="text-sm text-soft">
          Photographs of it are read in{" "}
          <Link to="/check/paper" className="underline underline-offset-4">
            Check, On paper
          </Link>
          {whose === "all" ? "; of which child a page is you say there." : "."}
        </p>
        <Link to={`/plan/today?lesson=${String(lesson)}`} className="underline underline-offset-4">
          Back to the lesson
        </Link>
      </div>
      <div className="flex min-h-0 flex-1 flex-col items-center gap-2">
        {sheet.isPending ? <Loading what="the sheet" /> : null}
        {sheet.isError ? (
          <ProblemNote error={sheet.error} retry={() => void sheet.refetch()} />
        ) : null}
        <SheetPages
          pages={pages}
          addressOfPage={(page) =>
            addressOf("/api/plan/lessons/{lesson_id}/sheet/pages/{page}", {
              path: { ...path, page },
              query: asked,
            })
          }
        />
      </div>
    </section>
  );
}
