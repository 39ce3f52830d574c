/** The hands that are written here, and the way to begin one. */
import { ChevronLeft, PenLine as PenIcon } from "lucide-react";
import { useState } from "react";
import { Link, useNavigate } from "react-router";

import { useBeginHand, useOwnHands } from "../../api/ownHandQueries";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { handName } from "../../ui/names";
import { Failed, Loading, ProblemNote } from "../../ui/states";

const BASES = ["plain", "flick", "joined", "looped"] as const;
const LONGEST = 40;

export function OursDesk() {
  const hands = useOwnHands();
  return (
    <section aria-label="Our own letters" className="flex max-w-3xl flex-col gap-5 px-5 py-4">
      <Back />
      <div>
        <h1 className="text-xl font-bold">Our own letters</h1>
        <p className="text-soft">
          Write a letter the way your school writes it. It is taken apart into moves, and from then
          on it is drawn, spoken, printed and checked so. What you do not write stays the hand’s
          that you begin with.
        </p>
      </div>
      <Failed of={[hands]} />
      {hands.isPending ? <Loading what="your hands" /> : null}
      {hands.data?.length ? (
        <ul className="flex flex-col gap-2">
          {hands.data.map(({ name, base, written }) => (
            <li key={name}>
              <Link
                to={`/plan/hand/ours/${encodeURIComponent(name)}`}
                className="flex min-h-11 items-center gap-3 rounded-md border-2 border-crease bg-leaf px-4 hover:border-ink"
              >
                <PenIcon aria-hidden size={18} />
                <span className="font-bold">{name}</span>
                <span className="text-soft">
                  {written === 1 ? "1 letter" : `${String(written)} letters`} of your own, the rest{" "}
                  {handName(base)}
                </span>
              </Link>
            </li>
          ))}
        </ul>
      ) : null}
      <Begin />
    </section>
  );
}

export function Back() {
  return (
    <Link
      to="/plan/hand"
      className="inline-flex min-h-9 items-center gap-1 self-start text-soft hover:text-ink"
    >
      <ChevronLeft aria-hidden size={18} /> Hand and lines
    </Link>
  );
}

function Begin() {
  const [name, setName] = useState("");
  const [base, setBase] = useState<string>("plain");
  const begin = useBeginHand();
  const navigate = useNavigate();
  return (
    <form
      className="flex flex-col gap-3 border-t-2 border-crease pt-4"
      onSubmit={(event) => {
        event.preventDefault();
        begin.mutate(
          { body: { name: name.trim(), base } },
          {
            onSuccess: (made) => {
              void navigate(`/plan/hand/ours/${encodeURIComponent(made.name)}`);
            },
          },
        );
      }}
    >
      <h2 className="font-bold">Begin a hand</h2>
      <label className="flex items-center gap-3">
        <span className="w-28">Its name</span>
        <input
          value={name}
          maxLength={LONGEST}
          placeholder="Meadow Lane"
          onChange={(event) => {
            setName(event.target.value);
          }}
          className="min-h-11 w-64 rounded-md border-2 border-crease bg-leaf px-3"
        />
      </label>
      <div className="flex items-center gap-3">
        <span className="w-28">Nearest to it</span>
        <Choice
          label="Nearest to it"
          value={base}
          onChange={setBase}
          options={BASES.map((one) => ({ value: one, label: handName(one) }))}
        />
      </div>
      <Button
        look="main"
        type="submit"
        className="self-start"
        disabled={!name.trim() || begin.isPending}
      >
        Begin writing
      </Button>
      {begin.error ? <ProblemNote error={begin.error} /> : null}
    </form>
  );
}
