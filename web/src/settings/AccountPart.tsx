/** Her own account: who is signed in, a new password; in a demonstration, the first account. */
import { useState } from "react";

import { useChangePassword, useFirstAccount, useSession } from "../api/sessionQueries";
import { Button } from "../ui/Button";
import { ProblemNote } from "../ui/states";
import { Line } from "./Line";
import { NameAndPassword } from "./NameAndPassword";

export function AccountPart() {
  const session = useSession().data;
  return session?.state === "demo" ? <FirstAccount /> : <Password name={session?.name ?? ""} />;
}

function FirstAccount() {
  const first = useFirstAccount();
  return (
    <>
      <p>
        Nobody has an account yet. Make yours, and from then on a password is asked for; the class
        that is here stays, and can be thrown away.
      </p>
      <NameAndPassword
        does="Make my account"
        nameLabel="Your name"
        passwordLabel="Password"
        busy={first.isPending}
        onSend={first.begin}
      />
      {first.error ? <ProblemNote error={first.error} /> : null}
    </>
  );
}

function Password({ name }: { name: string }) {
  const change = useChangePassword();
  const [old, setOld] = useState("");
  const [fresh, setFresh] = useState("");
  return (
    <>
      <p>You are signed in as {name}. After twelve hours the password is asked for again.</p>
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          change.mutate(
            { body: { old, new: fresh } },
            {
              onSuccess: () => {
                setOld("");
                setFresh("");
              },
            },
          );
        }}
      >
        <Line label="Password now" value={old} onChange={setOld} secret={1} />
        <Line label="New password" value={fresh} onChange={setFresh} secret={8} />
        <Button type="submit" disabled={!old || fresh.length < 8 || change.isPending}>
          Change it
        </Button>
      </form>
      {change.isSuccess ? (
        <p role="status">The new password counts. Other browsers of yours are signed out.</p>
      ) : null}
      {change.error ? <ProblemNote error={change.error} /> : null}
    </>
  );
}
