/** A child's picture: chosen from all that no other child has. */
import { Popover } from "radix-ui";

import { useSetTile, useTiles } from "../../api/rosterQueries";
import type { PupilOut as Pupil } from "../../api/schema";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/states";
import { Tile } from "../../ui/Tile";

export function TilePick({ pupil, taken }: { pupil: Pupil; taken: readonly Pupil[] }) {
  const { id, name, tile } = pupil;
  const set = useSetTile();
  const choose = (chosen: string | null) => {
    set.mutate({ params: { path: { pupil_id: id } }, body: { tile: chosen } });
  };
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label={`Picture of ${name}${tile ? `: ${tile}` : ""}`}
        className="inline-flex size-10 shrink-0 items-center justify-center rounded-md border-2 border-dashed border-crease hover:border-rule-deep data-[picture=true]:border-transparent data-[state=open]:border-ink"
        data-picture={tile !== null}
      >
        {tile ? <Tile name={tile} className="size-9" /> : null}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          className="z-20 w-[34rem] max-w-[94vw] rounded-lg border-2 border-ink bg-paper p-3 shadow-lg"
        >
          <Grid pupil={pupil} taken={taken} onChoose={choose} />
          {tile ? (
            <Button
              look="quiet"
              onClick={() => {
                choose(null);
              }}
            >
              No picture
            </Button>
          ) : null}
          {set.error ? <ProblemNote error={set.error} /> : null}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Grid({
  pupil,
  taken,
  onChoose,
}: {
  pupil: Pupil;
  taken: readonly Pupil[];
  onChoose: (tile: string) => void;
}) {
  const tiles = useTiles().data ?? [];
  const owners = new Map(taken.map((one) => [one.tile, one]));
  return (
    <div
      className="grid grid-cols-[repeat(auto-fill,minmax(3rem,1fr))] gap-1"
      role="group"
      aria-label={`A picture for ${pupil.name}`}
    >
      {tiles.map((tile) => {
        const owner = owners.get(tile);
        const isOthers = owner !== undefined && owner.id !== pupil.id;
        return (
          <Popover.Close
            key={tile}
            aria-label={isOthers ? `${tile}, ${owner.name} has it` : tile}
            aria-pressed={tile === pupil.tile}
            title={isOthers ? `${owner.name} has it` : tile}
            disabled={isOthers}
            onClick={() => {
              onChoose(tile);
            }}
            className="inline-flex items-center justify-center rounded-md border-2 border-transparent p-1 hover:border-rule-deep disabled:opacity-25 aria-pressed:border-ink"
          >
            <Tile name={tile} className="size-9" />
          </Popover.Close>
        );
      })}
    </div>
  );
}
