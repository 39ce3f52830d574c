/** The five stations in the order the work goes round. */
export const STATIONS = [
  { key: "plan", name: "Plan", aboutLetter: false, takesTexts: false },
  { key: "show", name: "Show", aboutLetter: true, takesTexts: false },
  { key: "write", name: "Write", aboutLetter: false, takesTexts: false },
  { key: "check", name: "Check", aboutLetter: true, takesTexts: true },
  { key: "grow", name: "Grow", aboutLetter: false, takesTexts: false },
] as const;

export type Station = (typeof STATIONS)[number];

/** In place of a letter: what is longer than one is worked on. */
export const TEXT = "text";

/** Where a station is; one about a letter keeps the letter that is being worked on. */
export function pathTo(station: Station, letter: string | undefined): string {
  const keeps = letter === TEXT ? station.takesTexts : station.aboutLetter;
  return keeps && letter ? `/${station.key}/${letter}` : `/${station.key}`;
}

/** What stands in an address where a letter could, and is none. */
const DESKS: Record<string, readonly string[]> = {
  write: ["tally"],
  check: ["trust", "blind", "paper"],
};

/** One pad at a desk is about a letter too, although the station itself is about the class. */
function about(station: string): boolean {
  return (
    station === "write" || STATIONS.some(({ key, aboutLetter }) => key === station && aboutLetter)
  );
}

/** The station and the letter of a place; a lesson on the board is not about one letter. */
export function placeOf(pathname: string): { station: string; letter: string | undefined } {
  const [, station = "", ...rest] = pathname.split("/");
  const letter =
    station === "plan" && rest[0] === "letters"
      ? rest[1]
      : about(station) && rest.length === 1
        ? rest[0]
        : undefined;
  const isDesk = DESKS[station]?.includes(letter ?? "") ?? false;
  return { station, letter: letter && !isDesk ? decodeURIComponent(letter) : undefined };
}
