/** The very first page: the account that everything belongs to from now on. */
import { useFirstAccount } from "../api/sessionQueries";
import { AccountForm } from "./AccountForm";
import { DoorPage } from "./DoorPage";

export function NewAccount({ classWaits }: { classWaits: boolean }) {
  const first = useFirstAccount();
  return (
    <DoorPage
      title="First Loop is yours"
      said={
        classWaits
          ? "A class is here already. Make the account that it belongs to from now on."
          : "First your name and a password; then your class. Two minutes, and the first letter can be written."
      }
    >
      <AccountForm
        isNew
        does="Go on"
        error={first.error}
        busy={first.isPending}
        onSend={first.begin}
      />
      <p className="max-w-md text-sm text-soft">
        Names and letters stay on this machine. Nobody else can see them without this password.
      </p>
    </DoorPage>
  );
}
