/** A name and a password: to make the first account with, or to sign in. */
import { type ReactNode, useId, useState } from "react";

import { Button } from "../ui/Button";
import { ProblemNote } from "../ui/states";

export interface Account {
  name: string;
  password: string;
}

export function AccountForm({
  isNew,
  does,
  error,
  busy,
  onSend,
}: {
  /** A password is chosen, not remembered. */
  isNew: boolean;
  /** What the button says. */
  does: string;
  error: unknown;
  busy: boolean;
  onSend: (account: Account) => void;
}) {
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  const [shown, show] = useState(false);
  return (
    <form
      className="flex max-w-md flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        onSend({ name, password });
      }}
    >
      <Field label="Your name" hint={isNew ? "as colleagues call you" : undefined}>
        {(described) => (
          <input
            {...described}
            value={name}
            required
            maxLength={60}
            autoComplete="username"
            onChange={(event) => {
              setName(event.target.value);
            }}
            className={BOX}
          />
        )}
      </Field>
      <Field
        label="Password"
        hint={isNew ? "8 characters or more; a short sentence is best" : undefined}
      >
        {(described) => (
          <input
            {...described}
            type={shown ? "text" : "password"}
            value={password}
            required
            minLength={isNew ? 8 : 1}
            maxLength={128}
            autoComplete={isNew ? "new-password" : "current-password"}
            onChange={(event) => {
              setPassword(event.target.value);
            }}
            className={BOX}
          />
        )}
      </Field>
      <label className="flex items-center gap-2 text-soft">
        <input
          type="checkbox"
          checked={shown}
          onChange={(event) => {
            show(event.target.checked);
          }}
          className="size-5 accent-rule-deep"
        />
        show the password
      </label>
      {error ? <ProblemNote error={error} /> : null}
      <Button
        look="main"
        type="submit"
        disabled={busy}
        className="min-h-12 self-start px-8 text-lg"
      >
        {busy ? "One moment …" : does}
      </Button>
    </form>
  );
}

const BOX =
  "min-h-11 rounded-md border-2 border-crease bg-leaf px-3 text-lg hover:border-rule-deep";

function Field({
  label,
  hint,
  children,
}: {
  label: string;
  hint: string | undefined;
  children: (described: { id: string; "aria-describedby": string | undefined }) => ReactNode;
}) {
  const id = useId();
  const hintId = `${id}-hint`;
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="font-medium">
        {label}
      </label>
      {children({ id, "aria-describedby": hint ? hintId : undefined })}
      {hint ? (
        <p id={hintId} className="text-sm text-soft">
          {hint}
        </p>
      ) : null}
    </div>
  );
}
