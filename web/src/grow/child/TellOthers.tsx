/** What is told of the child: a report of what is ticked, all of it as one file, then deletion. */
import { useState } from "react";

import { addressOf } from "../../api/client";
import { useForgetPupil } from "../../api/rosterQueries";
import type { Include, PupilOut } from "../../api/schema";
import { ConfirmButton } from "../../ui/ConfirmButton";
import { Failed } from "../../ui/states";
import { Tick } from "../../ui/Tick";
import type { Gone } from "./ChildPage";

const PARTS: readonly { value: Include; label: string }[] = [
  { value: "stands", label: "how the letters stand" },
  { value: "then_and_now", label: "letters then and now" },
  { value: "practise", label: "two things to practise" },
  { value: "notes", label: "my notes" },
  { value: "flags", label: "what I saw" },
];
const USUALLY: readonly Include[] = ["stands", "then_and_now", "practise"];

const LINK =
  "inline-flex min-h-9 items-center rounded-md border-2 border-crease bg-leaf px-2.5 text-sm font-medium hover:border-ink";

export function TellOthers({ pupil, onGone }: { pupil: PupilOut; onGone: (gone: Gone) => void }) {
  const [included, setIncluded] = useState(USUALLY);
  const [withFlags, setWithFlags] = useState(false);
  const path = { pupil_id: pupil.id };
  const report = (format: "pdf" | "html") =>
    addressOf("/api/grow/children/{pupil_id}/report", {
      path,
      query: { include: included, format },
    });
  return (
    <section aria-label="Telling others">
      <h2 className="text-lg font-bold">For the family or the next teacher</h2>
      <ul className="mt-1 flex flex-col gap-1">
        {PARTS.map(({ value, label }) => (
          <li key={value}>
            <Tick
              label={label}
              checked={included.includes(value)}
              onChange={(ticked) => {
                setIncluded(
                  ticked ? [...included, value] : included.filter((one) => one !== value),
                );
              }}
            />
          </li>
        ))}
      </ul>
      <p className="mt-2 flex flex-wrap gap-2">
        <a href={report("pdf")} target="_blank" rel="noreferrer" className={LINK}>
          A page to print
        </a>
        <a href={report("html")} target="_blank" rel="noreferrer" className={LINK}>
          A page to send
        </a>
      </p>
      <h3 className="mt-4 font-medium">All of {pupil.name}</h3>
      <p className="text-sm text-soft">
        Everything kept of {pupil.name} in one file: to take to another machine, or to hand out when
        a family asks.
      </p>
      <div className="mt-1 flex flex-col items-start gap-2">
        <Tick label="with what I saw" checked={withFlags} onChange={setWithFlags} />
        <a
          href={addressOf("/api/grow/children/{pupil_id}/archive", {
            path,
            query: withFlags ? { flags: true } : {},
          })}
          download
          className={LINK}
        >
          Save it as one file
        </a>
        <Forget pupil={pupil} onGone={onGone} />
      </div>
    </section>
  );
}

function Forget({ pupil, onGone }: { pupil: PupilOut; onGone: (gone: Gone) => void }) {
  const { id, name } = pupil;
  const forget = useForgetPupil(({ copies, until }) => {
    onGone({ name, copies, until });
  });
  return (
    <>
      <ConfirmButton
        label={`Delete ${name}`}
        question={`${name} and everything ${name} wrote go for good. This cannot be undone.`}
        yes="Delete for good"
        onYes={() => {
          forget.mutate({ params: { path: { pupil_id: id } } });
        }}
      />
      <Failed of={[forget]} />
    </>
  );
}
