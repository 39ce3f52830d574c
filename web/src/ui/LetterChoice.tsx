/** All letters of the hand, drawn as they are taught, to choose one; it keeps to the station. */
import { Popover, ToggleGroup } from "radix-ui";
import { useDeferredValue, useState } from "react";
import { useNavigate } from "react-router";

import type { LetterGroup } from "../api/schema";
import { useAlphabet } from "../api/queries";
import { Choice } from "./Choice";
import { SmallLetter } from "./SmallLetter";
import { Failed } from "./states";
import { useNarrow } from "./useNarrow";
import { useShortcuts } from "./useShortcuts";

const GROUP_NAMES: Record<string, [string, string]> = {
  small: ["abc", "Small letters"],
  capital: ["ABC", "Capitals"],
  digit: ["123", "Digits"],
  mark: [".?!", "Marks"],
};

/** The tray laid open, beside a board. */
export function LetterTray({ station, letter }: { station: string; letter: string }) {
  // Its many small drawings wait until the board beside it stands.
  const asked = useAlphabet();
  const alphabet = useDeferredValue(asked.data, undefined);
  return (
    <div className="flex w-[11.5rem] shrink-0 flex-col gap-2">
      <Failed of={[asked]} />
      {alphabet ? (
        <Tray key={letter} alphabet={alphabet} station={station} letter={letter} columns={3} />
      ) : null}
    </div>
  );
}

/** The tray behind a button that shows the letter. */
export function LetterButton({ station, letter }: { station: string; letter: string }) {
  const asked = useAlphabet();
  const alphabet = asked.data ?? [];
  const [open, setOpen] = useState(false);
  const narrow = useNarrow();
  useShortcuts({
    l: () => {
      setOpen(true);
    },
  });
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        aria-label={`Another letter, now ${letter}`}
        aria-keyshortcuts="l"
        className="inline-flex min-h-11 items-center gap-3 rounded-md border-2 border-crease bg-leaf px-3 font-medium hover:border-rule-deep data-[state=open]:border-ink"
      >
        <SmallLetter letter={letter} className="h-12" />
        Another letter
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={6}
          className="flex max-h-[80dvh] max-w-[calc(100vw-1rem)] flex-col gap-2 overflow-auto rounded-lg border-2 border-ink bg-paper p-3 shadow-lg"
        >
          <Failed of={[asked]} />
          <Tray
            alphabet={alphabet}
            station={station}
            letter={letter}
            columns={narrow ? 5 : 9}
            onChosen={() => {
              setOpen(false);
            }}
          />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Tray({
  alphabet,
  station,
  letter,
  columns,
  onChosen,
}: {
  alphabet: LetterGroup[];
  station: string;
  letter: string;
  columns: number;
  onChosen?: () => void;
}) {
  const navigate = useNavigate();
  const own = alphabet.find(({ letters }) => letters.some((one) => one.letter === letter));
  const [shown, setShown] = useState(own?.group ?? "small");
  const letters = alphabet.find(({ group }) => group === shown)?.letters ?? [];
  return (
    <>
      <Choice
        label="Kind of letter"
        small
        value={shown}
        onChange={setShown}
        options={alphabet.map(({ group }) => ({
          value: group,
          label: GROUP_NAMES[group]?.[0] ?? group,
          name: GROUP_NAMES[group]?.[1] ?? group,
        }))}
      />
      <ToggleGroup.Root
        type="single"
        value={letter}
        onValueChange={(chosen) => {
          onChosen?.();
          if (chosen) void navigate(`/${station}/${encodeURIComponent(chosen)}`);
        }}
        aria-label="Letter"
        className="grid gap-1"
        style={{ gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))` }}
      >
        {letters.map((one) => (
          <ToggleGroup.Item
            key={one.letter}
            value={one.letter}
            aria-label={one.letter}
            className="flex h-14 min-w-12 items-center justify-center overflow-hidden rounded-md border-2 border-crease bg-leaf hover:border-rule-deep data-[state=on]:border-ink data-[state=on]:bg-rule-wash"
          >
            <SmallLetter letter={one.letter} className="h-12" />
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
    </>
  );
}
