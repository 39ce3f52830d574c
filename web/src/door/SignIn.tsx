/** The door: who has an account signs in. */
import { useSignIn } from "../api/sessionQueries";
import { AccountForm } from "./AccountForm";
import { DoorPage } from "./DoorPage";

export function SignIn() {
  const signIn = useSignIn();
  return (
    <DoorPage title="Good to see you" said="Sign in, and your class is where you left it.">
      <AccountForm
        isNew={false}
        does="Sign in"
        error={signIn.error}
        busy={signIn.isPending}
        onSend={(account) => {
          signIn.mutate({ body: account });
        }}
      />
      <p className="max-w-md text-sm text-soft">
        Forgotten the password? At the machine that First Loop runs on it can be set anew; nothing
        is lost by that.
      </p>
    </DoorPage>
  );
}
