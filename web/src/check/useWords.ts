/** Saying words on what lies on the table: agreed, otherwise, many at once, and undone. */
import { useRef, useState } from "react";

import type { JudgementIn, SaidIn } from "../api/schema";
import { aboutOf, type Key, keyOfThing, type Thing, useSay } from "../api/tableQueries";
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

const AT_ONCE = 100;

const judgementOf = (thing: Thing) =>
  thing.kind === "text" ? thing.text.judgement : thing.attempt.judgement;

export function useWords(piles: readonly Pile[], desk: Desk, act: (step: Step) => void): Words {
  const saying = useSay();
  const [told, setTold] = useState("");
  const cards = inOrder(piles);
  const onTheWay = useRef(new Map<Key, JudgementIn>());

  const wordOn: Words["wordOn"] = (thing) =>
    onTheWay.current.get(keyOfThing(thing)) ?? wordOf(judgementOf(thing));

  const say: Words["say"] = (thing, word, what, goOn = false) => {
    const key = keyOfThing(thing);
    const before = judgementOf(thing);
    const undo = {
      said: what,
      words: [wordAgain(key, before)],
      many: before?.how === "many",
      at: key,
    };
    if (word) onTheWay.current.set(key, word);
    else onTheWay.current.delete(key);
    const arrived = () => {
      if (onTheWay.current.get(key) === word) onTheWay.current.delete(key);
    };
    saying.mutate({ words: [{ ...aboutOf(key), said: word }] }, { onSettled: arrived });
    act({ do: "said", undo, next: goOn ? nextOpen(cards, key, [key]) : key });
    setTold(what);
  };

  const agreeToPile = (pile: Pile) => {
    const keys = agreedWith(pile, desk.out).slice(0, AT_ONCE);
    if (keys.length === 0) return;
    const words: SaidIn[] = keys.map((key) => ({ ...aboutOf(key), said: PLAIN }));
    saying.mutate({ words, many: keys.length > 1 });
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
    saying.mutate({ words: [...last.words], many: last.many });
    act({ do: "undone" });
    setTold(`Undone: ${last.said}`);
  };

  return { wordOn, say, agreeToPile, undo, told, error: saying.error };
}
