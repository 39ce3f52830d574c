/** Where schools differ: what this class does in its own way in lessons, each by its picture. */
import type { CustomsIn, CustomsOut } from "../../api/schema";
import { useAlphabet, useClassroom, useCustoms, useSetCustoms } from "../../api/queries";
import { Choice } from "../../ui/Choice";
import { SmallLetter } from "../../ui/SmallLetter";
import { SmallPicture } from "../../ui/SmallPicture";
import { Loading, ProblemNote } from "../../ui/states";
import { PadWays } from "./PadWays";
import { RowPicture } from "./RowPicture";
import { Pictured, Setting } from "./Setting";
import { StruckOrRubbed } from "./StruckOrRubbed";

export function CustomsDesk() {
  const customs = useCustoms();
  if (customs.isError) {
    return <ProblemNote error={customs.error} retry={() => void customs.refetch()} />;
  }
  if (!customs.data) return <Loading what="how your lessons are" />;
  return <Desk customs={customs.data} />;
}

function Desk({ customs }: { customs: CustomsOut }) {
  const set = useSetCustoms();
  const lines = useClassroom().data?.lines ?? [];
  const kept: CustomsIn = {
    own: customs.own,
    rubbing_out: customs.rubbing_out,
    largest_family: customs.largest_family,
    open_joins: customs.open_joins,
    slips: customs.slips,
    called: customs.called,
    from_memory: customs.from_memory,
    answers: customs.answers,
    tilted: customs.tilted,
    ...(set.isPending ? set.variables.body : {}),
  };
  const change = (part: Partial<CustomsIn>) => {
    set.mutate({ body: { ...kept, ...part } });
  };
  const told = customs.amounts.find(({ amount }) => amount === kept.own)?.told;
  const rubbing = customs.rubbing.find(({ allowed }) => allowed === kept.rubbing_out)?.told;
  return (
    <section aria-label="Our ways" className="flex flex-col gap-4 px-5 py-3">
      <header>
        <h1 className="text-xl font-bold">Our ways</h1>
        <p className="text-soft">
          Schools differ here. A choice is kept at once; the board, the families and what goes home
          follow it.
        </p>
      </header>
      {set.isError && <ProblemNote error={set.error} />}
      <Setting title="How many of their own" told={told}>
        <Choice
          label="How many of their own"
          value={kept.own}
          onChange={(own) => {
            change({ own });
          }}
          options={customs.amounts.map(({ amount, title, lines: rows, letters }) => ({
            value: amount,
            name: title,
            label: (
              <Pictured title={title}>
                <RowPicture lines={lines} rows={rows} letters={letters} open={amount === "any"} />
              </Pictured>
            ),
          }))}
        />
      </Setting>
      <Setting title="In games" told={rubbing}>
        <Choice
          label="In games"
          value={kept.rubbing_out ? "yes" : "no"}
          onChange={(chosen) => {
            change({ rubbing_out: chosen === "yes" });
          }}
          options={[
            { value: "no", title: "Cross out, write again" },
            { value: "yes", title: "Rub out and change" },
          ].map(({ value, title }) => ({
            value,
            name: title,
            label: (
              <Pictured title={title}>
                <StruckOrRubbed lines={lines} rubbed={value === "yes"} />
              </Pictured>
            ),
          }))}
        />
      </Setting>
      {customs.joins.length ? (
        <Setting
          title="Joins that are not taught yet"
          told={customs.joins.find(({ open }) => open === kept.open_joins)?.told}
        >
          <Choice
            label="Joins that are not taught yet"
            value={kept.open_joins ? "open" : "joined"}
            onChange={(chosen) => {
              change({ open_joins: chosen === "open" });
            }}
            options={customs.joins.map(({ open, picture }) => ({
              value: open ? "open" : "joined",
              name: open ? "May stand open" : "Join them all",
              label: (
                <Pictured title={open ? "May stand open" : "Join them all"}>
                  <SmallPicture picture={picture} lines={lines} className="h-16" />
                </Pictured>
              ),
            }))}
          />
        </Setting>
      ) : null}
      <Setting
        title="Largest family for one lesson"
        told="A wish, no rule: a larger family is offered in parts, and may stay whole."
      >
        <Choice
          label="Largest family for one lesson"
          value={String(kept.largest_family)}
          onChange={(size) => {
            change({ largest_family: Number(size) });
          }}
          options={customs.sizes.map((size) => ({
            value: String(size),
            name: `${String(size)} letters`,
            label: (
              <Pictured title={String(size)}>
                <Letters count={size} />
              </Pictured>
            ),
          }))}
        />
      </Setting>
      <Setting title="Slips to spot" told={SLIPS_TOLD[kept.slips]}>
        <Choice
          label="Slips to spot"
          value={kept.slips}
          onChange={(slips) => {
            change({ slips });
          }}
          options={SLIPS.map(({ value, title }) => ({ value, label: title }))}
        />
      </Setting>
      <Setting title="The aim speaks of a letter" told={CALLED_TOLD[kept.called]}>
        <Choice
          label="The aim speaks of a letter"
          value={kept.called}
          onChange={(called) => {
            change({ called });
          }}
          options={CALLED.map(({ value, title }) => ({ value, label: title }))}
        />
      </Setting>
      <PadWays kept={kept} onChange={change} />
    </section>
  );
}

const CALLED = [
  { value: "name", title: "By its name" },
  { value: "sound", title: "By its sound" },
  { value: "both", title: "By both" },
] as const;
const CALLED_TOLD: Record<CustomsIn["called"], string> = {
  name: "Today you will write n.",
  sound: "Today you will write the first sound of “nap”.",
  both: "Today you will write n, the first sound of “nap”.",
};

const SLIPS = [
  { value: "after", title: "After a first try" },
  { value: "before", title: "Before the first try" },
  { value: "never", title: "Not in our lessons" },
] as const;
const SLIPS_TOLD: Record<CustomsIn["slips"], string> = {
  after: "The letter is shown, tried big, then its slips are spotted.",
  before: "The letter is shown, its slips are spotted, then it is tried.",
  never: "New lessons leave the slips out.",
};

/** So many letters of the class's hand, side by side. */
function Letters({ count }: { count: number }) {
  const letters = useAlphabet().data?.[0]?.letters.slice(0, count) ?? [];
  return (
    <span className="grid grid-cols-4">
      {letters.map(({ letter }) => (
        <SmallLetter key={letter} letter={letter} className="h-9" />
      ))}
    </span>
  );
}
