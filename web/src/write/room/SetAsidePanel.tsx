/** What pads were refused for good and still hold: the ink is there, its teacher lets it go. */
import { useLetGo } from "../../api/roomQueries";
import type { SetAsideOut } from "../../api/schema";
import { ConfirmButton } from "../../ui/ConfirmButton";
import { ProblemNote } from "../../ui/states";

export function SetAsidePanel({ setAside }: { setAside: readonly SetAsideOut[] }) {
  const letGo = useLetGo();
  return (
    <section aria-label="Set aside on pads" className="flex flex-col gap-2">
      <h2 className="font-bold">Set aside on pads</h2>
      <p className="text-sm text-soft">
        Not taken into the record. The ink lies on its pad for a week, or until you let it go.
      </p>
      <ul className="flex flex-col gap-1.5">
        {setAside.map(({ id, who, target, why }) => (
          <li key={id} className="flex items-center gap-2 border-t border-rule pt-1.5">
            <p className="flex-1 text-sm">
              <span className="font-medium">
                {who.name}
                {target === "" ? "" : `, ${target}`}
              </span>
              <span className="block text-soft">{why}</span>
            </p>
            <ConfirmButton
              label="Let it go"
              question="It is wiped from the pad when that asks the next time, and is nowhere else."
              yes="Wipe it"
              onYes={() => {
                letGo.mutate({ params: { path: { sent_as: id } } });
              }}
            />
          </li>
        ))}
      </ul>
      {letGo.isError ? <ProblemNote error={letGo.error} /> : null}
    </section>
  );
}
