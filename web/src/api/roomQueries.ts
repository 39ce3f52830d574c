/** The room while a class writes: what is asked once, and what is told from then on. */
import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { v4 as uuid } from "uuid";

import { followTheOpenClass } from "./classShown";
import { $api, exact } from "./client";
import { hear } from "./live";
import type { OpenLessonOut, RoomOut, SlipSeen } from "./schema";

/** Where a lesson is, and which screen went there. */
type Place = Pick<OpenLessonOut, "lesson" | "step" | "part"> & { by: string | null };

/** The class is another than it was; or, no longer open, another class is. */
interface ClassTold {
  open: boolean;
}

/** This screen, as it says what it did itself. */
export const THIS_SCREEN = uuid();

const roomQuery = $api.queryOptions("get", "/api/write/room");
const padsQuery = $api.queryOptions("get", "/api/write/pads");

/** Who is silent, who is stuck: that changes although nothing happens. */
const LOOKED_AT_EVERY_MS = 15_000;

/** However much happens, it is not asked more often. */
const AT_MOST_EVERY_MS = 400;

export function useRoom() {
  return $api.useQuery(
    "get",
    "/api/write/room",
    {},
    { select: exact<RoomOut>, refetchInterval: LOOKED_AT_EVERY_MS },
  );
}

/** What the teacher may ask herself about a child's hand. */
export function useHand(lesson: number | null, pupil: number) {
  return $api.useQuery(
    "get",
    "/api/write/room/{lesson_id}/{pupil_id}",
    { params: { path: { lesson_id: lesson ?? 0, pupil_id: pupil } } },
    { enabled: lesson !== null, refetchInterval: LOOKED_AT_EVERY_MS },
  );
}

export function usePads() {
  return $api.useQuery("get", "/api/write/pads", {}, { refetchInterval: LOOKED_AT_EVERY_MS });
}

export interface LiveNews {
  onPlace?: (place: Place) => void;
  onOnwards?: (place: Place) => void;
}

/** Hears what happens, and has the room looked at anew; a browser comes back after a gap itself. */
export function useLive({ onPlace, onOnwards }: LiveNews = {}) {
  const queries = useQueryClient();
  const latest = useRef({ onPlace, onOnwards });
  useEffect(() => {
    latest.current = { onPlace, onOnwards };
  });
  useEffect(() => {
    let due: ReturnType<typeof setTimeout> | undefined;
    const look = () => {
      due ??= setTimeout(() => {
        due = undefined;
        void queries.invalidateQueries({ queryKey: roomQuery.queryKey });
        void queries.invalidateQueries({ queryKey: padsQuery.queryKey });
      }, AT_MOST_EVERY_MS);
    };
    const placed = (data: string) => JSON.parse(data) as Place;
    const deaf = hear(["attempt", "pad", "tally", "best", "place", "onwards"], (kind, data) => {
      if (kind === "onwards") {
        latest.current.onOnwards?.(placed(data));
        return;
      }
      look();
      if (kind !== "place") return;
      const place = placed(data);
      if (place.by !== THIS_SCREEN) latest.current.onPlace?.(place);
    });
    return () => {
      clearTimeout(due);
      deaf();
    };
  }, [queries]);
}

/**
 * Every screen of the teacher shows the class as it is: when it has changed elsewhere all is asked
 * anew, and when another is open the page begins anew. A page that nobody sees does not listen, for
 * a browser holds few lines to one server; it asks anew when it is looked at again.
 */
export function useFollowClass() {
  const queries = useQueryClient();
  useEffect(() => {
    let deaf: (() => void) | null = null;
    const follow = () => {
      if (document.hidden) {
        deaf?.();
        deaf = null;
        return;
      }
      deaf ??= hear(["class"], (_, data) => {
        const { open } = JSON.parse(data) as ClassTold;
        if (open) void queries.invalidateQueries();
        else followTheOpenClass(queries);
      });
    };
    const seenAgain = () => {
      if (!document.hidden && !deaf) void queries.invalidateQueries();
      follow();
    };
    follow();
    document.addEventListener("visibilitychange", seenAgain);
    return () => {
      document.removeEventListener("visibilitychange", seenAgain);
      deaf?.();
    };
  }, [queries]);
}

/** Whatever opens, ends or changes who is in. */
function useRoomChanged() {
  const queries = useQueryClient();
  return {
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: roomQuery.queryKey }),
        queries.invalidateQueries({ queryKey: padsQuery.queryKey }),
        queries.invalidateQueries({ queryKey: ["get", "/api/plan/today"] }),
      ]),
  };
}

export const useOpenLesson = () =>
  $api.useMutation("post", "/api/write/lesson-code", useRoomChanged());
export const useEndLesson = () =>
  $api.useMutation("delete", "/api/write/lesson-code", useRoomChanged());
export const useNod = () => $api.useMutation("post", "/api/write/nod", useRoomChanged());
export const useFreeTile = () =>
  $api.useMutation("post", "/api/write/pads/{pad}/free", useRoomChanged());
export const useForgetPads = () => $api.useMutation("delete", "/api/write/pads", useRoomChanged());
export const usePutOut = () =>
  $api.useMutation("delete", "/api/write/pads/{pad}", useRoomChanged());
export const useLetGo = () =>
  $api.useMutation("delete", "/api/write/set-aside/{sent_as}", useRoomChanged());
export const useCall = () => $api.useMutation("post", "/api/write/call");
export const useOnwards = () => $api.useMutation("post", "/api/show/lessons/{lesson_id}/onwards");

export function useTallyChoices(letter: string) {
  return $api.useQuery(
    "get",
    "/api/write/tally",
    { params: { query: { letter } } },
    { select: exact<SlipSeen[]> },
  );
}

function useTallied() {
  const queries = useQueryClient();
  return {
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: ["get", "/api/check/table"] }),
        queries.invalidateQueries({ queryKey: ["get", "/api/grow/map"] }),
      ]),
  };
}

export const useTally = () => $api.useMutation("post", "/api/write/tally", useTallied());
export const useTakeTallyBack = () =>
  $api.useMutation("delete", "/api/write/attempts/{attempt_id}", useTallied());
