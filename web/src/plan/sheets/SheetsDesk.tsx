/** Sheets that are made by hand: those there are, and the way to a new one. */
import { FileText } from "lucide-react";
import { Link, useNavigate } from "react-router";

import { useToday } from "../../api/lessonQueries";
import { useMakeSheet, useOwnSheets } from "../../api/ownSheetQueries";
import { useClassroom } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Empty, Failed, Loading, ProblemNote } from "../../ui/states";
import { newSheet } from "./rows";

export function SheetsDesk() {
  const sheets = useOwnSheets();
  const first = useClassroom().data?.letters[0] ?? "a";
  const lesson = useToday().data?.lesson;
  const make = useMakeSheet();
  const navigate = useNavigate();
  return (
    <section aria-label="Sheets" className="flex max-w-3xl flex-col gap-5 px-5 py-4">
      <div>
        <h1 className="text-xl font-bold">Sheets</h1>
        <p className="text-soft">
          The sheet of a lesson makes itself. Here you put one together row by row; it is written in
          your class’s hand, on its lines.
        </p>
      </div>
      {lesson ? (
        <Link
          to={`/plan/sheet/${String(lesson.id)}`}
          className="inline-flex min-h-11 items-center gap-2 self-start rounded-md border-2 border-crease bg-leaf px-3 font-medium hover:border-ink"
        >
          <FileText aria-hidden size={18} /> The sheet of today’s lesson
          {lesson.new.length > 0 ? ` on ${lesson.new.join(", ")}` : ""}
        </Link>
      ) : null}
      <Button
        look="main"
        className="self-start"
        disabled={make.isPending}
        onClick={() => {
          make.mutate(
            { body: newSheet(first) },
            { onSuccess: ({ id }) => void navigate(`/plan/sheets/${String(id)}`) },
          );
        }}
      >
        Begin a sheet
      </Button>
      {make.error ? <ProblemNote error={make.error} /> : null}
      <Failed of={[sheets]} />
      {sheets.isPending ? <Loading what="your sheets" /> : null}
      {sheets.data?.length === 0 ? <Empty>No sheet of your own yet.</Empty> : null}
      <ul className="flex flex-col gap-2">
        {sheets.data?.map(({ id, title, changed_at }) => (
          <li key={id}>
            <Link
              to={`/plan/sheets/${String(id)}`}
              className="flex min-h-11 items-center gap-3 rounded-md border-2 border-crease bg-leaf px-4 hover:border-ink"
            >
              <FileText aria-hidden size={18} />
              <span className="font-bold">{title}</span>
              <span className="flex-1" />
              <span className="text-sm text-soft">
                {new Date(changed_at).toLocaleDateString("en-GB", {
                  day: "numeric",
                  month: "long",
                })}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
