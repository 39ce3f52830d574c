/** Who is not put into one group: said by the teacher, and seen nowhere else. */
import { useState } from "react";

import type { ApartOut } from "../../api/schema";
import { useKeepApart } from "../../api/growQueries";
import { useClassroom } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Hers } from "../../ui/Hers";
import { Pick } from "../../ui/Pick";
import { Failed } from "../../ui/states";

export function KeptApart({ pairs }: { pairs: readonly ApartOut[] }) {
  const keep = useKeepApart();
  return (
    <Hers>
      <section aria-label="Kept apart" className="flex flex-col gap-1">
        <h2 className="font-medium">Kept apart</h2>
        {pairs.map(({ one, other }) => (
          <p key={`${String(one.id)} ${String(other.id)}`} className="flex items-center gap-3">
            {one.name} and {other.name}
            <Button
              small
              aria-label={`${one.name} and ${other.name} may be together again`}
              onClick={() => {
                keep.mutate({ body: { one_id: one.id, other_id: other.id, apart: false } });
              }}
            >
              Together again
            </Button>
          </p>
        ))}
        <NewPair
          isPending={keep.isPending}
          onPair={(one_id, other_id) => {
            keep.mutate({ body: { one_id, other_id, apart: true } });
          }}
        />
        <Failed of={[keep]} />
      </section>
    </Hers>
  );
}

function NewPair({
  isPending,
  onPair,
}: {
  isPending: boolean;
  onPair: (one: number, other: number) => void;
}) {
  const pupils = useClassroom().data?.pupils ?? [];
  const names = pupils.map(({ id, name }) => ({ value: String(id), label: name }));
  const [picked, setPicked] = useState<{ one?: string; other?: string }>({});
  const one = picked.one ?? names[0]?.value ?? "";
  const other = picked.other ?? names[1]?.value ?? "";
  if (names.length < 2) return null;
  return (
    <p className="flex flex-wrap items-center gap-2">
      <Pick
        label="One child"
        value={one}
        options={names}
        onChange={(value) => {
          setPicked({ ...picked, one: value });
        }}
      />
      and
      <Pick
        label="Another child"
        value={other}
        options={names}
        onChange={(value) => {
          setPicked({ ...picked, other: value });
        }}
      />
      <Button
        small
        disabled={isPending || one === other}
        onClick={() => {
          onPair(Number(one), Number(other));
        }}
      >
        Keep apart
      </Button>
    </p>
  );
}
