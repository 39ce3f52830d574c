/** What the order costs, what a better one would, and what the chosen letter brings. */
import { ArrowRight, Wand2 } from "lucide-react";
import { Link } from "react-router";

import type {
  CostOut as Cost,
  FamilyIn,
  ProposalOut as Proposal,
  SchemeOut as Scheme,
} from "../../api/schema";
import { useProposeOrder } from "../../api/schemeQueries";
import { Button } from "../../ui/Button";
import { EditableText } from "../../ui/EditableText";
import { Loading, ProblemNote } from "../../ui/states";
import { WordsCurve } from "./WordsCurve";

export function OrderPanel({
  scheme,
  name,
  families,
  selected,
  onRename,
  onFamilies,
}: {
  scheme: Scheme;
  name: string;
  families: readonly FamilyIn[];
  selected: string | undefined;
  onRename: (name: string) => void;
  onFamilies: (families: readonly FamilyIn[]) => void;
}) {
  const asking = useProposeOrder();
  const ask = () => {
    asking.mutate({ params: { path: { key: scheme.key } } });
  };
  const proposal = asking.data;
  return (
    <aside className="flex shrink-0 flex-col gap-3 border-crease max-lg:border-t-2 max-lg:pt-3 lg:w-[19rem] lg:border-l-2 lg:pl-5">
      <EditableText
        label="Name of the scheme"
        value={name}
        disabled={!scheme.own}
        className="text-lg font-bold"
        onChange={onRename}
      />
      {scheme.steps.length ? (
        <>
          <WordsCurve steps={scheme.steps} />
          <Costs cost={scheme.cost} />
        </>
      ) : (
        <p className="text-soft">
          Nothing here yet. Make a family, then drag letters to it from below.
        </p>
      )}
      {scheme.own && scheme.steps.length > 1 ? (
        <Button onClick={ask} disabled={asking.isPending}>
          <Wand2 aria-hidden size={18} /> Propose a better order
        </Button>
      ) : null}
      {asking.isPending ? <Loading what="a better order" /> : null}
      {asking.isError ? <ProblemNote error={asking.error} retry={ask} /> : null}
      {proposal ? (
        <Better
          proposal={proposal}
          onUse={() => {
            onFamilies(proposal.families);
            asking.reset();
          }}
        />
      ) : null}
      {selected ? (
        <Chosen
          key={selected}
          letter={selected}
          scheme={scheme}
          families={families}
          onFamilies={onFamilies}
        />
      ) : null}
    </aside>
  );
}

function Costs({ cost }: { cost: Cost }) {
  return (
    <dl className="grid grid-cols-[1fr_auto] gap-x-3 gap-y-0.5 text-sm">
      <dt>New moves that come together</dt>
      <dd className="text-right font-medium">{cost.crowded}</dd>
      <dt>Lessons that letters easily confused are too close</dt>
      <dd className="text-right font-medium">{cost.close}</dd>
      <dt>Words still out of reach, on average</dt>
      <dd className="text-right font-medium">{Math.round(cost.late * 100)} %</dd>
    </dl>
  );
}

function Better({ proposal, onUse }: { proposal: Proposal; onUse: () => void }) {
  const { before, after, families } = proposal;
  if (after.total >= before.total) {
    return <p className="text-sm">No exchange of families or letters makes this order better.</p>;
  }
  return (
    <div className="flex flex-col gap-2 rounded-md border-2 border-rule-deep p-3">
      <p className="font-medium">{families.flatMap(({ letters }) => letters).join(" ")}</p>
      <p className="text-sm">
        New moves together {before.crowded} <To /> {after.crowded}, too close {before.close} <To />{" "}
        {after.close}, out of reach {Math.round(before.late * 100)} % <To />{" "}
        {Math.round(after.late * 100)} %
      </p>
      <Button look="main" onClick={onUse}>
        Use it
      </Button>
    </div>
  );
}

function To() {
  return <ArrowRight aria-label="to" size={14} className="inline" />;
}

/** The chosen letter: why it stands where it does, and what is different in it. */
function Chosen({
  letter,
  scheme,
  families,
  onFamilies,
}: {
  letter: string;
  scheme: Scheme;
  families: readonly FamilyIn[];
  onFamilies: (families: readonly FamilyIn[]) => void;
}) {
  const step = scheme.steps.find((one) => one.letter === letter);
  const at = families.findIndex(({ letters }) => letters.includes(letter));
  const family = families[at];
  const differs = family?.exceptions[letter] ?? scheme.families[at]?.differs[letter] ?? "";
  return (
    <section aria-label={`About ${letter}`} className="border-t-2 border-crease pt-2 text-sm">
      <h2 className="text-lg font-bold">{letter}</h2>
      {step ? (
        <ul className="list-disc pl-5">
          <li>
            {step.new_moves.length ? `New: ${step.new_moves.join(", ")}` : "No new move: all known"}
          </li>
          <li>
            {step.new_words} words more, {step.words} in all
          </li>
          {step.too_close.map((one) => (
            <li key={one.letter} className="text-honey">
              Only {one.lessons} {one.lessons === 1 ? "lesson" : "lessons"} after {one.letter},
              which is easily confused with it
            </li>
          ))}
        </ul>
      ) : null}
      {family && (scheme.own || differs) ? (
        <div className="mt-1">
          <span className="text-soft">What is different in it</span>
          <EditableText
            label="What is different in it"
            value={differs}
            disabled={!scheme.own}
            mayBeEmpty
            placeholder="nothing"
            onChange={(text) => {
              const others = Object.entries(family.exceptions).filter(([one]) => one !== letter);
              const exceptions = Object.fromEntries(text ? [...others, [letter, text]] : others);
              onFamilies(families.map((one, k) => (k === at ? { ...one, exceptions } : one)));
            }}
          />
        </div>
      ) : null}
      <Link
        to={`/plan/letters/${encodeURIComponent(letter)}`}
        className="mt-1 inline-flex min-h-9 items-center gap-1 font-medium underline underline-offset-4"
      >
        All about {letter} <ArrowRight aria-hidden size={16} />
      </Link>
    </section>
  );
}
