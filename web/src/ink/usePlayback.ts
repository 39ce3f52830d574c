/** A clock for playing a timeline: it runs, stops, jumps, and stops by itself at the end. */
import { useCallback, useEffect, useState } from "react";

export interface Playback {
  time_s: number;
  playing: boolean;
  play: () => void;
  /** Plays on to a moment and stands still there. */
  playTo: (until_s: number) => void;
  replay: () => void;
  pause: () => void;
  jump: (time_s: number) => void;
}

const wantsStillness = () => window.matchMedia("(prefers-reduced-motion: reduce)").matches;

/** Begins at the end (all drawn), unless it is told to play at once or to begin with nothing. */
export function usePlayback(
  total_s: number,
  { playAtOnce = false, fromNothing = false } = {},
): Playback {
  const [time_s, setTime] = useState(() =>
    (playAtOnce || fromNothing) && !wantsStillness() ? 0 : total_s,
  );
  const [playing, setPlaying] = useState(() => playAtOnce && !wantsStillness());
  const [until, setUntil] = useState(Infinity);
  const end = Math.min(total_s, until);

  useEffect(() => {
    if (!playing) return;
    let before: number | undefined;
    let frame = requestAnimationFrame(function tick(now) {
      const passed = before === undefined ? 0 : (now - before) / 1000;
      before = now;
      setTime((time) => Math.min(end, time + passed));
      frame = requestAnimationFrame(tick);
    });
    return () => {
      cancelAnimationFrame(frame);
    };
  }, [playing, end]);

  if (playing && time_s >= end) setPlaying(false);

  const jump = useCallback((to: number) => {
    setPlaying(false);
    setTime(to);
  }, []);
  const pause = useCallback(() => {
    setPlaying(false);
  }, []);
  const replay = useCallback(() => {
    setUntil(Infinity);
    setTime(0);
    setPlaying(true);
  }, []);
  const playTo = useCallback((moment: number) => {
    setUntil(moment);
    setPlaying(true);
  }, []);
  const play = useCallback(() => {
    setUntil(Infinity);
    setTime((time) => (time >= total_s ? 0 : time));
    setPlaying(true);
  }, [total_s]);
  return { time_s, playing, play, playTo, replay, pause, jump };
}
