/** A board in its lesson: where it stands, how that is shown, what it hears from the teacher's screen
 * and the keys. */
import { type RefObject, useEffect, useState } from "react";

import type { LessonOut as Lesson, Showing } from "../../api/schema";
import { useShortcuts } from "../../ui/useShortcuts";
import { goOnWithin } from "../onwards";
import { useLessonChannel } from "./channel";
import { showingAfter } from "./showings";
import { usePlace } from "./usePlace";

export function useBoard(lesson: Lesson, board: RefObject<HTMLElement | null>) {
  const place = usePlace(lesson, goOnWithin);
  const { at, stop, turn } = place;
  // Every step begins by showing; a way that was chosen is that stop's own.
  const [chosen, setChosen] = useState<{ at: number; showing: Showing } | null>(null);
  const showing = chosen?.at === at ? chosen.showing : "shown";
  const [covered, setCovered] = useState<string | null>(null);
  const say = useLessonChannel(lesson.id, (said, answer) => {
    if (said.from !== "teacher") return;
    if (said.ask === "where") answer({ from: "board", at, covered });
    if (said.ask === "next") turn(1);
    if (said.ask === "back") turn(-1);
    if (said.ask === "onwards") goOnWithin();
  });
  useEffect(() => {
    say({ from: "board", at, covered });
  }, [say, at, covered]);
  const toMyScreen = () => {
    window.open(
      `/show/lesson/${String(lesson.id)}/mine`,
      "first-loop-mine",
      "width=560,height=760",
    );
  };
  const toggleFull = () => {
    if (document.fullscreenElement) void document.exitFullscreen();
    else void board.current?.requestFullscreen();
  };
  useShortcuts({
    PageDown: () => {
      turn(1);
    },
    PageUp: () => {
      turn(-1);
    },
    f: toggleFull,
    t: toMyScreen,
    ...(stop && stop.showings.length > 1
      ? {
          m: () => {
            setChosen({ at, showing: showingAfter(stop.showings, showing) });
          },
        }
      : {}),
  });
  const show = (one: Showing) => {
    setChosen({ at, showing: one });
  };
  return { ...place, showing, show, cover: setCovered, toMyScreen, toggleFull };
}
