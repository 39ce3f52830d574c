/** The pads: how they come in, and that they can be forgotten. */
import { useForgetPads } from "../api/roomQueries";
import { ConfirmButton } from "../ui/ConfirmButton";
import { ProblemNote } from "../ui/states";

export function PadsPart() {
  const forget = useForgetPads();
  return (
    <>
      <p>
        Pads come in by the square or the two words on the board; a pad that was in a lesson before
        asks, and you nod. What they do in your own way stands in Our ways.
      </p>
      <p className="flex flex-wrap items-center gap-3">
        <ConfirmButton
          label="Forget all pads"
          question="Each pad comes in by the code again, and who sat at which is forgotten. What was written stays; what a pad has not handed in yet cannot be taken any more."
          yes="Forget them"
          onYes={() => {
            forget.mutate({});
          }}
        />
        {forget.isSuccess ? <span role="status">They are forgotten.</span> : null}
      </p>
      {forget.error ? <ProblemNote error={forget.error} /> : null}
    </>
  );
}
