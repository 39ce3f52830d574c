/** A name and a password in a row, for a colleague who is added, or for the first account. */
import { useState } from "react";

import { Button } from "../ui/Button";
import { Line } from "./Line";

export function NameAndPassword({
  does,
  nameLabel = "Their name",
  passwordLabel = "A first password",
  busy,
  onSend,
}: {
  does: string;
  nameLabel?: string;
  passwordLabel?: string;
  busy: boolean;
  onSend: (account: { name: string; password: string }) => void;
}) {
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  return (
    <form
      className="mt-2 flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        onSend({ name, password });
      }}
    >
      <Line label={nameLabel} value={name} onChange={setName} />
      <Line label={passwordLabel} value={password} onChange={setPassword} secret={8} />
      <Button type="submit" disabled={!name.trim() || password.length < 8 || busy}>
        {does}
      </Button>
    </form>
  );
}
