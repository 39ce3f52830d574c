/** A class to begin: its name, hand and lines by their pictures, names. */
import { type ReactNode, useId, useState } from "react";
import { useNavigate } from "react-router";

import { useBegin, useChoices } from "../api/rosterQueries";
import { useOpenDemo } from "../api/schoolQueries";
import type { ChoicesOut, ClassIn } from "../api/schema";
import { Button } from "../ui/Button";
import { ChildList, useChildren } from "../ui/ChildList";
import { Choice } from "../ui/Choice";
import { handName, RULING_NAMES } from "../ui/names";
import { SmallPicture } from "../ui/SmallPicture";
import { Loading, ProblemNote } from "../ui/states";

/** With a class there already, another is begun beside it. */
export function FirstSteps({ hasClass = false }: { hasClass?: boolean }) {
  const choices = useChoices();
  if (choices.isError) {
    return <ProblemNote error={choices.error} retry={() => void choices.refetch()} />;
  }
  if (!choices.data) return <Loading what="the first page" />;
  return <Page choices={choices.data} hasClass={hasClass} />;
}

function Page({ choices, hasClass }: { choices: ChoicesOut; hasClass: boolean }) {
  const [name, setName] = useState("Our class");
  const [hand, setHand] = useState(choices.hands[0]?.hand ?? "plain");
  const [ruling, setRuling] = useState<NonNullable<ClassIn["ruling"]>>("four");
  const [text, setText] = useState("");
  const read = useChildren(text, true);
  const navigate = useNavigate();
  const openDemo = useOpenDemo();
  const begin = useBegin(() => void navigate("/plan/today"));
  const lines = choices.rulings.find((one) => one.ruling === ruling)?.lines ?? [];
  const word = choices.hands.find((one) => one.hand === hand)?.picture;
  return (
    <div className="mx-auto flex w-full max-w-6xl flex-col gap-5 px-5 py-6">
      <header>
        <h1 className="text-2xl font-bold">A class of your own</h1>
        <p className="text-lg text-soft">
          Four questions, and you can begin. Every answer can be changed later.
        </p>
      </header>
      <form
        className="flex flex-col gap-6"
        onSubmit={(event) => {
          event.preventDefault();
          begin.mutate({
            body: { name, hand, ruling, x_height_mm: 8, children: read.children },
          });
        }}
      >
        <div className="grid grid-cols-1 gap-x-12 gap-y-6 lg:grid-cols-[minmax(0,1fr)_21rem]">
          <div className="flex flex-col gap-6">
            <Question title="What is the class called?">
              <input
                aria-label="Name of the class"
                value={name}
                maxLength={60}
                onChange={(event) => {
                  setName(event.target.value);
                }}
                className="min-h-11 w-80 max-w-full rounded-md border-2 border-crease bg-leaf px-3 text-lg hover:border-rule-deep"
              />
            </Question>
            <Question title="How does it write?">
              <Choice
                label="How does it write?"
                value={hand}
                onChange={setHand}
                options={choices.hands.map((one) => ({
                  value: one.hand,
                  name: handName(one.hand),
                  label: (
                    <Pictured title={handName(one.hand)}>
                      <SmallPicture picture={one.picture} lines={lines} className="h-16" />
                    </Pictured>
                  ),
                }))}
              />
            </Question>
            <Question title="On which lines?">
              <Choice
                label="On which lines?"
                value={ruling}
                onChange={setRuling}
                options={choices.rulings.map((one) => ({
                  value: one.ruling,
                  name: RULING_NAMES[one.ruling],
                  label: (
                    <Pictured title={RULING_NAMES[one.ruling]}>
                      {word ? (
                        <SmallPicture picture={word} lines={one.lines} className="h-16" />
                      ) : null}
                    </Pictured>
                  ),
                }))}
              />
            </Question>
          </div>
          <Question title="Who is in it?">
            <ChildList text={text} onChange={setText} read={read} />
          </Question>
        </div>
        {begin.error ? (
          <ProblemNote
            error={begin.error}
            both={() => {
              const asked = begin.variables;
              if (asked) begin.mutate({ ...asked, params: { query: { alike: true } } });
            }}
          />
        ) : null}
        {openDemo.isError ? <ProblemNote error={openDemo.error} /> : null}
        <div className="flex flex-wrap items-center gap-4 border-t border-rule pt-4">
          <Button
            look="main"
            type="submit"
            className="min-h-14 px-8 text-xl"
            disabled={!name.trim() || !read.sound || begin.isPending}
          >
            Begin
          </Button>
          {hasClass ? null : (
            <Button
              disabled={openDemo.isPending}
              onClick={() => {
                openDemo.mutate({});
              }}
            >
              {openDemo.isPending ? "Children are writing …" : "First look at a made-up class"}
            </Button>
          )}
          <p className="text-soft">
            {read.sound
              ? text.trim()
                ? "Names stay on this machine."
                : "Without names too: they can follow."
              : "A line of the list is still to be mended."}
          </p>
        </div>
      </form>
    </div>
  );
}

function Question({ title, children }: { title: string; children: ReactNode }) {
  const id = useId();
  return (
    <section aria-labelledby={id} className="flex flex-col gap-2">
      <h2 id={id} className="text-lg font-bold">
        {title}
      </h2>
      {children}
    </section>
  );
}

function Pictured({ title, children }: { title: string; children: ReactNode }) {
  return (
    <span className="flex flex-col items-center gap-1 py-1.5">
      {children}
      <span className="text-sm">{title}</span>
    </span>
  );
}
