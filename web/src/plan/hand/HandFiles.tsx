/** The school's hands as files: one to save, one to bring along, one to forget. */
import { addressOf } from "../../api/client";
import { useBringHand, useForgetHand } from "../../api/queries";
import { Button } from "../../ui/Button";
import { BringFile, SaveFile } from "../../ui/FileButtons";
import { ProblemNote } from "../../ui/states";

export function HandFiles({
  hand,
  own,
  inUse,
  onChosen,
}: {
  hand: string;
  own: boolean;
  inUse: boolean;
  onChosen: (hand: string) => void;
}) {
  const bring = useBringHand();
  const forget = useForgetHand();
  return (
    <div className="flex flex-wrap gap-2">
      <SaveFile
        href={addressOf("/api/plan/files/hand/{name}", { path: { name: hand } })}
        name={`${hand}.hand.json`}
        label="Save this hand"
      />
      <BringFile
        label="Bring a hand"
        onText={(text) => {
          bring.mutate(
            { body: { text } },
            {
              onSuccess: ({ key }) => {
                onChosen(key);
              },
            },
          );
        }}
      />
      {own && !inUse ? (
        <Button
          look="quiet"
          onClick={() => {
            forget.mutate({ params: { path: { name: hand } } });
            onChosen("plain");
          }}
        >
          Forget it
        </Button>
      ) : null}
      {bring.error ? <ProblemNote error={bring.error} /> : null}
      {forget.error ? <ProblemNote error={forget.error} /> : null}
    </div>
  );
}
