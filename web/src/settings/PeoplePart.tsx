/** Who teaches the class, who helps in it, and colleagues who have an account. */
import { useState } from "react";

import {
  useAddColleague,
  useAddHelper,
  useDropHelper,
  useHandOver,
  useStaff,
} from "../api/schoolQueries";
import { useSession } from "../api/sessionQueries";
import type { SchoolOut, StaffOut } from "../api/schema";
import { Button } from "../ui/Button";
import { ConfirmButton } from "../ui/ConfirmButton";
import { Pick } from "../ui/Pick";
import { ProblemNote } from "../ui/states";
import { Tick } from "../ui/Tick";
import { NameAndPassword } from "./NameAndPassword";

const NOBODY = "nobody";

export function PeoplePart({ school, teaches }: { school: SchoolOut; teaches: boolean }) {
  const staff = useStaff().data ?? [];
  const session = useSession().data;
  const addColleague = useAddColleague();
  if (session?.state === "demo") {
    return (
      <p>
        This is a demonstration: who sits at this machine is signed in. With an account of your own
        you can add colleagues, and share a class or hand it over.
      </p>
    );
  }
  return (
    <>
      <p>
        {staff
          .map(({ name, role }) => `${name} ${role === "teacher" ? "teaches" : "helps"}`)
          .join(", ")}
        . A helper sees the class and hands in what children write, but judges, changes and deletes
        nothing.
      </p>
      {teaches ? <Sharing staff={staff} school={school} /> : null}
      <details>
        <summary className="cursor-pointer font-medium">Add a colleague</summary>
        <p className="mt-2 text-soft">
          Tell them the name and the password; in Settings they choose one of their own.
        </p>
        <NameAndPassword
          does="Add"
          busy={addColleague.isPending}
          onSend={(body) => {
            addColleague.mutate({ body });
          }}
        />
        {addColleague.isSuccess ? (
          <p role="status">{addColleague.data.name} can sign in now.</p>
        ) : null}
        {addColleague.error ? (
          <ProblemNote
            error={addColleague.error}
            both={() => {
              const asked = addColleague.variables;
              if (asked) addColleague.mutate({ ...asked, params: { query: { alike: true } } });
            }}
          />
        ) : null}
      </details>
    </>
  );
}

function Sharing({ staff, school }: { staff: readonly StaffOut[]; school: SchoolOut }) {
  const [chosen, choose] = useState(NOBODY);
  const [withFlags, setWithFlags] = useState(false);
  const addHelper = useAddHelper();
  const dropHelper = useDropHelper();
  const handOver = useHandOver();
  const helpers = staff.filter(({ role }) => role === "helper");
  const colleague = school.colleagues.find(({ id }) => String(id) === chosen);
  return (
    <>
      {helpers.map(({ id, name }) => (
        <p key={id} className="flex items-center gap-3">
          {name} helps.
          <Button
            look="quiet"
            onClick={() => {
              dropHelper.mutate({ params: { path: { account_id: id } } });
            }}
          >
            End it
          </Button>
        </p>
      ))}
      {school.colleagues.length ? (
        <div className="flex flex-wrap items-center gap-3">
          <Pick
            label="Colleague"
            value={chosen}
            options={[
              { value: NOBODY, label: "choose a colleague" },
              ...school.colleagues.map(({ id, name }) => ({ value: String(id), label: name })),
            ]}
            onChange={choose}
          />
          {colleague ? (
            <>
              <Button
                disabled={helpers.some(({ id }) => id === colleague.id)}
                onClick={() => {
                  addHelper.mutate({ body: { name: colleague.name } });
                }}
              >
                Helps in this class
              </Button>
              <ConfirmButton
                label={`Hand the class over to ${colleague.name}`}
                question={`${colleague.name} teaches the class from now on, and you no longer see it. It can be handed back.`}
                yes="Hand it over"
                onYes={() => {
                  handOver.mutate({ body: { name: colleague.name, flags: withFlags } });
                }}
              />
              <Tick
                label="with what I saw in the children; else it is deleted"
                checked={withFlags}
                onChange={setWithFlags}
              />
            </>
          ) : null}
        </div>
      ) : null}
      {[addHelper, dropHelper, handOver].map(({ error }, at) =>
        error ? <ProblemNote key={at} error={error} /> : null,
      )}
    </>
  );
}
