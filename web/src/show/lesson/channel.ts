/**
 * Between the board's window and the teacher's own: the board tells where it is and what it keeps
 * covered, the teacher sends it on. Both are windows of one browser; nothing leaves the machine.
 */
import { useCallback, useEffect, useRef } from "react";

/** Where the board is, and what it has covered: a word to be heard first, a letter from memory. */
export interface OnBoard {
  at: number;
  covered: string | null;
}

export type Said =
  ({ from: "board" } & OnBoard) | { from: "teacher"; ask: "where" | "back" | "next" | "onwards" };

type Say = (said: Said) => void;

/** Listens for the other window, to which it may answer; gives what tells it something. */
export function useLessonChannel(lesson: number, onSaid: (said: Said, answer: Say) => void): Say {
  const latest = useRef(onSaid);
  const channel = useRef<BroadcastChannel>(null);
  useEffect(() => {
    latest.current = onSaid;
  });
  useEffect(() => {
    const opened = new BroadcastChannel(`first-loop-lesson-${String(lesson)}`);
    opened.onmessage = ({ data }: MessageEvent<Said>) => {
      latest.current(data, (said) => {
        opened.postMessage(said);
      });
    };
    channel.current = opened;
    return () => {
      channel.current = null;
      opened.close();
    };
  }, [lesson]);
  return useCallback((said: Said) => {
    channel.current?.postMessage(said);
  }, []);
}
