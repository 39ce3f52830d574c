/** What the teacher saw in the child and noted: hers alone. The program concludes nothing from it. */
import { useState } from "react";

import {
  useAddNote,
  useCare,
  useChangeFlag,
  useChangeNote,
  useRemoveFlag,
  useRemoveNote,
  useSetFlag,
} from "../../api/childQueries";
import type { CareOut, PupilOut } from "../../api/schema";
import { Button } from "../../ui/Button";
import { ConfirmButton } from "../../ui/ConfirmButton";
import { EditableText } from "../../ui/EditableText";
import { Pick } from "../../ui/Pick";
import { Failed } from "../../ui/states";
import { dayAfter, dayInWords } from "../map";

const NOTHING = "nothing";
const TWO_WEEKS = 14;

export function Seen({ pupil, today }: { pupil: PupilOut; today: string }) {
  const care = useCare(pupil.id);
  const setFlag = useSetFlag(pupil.id);
  const addNote = useAddNote(pupil.id);
  const path = { pupil_id: pupil.id };
  const kinds = care.data?.kinds ?? [];
  const flags = (care.data?.flags ?? []).filter(({ done }) => done === null);
  const over = (care.data?.flags ?? []).filter(({ done }) => done !== null);
  const open = new Set(flags.map(({ kind }) => kind));
  return (
    <section aria-label="Seen and noted">
      <h2 className="text-lg font-bold">Seen and noted</h2>
      <p className="text-sm text-soft">Only you see this. It is in no report unless you tick it.</p>
      <Failed of={[care, setFlag, addNote]} />
      <ul className="flex flex-col gap-2">
        {flags.map((flag) => (
          <Flag key={flag.id} flag={flag} kinds={kinds} pupil={pupil.id} today={today} />
        ))}
      </ul>
      <Pick
        label="Something seen"
        value={NOTHING}
        options={[
          { value: NOTHING, label: "Something seen …" },
          ...kinds
            .filter(({ kind }) => !open.has(kind))
            .map(({ kind, name }) => ({ value: kind, label: name })),
        ]}
        onChange={(kind) => {
          if (kind !== NOTHING) setFlag.mutate({ params: { path }, body: { kind } });
        }}
      />
      {over.length > 0 ? (
        <p className="mt-1 text-sm text-soft">
          Over:{" "}
          {over
            .map(({ kind, done }) => `${nameOf(kinds, kind)} (${done ? dayInWords(done) : ""})`)
            .join("; ")}
        </p>
      ) : null}
      <Notes care={care.data} pupil={pupil.id} />
      <NewNote
        onNote={(text, kept) => {
          addNote.mutate({ params: { path }, body: { text } }, { onSuccess: kept });
        }}
      />
    </section>
  );
}

type FlagOut = CareOut["flags"][number];

function Flag({
  flag,
  kinds,
  pupil,
  today,
}: {
  flag: FlagOut;
  kinds: CareOut["kinds"];
  pupil: number;
  today: string;
}) {
  const change = useChangeFlag(pupil);
  const remove = useRemoveFlag(pupil);
  const info = kinds.find(({ kind }) => kind === flag.kind);
  const params = { path: { flag_id: flag.id } };
  return (
    <li className="border-l-4 border-ember pl-3">
      <p className="font-medium">
        {info?.name}
        <span className="font-normal text-soft">, since {dayInWords(flag.since)}</span>
      </p>
      <p className="text-sm">{info?.now}</p>
      <p className="text-sm">{info?.if_it_stays}</p>
      <p className={`text-sm ${flag.is_due ? "font-medium text-ember" : "text-soft"}`}>
        {flag.is_due ? "Look again now" : `Look again on ${dayInWords(flag.look_again)}`}
      </p>
      <div className="flex flex-wrap items-center gap-1">
        {flag.is_due ? (
          <Button
            small
            onClick={() => {
              const look_again = dayAfter(today, TWO_WEEKS);
              change.mutate({ params, body: { look_again, is_over: false } });
            }}
          >
            Still so; in two weeks
          </Button>
        ) : null}
        <Button
          small
          onClick={() => {
            change.mutate({ params, body: { look_again: flag.look_again, is_over: true } });
          }}
        >
          It is over
        </Button>
        <ConfirmButton
          label="Delete"
          question={`That you saw this is deleted for good, as if it had never been noted.`}
          yes="Delete it"
          onYes={() => {
            remove.mutate({ params });
          }}
        />
      </div>
      <Failed of={[change, remove]} />
    </li>
  );
}

function nameOf(kinds: CareOut["kinds"], kind: FlagOut["kind"]): string {
  return kinds.find((one) => one.kind === kind)?.name ?? kind;
}

function Notes({ care, pupil }: { care: CareOut | undefined; pupil: number }) {
  const change = useChangeNote(pupil);
  const remove = useRemoveNote(pupil);
  return (
    <>
      <ul className="mt-3 flex flex-col gap-1" aria-label="Notes">
        {care?.notes.map(({ id, day, text }) => (
          <li key={id}>
            <span className="flex items-center justify-between text-sm text-soft">
              {dayInWords(day)}
              <ConfirmButton
                label="Delete"
                question={`“${text}” goes for good.`}
                yes="Delete it"
                onYes={() => {
                  remove.mutate({ params: { path: { note_id: id } } });
                }}
              />
            </span>
            <EditableText
              label={`Note of ${dayInWords(day)}`}
              value={text}
              onChange={(changed) => {
                change.mutate({ params: { path: { note_id: id } }, body: { text: changed } });
              }}
              className="w-full rounded border-2 border-transparent bg-transparent px-1 hover:border-crease"
            />
          </li>
        ))}
      </ul>
      <Failed of={[change, remove]} />
    </>
  );
}

/** What is typed stays until it is kept. */
function NewNote({ onNote }: { onNote: (text: string, kept: () => void) => void }) {
  const [text, setText] = useState("");
  return (
    <form
      className="mt-2 flex flex-col gap-1"
      onSubmit={(event) => {
        event.preventDefault();
        if (!text.trim()) return;
        onNote(text.trim(), () => {
          setText("");
        });
      }}
    >
      <label className="flex flex-col">
        <span className="sr-only">A note of today</span>
        <textarea
          value={text}
          maxLength={500}
          rows={2}
          placeholder="A note of today"
          onChange={(event) => {
            setText(event.target.value);
          }}
          className="rounded-md border-2 border-crease bg-leaf px-2 py-1 placeholder:text-soft/80"
        />
      </label>
      {text.trim() ? (
        <Button small type="submit" className="self-start">
          Keep the note
        </Button>
      ) : null}
    </form>
  );
}
