/** The class as a whole: what it is called, a new school year, how it is deleted. */
import { useNavigate } from "react-router";

import { useDeleteClass, useOpenDemo, useRenameClass } from "../api/schoolQueries";
import type { ClassOut } from "../api/schema";
import { Button } from "../ui/Button";
import { ConfirmButton } from "../ui/ConfirmButton";
import { EditableText } from "../ui/EditableText";
import { ProblemNote } from "../ui/states";
import { NewYear } from "./NewYear";

export function ClassPart({ classroom, teaches }: { classroom: ClassOut; teaches: boolean }) {
  const navigate = useNavigate();
  const rename = useRenameClass();
  const remove = useDeleteClass();
  const openDemo = useOpenDemo();
  const { name, pupils, is_made_up } = classroom;
  return (
    <>
      <EditableText
        label="Name of the class"
        value={name}
        disabled={!teaches}
        onChange={(changed) => {
          rename.mutate({ body: { name: changed } });
        }}
        className="max-w-md text-lg"
      />
      <p className="text-soft">
        {is_made_up ? "A made-up class: its children are nobody. " : ""}
        {teaches ? "The children stand in the class list." : "You help in this class."}
      </p>
      <div className="flex flex-wrap items-center gap-2">
        <Button onClick={() => void navigate("/plan/class")}>Class list</Button>
        {teaches ? <NewYear name={name} pupils={pupils} /> : null}
        {is_made_up ? null : (
          <Button
            disabled={openDemo.isPending}
            onClick={() => {
              openDemo.mutate({});
            }}
          >
            {openDemo.isPending ? "Children are writing …" : "Open a made-up class beside it"}
          </Button>
        )}
        {teaches ? (
          <ConfirmButton
            label={is_made_up ? "Throw the made-up class away" : `Delete ${name}`}
            question={`${name}, its ${String(pupils.length)} children and everything they wrote go for good. This cannot be undone.`}
            yes="Delete for good"
            onYes={() => {
              remove.mutate({});
            }}
          />
        ) : null}
      </div>
      {rename.error ? (
        <ProblemNote
          error={rename.error}
          both={() => {
            const asked = rename.variables;
            if (asked) rename.mutate({ ...asked, params: { query: { alike: true } } });
          }}
        />
      ) : null}
      {[openDemo, remove].map(({ error }, at) =>
        error ? <ProblemNote key={at} error={error} /> : null,
      )}
    </>
  );
}
