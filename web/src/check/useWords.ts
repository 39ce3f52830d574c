/** Saying words on what lies on the table: agreed, otherwise, many at once, and undone. */
import { useRef, useState } from "react";

import type { JudgementIn, SaidIn } from "../api/schema";
import { useClassroom } from "../api/queries";
import { aboutOf, type Key, keyOf, keyOfThing, type Thing, useSay } from "../api/tableQueries";
import {
  type Desk,
  type Pile,
  agreedWith,
  inOrder,
  nextOpen,
  PLAIN,
  type Step,
  wordAgain,
  wordOf,
} from "./desk";

export interface Words {
  /** Her word on something as it will stand: what is still on its way counts already. */
  wordOn: (thing: Thing) => JudgementIn;
  /** Says something of what is taken up; and goes on to the next that waits. */
  say: (thing: Thing, word: JudgementIn | null, told: string, goOn?: boolean) => void;
  agreeToPile: (pile: Pile) => void;
  undo: () => void;
  /** What was done last, to be read out. */
  told: string;
  error: unknown;
}

const judgementOf = (thing: Thing) =>
  thing.kind === "text" ? thing.text.judgement : thing.attempt.judgement;

export function useWords(piles: readonly Pile[], desk: Desk, act: (step: Step) => void): Words {
  const saying = useSay();
  const [told, setTold] = useState("");
  const [failure, setFailure] = useState<{ at: number; error: unknown }>();
  const sent = useRef(0);
  const onTheWay = useRef(new Map<Key, JudgementIn>());
  const cards = inOrder(piles);
  const helps = useClassroom().data?.helps ?? false;

  const wordOn: Words["wordOn"] = (thing) =>
    onTheWay.current.get(keyOfThing(thing)) ?? wordOf(judgementOf(thing));

  const send = (words: readonly SaidIn[], many: boolean) => {
    const at = ++sent.current;
    const mine = words.map((word) => [keyOf(word), word.said ?? PLAIN] as const);
    for (const [key, word] of mine) onTheWay.current.set(key, word);
    saying
      .mutateAsync({ words: [...words], many })
      .then(() => {
        // What failed is said until something that was said after it has come through.
        setFailure((before) => (before && before.at < at ? undefined : before));
      })
      .catch((error: unknown) => {
        setFailure({ at: sent.current, error });
      })
      .finally(() => {
        for (const [key, word] of mine) {
          if (onTheWay.current.get(key) === word) onTheWay.current.delete(key);
        }
      });
  };

  const say: Words["say"] = (thing, word, what, goOn = false) => {
    if (helps) return;
    const key = keyOfThing(thing);
    const before = judgementOf(thing);
    const words = [wordAgain(key, before)];
    send([{ ...aboutOf(key), said: word }], false);
    act({
      do: "said",
      undo: { said: what, words, many: before?.how === "many", at: key },
      next: goOn ? nextOpen(cards, key, [key]) : key,
    });
    setTold(what);
  };

  const agreeToPile = (pile: Pile) => {
    const keys = agreedWith(pile, desk.out);
    if (helps || keys.length === 0) return;
    const words = keys.map((key) => ({ ...aboutOf(key), said: PLAIN }));
    send(words, keys.length > 1);
    const what = `Agreed to ${keys.length} of “${pile.name}”.`;
    const back = keys.map((key) => wordAgain(key, null));
    const at = desk.current;
    act({
      do: "said",
      undo: { said: what, words: back, many: false, at },
      next: nextOpen(cards, at, keys),
    });
    setTold(what);
  };

  const undo = () => {
    const last = desk.undo.at(-1);
    if (!last) return;
    send(last.words, last.many);
    act({ do: "undone" });
    setTold(`Undone: ${last.said}`);
  };

  return { wordOn, say, agreeToPile, undo, told, error: failure?.error };
}
