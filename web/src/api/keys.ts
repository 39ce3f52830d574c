/** By what the cache knows each resource. The first part is what goes stale together. */
import type { StepKind, Style } from "./client";

export const keys = {
  classroom: ["classroom"] as const,
  style: ["style"] as const,
  preview: (style: Style, words: string[]) => ["preview", style, words] as const,
  alphabet: ["alphabet"] as const,
  letter: (letter: string) => ["letter", letter] as const,
  letterPage: (letter: string) => ["letter page", letter] as const,
  schemes: ["schemes"] as const,
  scheme: (key: string) => ["scheme", key] as const,
  attempts: (letter: string) => ["attempts", letter] as const,
  today: ["today"] as const,
  text: (text: string, otherHand: boolean) => ["letter", "text", text, otherHand] as const,
  picker: (part: string, untaught: number) => ["words", "picker", part, untaught] as const,
  sentences: (part: string) => ["words", "sentences", part] as const,
  chain: (start: string, end: string, length: number, allLetters: boolean) =>
    ["words", "chain", start, end, length, allLetters] as const,
  missingPairs: (allLetters: boolean) => ["words", "missing pairs", allLetters] as const,
  ownWords: ["words", "own"] as const,
  written: (lesson: number, kind: StepKind) => ["written", lesson, kind] as const,
  grow: ["grow"] as const,
};
