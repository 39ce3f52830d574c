/** A picture tile, chosen from all; those that others have cannot be. */
import { Popover } from "radix-ui";

import { useTiles } from "../api/rosterQueries";
import { Button } from "./Button";
import { Failed } from "./states";
import { Tile } from "./Tile";

export function TilePick({
  label,
  value,
  owners,
  onChoose,
}: {
  label: string;
  value: string | null;
  /** Whose each tile is that somebody else has. */
  owners: ReadonlyMap<string | null, string>;
  onChoose: (tile: string | null) => void;
}) {
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label={value ? `${label}: ${value}` : label}
        className="inline-flex size-10 shrink-0 items-center justify-center rounded-md border-2 border-dashed border-crease hover:border-rule-deep data-[picture=true]:border-transparent data-[state=open]:border-ink"
        data-picture={value !== null}
      >
        {value ? <Tile name={value} className="size-9" /> : null}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          collisionPadding={8}
          className="z-20 max-h-[var(--radix-popover-content-available-height)] w-[34rem] max-w-[94vw] overflow-auto rounded-lg border-2 border-ink bg-paper p-3 shadow-lg"
        >
          <div
            className="grid grid-cols-[repeat(auto-fill,minmax(3rem,1fr))] gap-1"
            role="group"
            aria-label={label}
          >
            <Tiles value={value} owners={owners} onChoose={onChoose} />
          </div>
          {value ? (
            <Button
              look="quiet"
              onClick={() => {
                onChoose(null);
              }}
            >
              No picture
            </Button>
          ) : null}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Tiles({
  value,
  owners,
  onChoose,
}: {
  value: string | null;
  owners: ReadonlyMap<string | null, string>;
  onChoose: (tile: string) => void;
}) {
  const asked = useTiles();
  if (asked.isError) return <Failed of={[asked]} />;
  return (asked.data ?? []).map((tile) => {
    const owner = owners.get(tile);
    return (
      <Popover.Close
        key={tile}
        aria-label={owner === undefined ? tile : `${tile}, ${owner} has it`}
        aria-pressed={tile === value}
        title={owner === undefined ? tile : `${owner} has it`}
        disabled={owner !== undefined}
        onClick={() => {
          onChoose(tile);
        }}
        className="inline-flex items-center justify-center rounded-md border-2 border-transparent p-1 hover:border-rule-deep disabled:opacity-25 aria-pressed:border-ink"
      >
        <Tile name={tile} className="size-9" />
      </Popover.Close>
    );
  });
}
