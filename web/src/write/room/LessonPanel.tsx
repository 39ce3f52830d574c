/** The lesson that the pads are in: where it is, how others come in, what all are called to. */
import { Link } from "react-router";

import { useCall, useEndLesson } from "../../api/roomQueries";
import type { OpenLessonOut } from "../../api/schema";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { JoinCode } from "../../ui/JoinCode";
import { ProblemNote } from "../../ui/states";

export function LessonPanel({
  open,
  all,
  onChoose,
}: {
  open: OpenLessonOut;
  all: readonly OpenLessonOut[];
  onChoose: (lesson: number) => void;
}) {
  const call = useCall();
  const end = useEndLesson();
  const { lesson } = open;
  return (
    <section aria-label="The lesson" className="flex flex-col gap-3">
      {all.length > 1 && lesson !== null ? (
        <Choice
          small
          label="Which lesson"
          value={String(lesson)}
          options={all.map((one) => ({
            value: String(one.lesson),
            label: one.new.join(" ") || one.code.code,
          }))}
          onChange={(chosen) => {
            onChoose(Number(chosen));
          }}
        />
      ) : null}
      <JoinCode code={open.code} />
      <p>
        The pads are at: <span className="font-bold">{open.title || "nothing to write"}</span>
        {open.part ? `, ${open.part}` : ""}
        {lesson === null ? null : (
          <>
            {" · "}
            <Link to={`/show/lesson/${String(lesson)}`} className="underline underline-offset-4">
              the board
            </Link>
          </>
        )}
      </p>
      {lesson === null ? null : (
        <div className="flex flex-wrap gap-2">
          {(
            [
              ["look", "Look at the board"],
              ["replay", "Show the movement to all"],
            ] as const
          ).map(([what, label]) => (
            <Button
              key={what}
              onClick={() => {
                call.mutate({ body: { what, lesson } });
              }}
            >
              {label}
            </Button>
          ))}
          <Button
            look="quiet"
            disabled={end.isPending}
            onClick={() => {
              end.mutate({ params: { query: { lesson } } });
            }}
          >
            End it on the pads
          </Button>
        </div>
      )}
      {call.isError ? <ProblemNote error={call.error} /> : null}
      {end.isError ? <ProblemNote error={end.error} /> : null}
    </section>
  );
}
