/** How far the checker can be trusted here: in plain words, by what its teacher said. */
import { Link } from "react-router";

import { addressOf } from "../api/client";
import type { FindingTrustOut, PartTrustOut, AgreedOut, TrustOut } from "../api/schema";
import { useCountInFull, useTrust } from "../api/trustQueries";
import { Button } from "../ui/Button";
import { Hers } from "../ui/Hers";
import { Empty, Failed, Loading } from "../ui/states";

export function TrustPage() {
  const trust = useTrust();
  return (
    <section className="mx-auto flex w-full max-w-4xl flex-col gap-5 px-5 py-4">
      <header className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h1 className="text-2xl font-bold">How far to trust it</h1>
        <Link to="/check" className="underline underline-offset-4">
          Back to the table
        </Link>
      </header>
      <Failed of={[trust]} />
      {trust.isPending ? <Loading what="what was judged" /> : null}
      {trust.data ? <Told trust={trust.data} /> : null}
    </section>
  );
}

function Told({ trust }: { trust: TrustOut }) {
  if (trust.findings.length === 0) {
    return (
      <Empty>
        Nothing can be said yet. Each time you agree on the table, or say “not so”, it is counted
        here; from ten on it says how far you agree.
      </Empty>
    );
  }
  const doubted = trust.findings.filter((one) => one.doubted);
  return (
    <>
      <div className="flex flex-col gap-1.5 text-lg">
        <p>{blindWords(trust)}</p>
        <p>
          {`With its word beside the letter you judged ${trust.seen.of} findings one by one: ${inWords(trust.seen)}`}{" "}
          {trust.many > 0
            ? `Another ${trust.many} you agreed to together with others of their kind; those are not reckoned here.`
            : ""}
        </p>
        <p className="text-base text-soft">
          Who sees the checker’s word first tends to agree with it. What is judged blind says more:{" "}
          <Link to="/check/blind" className="underline underline-offset-4">
            a second pair of eyes
          </Link>
          .
        </p>
      </div>
      {doubted.length > 0 ? <Doubted findings={doubted} /> : null}
      <ByFinding findings={trust.findings} />
      <div className="grid gap-6 sm:grid-cols-3">
        <Parts name="By letter" parts={trust.letters} />
        <Parts name="By hand" parts={trust.hands} />
        <Parts name="By source" parts={trust.sources} />
      </div>
      <p className="flex flex-wrap gap-4">
        <span className="text-soft">All judgements, to reckon with elsewhere:</span>
        {(["csv", "json"] as const).map((form) => (
          <a
            key={form}
            href={addressOf("/api/check/judgements/{form}", { path: { form } })}
            download
            className="underline underline-offset-4"
          >
            {form.toUpperCase()} without names
          </a>
        ))}
        <a
          href={addressOf("/api/check/judgements/{form}", {
            path: { form: "csv" },
            query: { names: true },
          })}
          download
          className="underline underline-offset-4"
        >
          CSV with names
        </a>
      </p>
    </>
  );
}

function blindWords({ blind, seen }: TrustOut): string {
  if (blind.of === 0) return "Nothing was judged blind yet.";
  const all = blind.of + seen.of;
  return `Judged blind, ${blind.of} of ${all} findings: ${inWords(blind)}`;
}

/** A share as a teacher says it; too few say nothing. */
export function inWords({ agreed, of, low, high }: AgreedOut): string {
  if (low === null || high === null) return `you agreed with ${agreed} of ${of}: too few to say.`;
  const percent = (share: number) => Math.round(share * 100);
  return `you agreed with ${agreed} of ${of}; in the long run that is between ${percent(low)} and ${percent(high)} of a hundred.`;
}

/** What counts less here, why, and how to end it. */
function Doubted({ findings }: { findings: readonly FindingTrustOut[] }) {
  const count = useCountInFull();
  return (
    <section
      aria-label="What counts less here"
      className="flex flex-col gap-2 border-l-4 border-honey bg-leaf px-4 py-3"
    >
      <h2 className="text-lg font-bold">What counts less here</h2>
      <p className="text-soft">
        You said “not so” of these nine times of ten or nearly. In this class they are told after
        everything else, and no lesson is proposed for them. What was checked stays as it was.
      </p>
      <Failed of={[count]} />
      <ul className="flex flex-col gap-1.5">
        {findings.map((one) => (
          <li key={one.code} className="flex flex-wrap items-center gap-3">
            <span className="font-medium">{one.name}</span>
            <Hers told={false}>
              <Button
                small
                onClick={() => {
                  count.mutate({ params: { path: { code: one.code } }, body: { in_full: true } });
                }}
              >
                Let it count in full again
              </Button>
            </Hers>
          </li>
        ))}
      </ul>
    </section>
  );
}

function ByFinding({ findings }: { findings: readonly FindingTrustOut[] }) {
  const count = useCountInFull();
  return (
    <table className="w-full border-collapse text-left">
      <caption className="pb-1 text-left text-lg font-bold">By finding</caption>
      <thead className="text-sm text-soft">
        <tr>
          {["Finding", "Blind", "One by one", "Together", "Missed", ""].map((name) => (
            <th key={name} scope="col" className="border-b-2 border-crease pr-3 font-normal">
              {name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {findings.map((one) => (
          <tr key={one.code} className="border-b border-crease">
            <th scope="row" className="py-1 pr-3 font-medium">
              {one.name}
            </th>
            <td className="pr-3">
              <ShareBar share={one.blind} />
            </td>
            <td className="pr-3">
              <ShareBar share={one.seen} />
            </td>
            <td className="pr-3">{one.many || ""}</td>
            <td className="pr-3">{one.missed || ""}</td>
            <td className="text-sm">
              {one.ended ? (
                <Hers told={false}>
                  <Button
                    small
                    look="quiet"
                    onClick={() => {
                      count.mutate({
                        params: { path: { code: one.code } },
                        body: { in_full: false },
                      });
                    }}
                  >
                    counts anew; as before
                  </Button>
                </Hers>
              ) : null}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** How many of how many, and its interval as a line under a scale from none to all. */
function ShareBar({ share }: { share: AgreedOut }) {
  const { agreed, of, low, high } = share;
  if (of === 0) return null;
  return (
    <span className="flex items-center gap-2">
      <span className="w-16 whitespace-nowrap">
        {agreed} of {of}
      </span>
      {low === null || high === null ? (
        <span className="text-sm text-soft">too few to say</span>
      ) : (
        <svg viewBox="0 0 100 12" className="h-3 w-24" role="img" aria-label={inWords(share)}>
          <path d="M0 6H100" className="stroke-crease" strokeWidth={2} />
          <path d={`M${low * 100} 6H${high * 100}`} className="stroke-rule-deep" strokeWidth={5} />
          <circle cx={(agreed / of) * 100} cy={6} r={4} className="fill-ink" />
        </svg>
      )}
    </span>
  );
}

function Parts({ name, parts }: { name: string; parts: readonly PartTrustOut[] }) {
  return (
    <section aria-label={name}>
      <h2 className="text-lg font-bold">{name}</h2>
      <ul className="flex flex-col gap-0.5">
        {parts.map((one) => (
          <li key={one.name} className="flex items-center gap-2">
            <span className="w-16 truncate font-medium">{one.name}</span>
            <ShareBar share={one.share} />
          </li>
        ))}
      </ul>
    </section>
  );
}
