/** What is on the pad of a text: handed in as a whole, taken back again, by button or key. */
import { useState } from "react";

import { exact } from "../api/client";
import { useDelivery } from "../api/delivery";
import type { InkStroke, TextIn, TextOut } from "../api/schema";
import { useHandInText, useTakeBackText } from "../api/textQueries";
import type { usePad } from "../ink/usePad";
import { useShortcuts } from "../ui/useShortcuts";

interface Props {
  pad: Pick<ReturnType<typeof usePad>, "strokes" | "wiped" | "set">;
  asked: Pick<TextIn, "kind" | "target" | "help"> & { pupil_id: number | undefined };
  /** The strokes as they are sent. */
  inkOf: (strokes: InkStroke[]) => InkStroke[];
}

export function useTextHandIn({ pad, asked, inkOf }: Props) {
  const [handedIn, setHandedIn] = useState<TextOut | null>(null);
  const handIn = useHandInText();
  const takeBack = useTakeBackText();
  const delivery = useDelivery();
  const forget = () => {
    setHandedIn(null);
  };
  const { pupil_id } = asked;
  const written = pad.strokes.length > 0;
  const busy = handIn.isPending || takeBack.isPending;
  const give = () => {
    if (pupil_id === undefined || !written || busy || asked.target === "") return;
    handIn.mutate(
      { body: delivery.of({ ...asked, pupil_id, strokes: inkOf(pad.strokes) }) },
      {
        onSuccess: (text) => {
          delivery.arrived();
          setHandedIn(exact<TextOut>(text));
          pad.set([]);
        },
      },
    );
  };
  const undo = () => {
    if (busy) return;
    if (written) pad.set(pad.strokes.slice(0, -1));
    else if (handedIn) {
      takeBack.mutate(
        { params: { path: { text_id: handedIn.id } } },
        {
          onSuccess: () => {
            forget();
            pad.set(pad.wiped);
          },
        },
      );
    }
  };
  useShortcuts({ Enter: give, z: undo });
  return {
    handedIn,
    forget,
    can: {
      undo: !busy && (written || handedIn !== null),
      handIn: written && !busy && pupil_id !== undefined && asked.target !== "",
    },
    give,
    undo,
    problem: handIn.error ?? takeBack.error,
  };
}
