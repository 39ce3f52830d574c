/** From print to joined: one line of the page a stage, in the order in which they are taught. */
import { Plus, RotateCcw, Undo2 } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";

import {
  useComputedJoining,
  useJoining,
  useSetJoining,
  useSetStageTaught,
} from "../../api/joiningQueries";
import type { JoiningOut as Joining } from "../../api/schema";
import { Button } from "../../ui/Button";
import { Loading, ProblemNote } from "../../ui/states";
import { useShortcuts } from "../../ui/useShortcuts";
import { StageRow } from "./StageRow";
import { movedStage, type Stages, withParts } from "./stages";

export function JoiningDesk() {
  const joining = useJoining();
  if (joining.isError) {
    return <ProblemNote error={joining.error} retry={() => void joining.refetch()} />;
  }
  if (!joining.data) return <Loading what="the way to joined writing" />;
  return joining.data.joins ? <Plan joining={joining.data} /> : <Prints />;
}

function Prints() {
  return (
    <section aria-label="To joined" className="flex max-w-2xl flex-col gap-3 px-5 py-4">
      <h1 className="text-xl font-bold">From print to joined</h1>
      <p>
        This class prints. When it begins to join, choose a joined hand under{" "}
        <Link to="/plan/hand" className="font-medium underline underline-offset-4">
          Hand and lines
        </Link>
        . The letters then come over a few at a time, family by family, and the joins after them,
        the easiest first. What is taught in print stays taught in print.
      </p>
    </section>
  );
}

function Plan({ joining }: { joining: Joining }) {
  const set = useSetJoining();
  const compute = useComputedJoining();
  const teach = useSetStageTaught();
  /** What the plan was before each change; null for the computed one. */
  const [before, setBefore] = useState<(Stages | null)[]>([]);
  const stages: Stages = joining.stages.map(({ parts }) => parts);
  const keep = (next: Stages | null) => {
    if (next) set.mutate({ body: { stages: next.map((parts) => [...parts]) } });
    else compute.mutate({});
  };
  const change = (next: Stages | null) => {
    setBefore([...before, joining.own ? stages : null]);
    keep(next);
  };
  const last = before.at(-1);
  const undo =
    last === undefined
      ? undefined
      : () => {
          setBefore(before.slice(0, -1));
          keep(last);
        };
  useShortcuts({ u: () => undo?.() });
  const error = set.error ?? compute.error ?? teach.error;
  const done = joining.stages.filter((stage) => stage.done).length;
  return (
    <section aria-label="To joined" className="flex flex-col gap-2 px-5 py-3">
      <header className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1 className="text-xl font-bold">From print to joined</h1>
        <p className="flex-1 text-soft">
          {done} of {joining.stages.length} taught. A given lesson ticks its stage.
        </p>
        <Button
          onClick={() => {
            change([...stages, ["in"]]);
          }}
        >
          <Plus aria-hidden size={18} /> Stage
        </Button>
        <Button disabled={!undo} onClick={undo}>
          <Undo2 aria-hidden size={18} /> Undo
        </Button>
        <Button
          disabled={!joining.own}
          onClick={() => {
            change(null);
          }}
        >
          <RotateCcw aria-hidden size={18} /> As computed
        </Button>
      </header>
      {error ? <ProblemNote error={error} /> : null}
      <ol aria-label="Stages" className="flex flex-col">
        {joining.stages.map((stage, at) => (
          <StageRow
            key={`${String(at)} ${stage.parts.join(" ")}`}
            at={at}
            stage={stage}
            onTaught={(taught) => {
              teach.mutate({ body: { parts: stage.parts, taught } });
            }}
            onMove={(by) => {
              change(movedStage(stages, at, by));
            }}
            onParts={(text) => {
              change(withParts(stages, at, text));
            }}
            onRemove={() => {
              change(stages.filter((_, place) => place !== at));
            }}
          />
        ))}
      </ol>
    </section>
  );
}
