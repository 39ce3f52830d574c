/** Where the numbers of a letter's moves stand: beside their move, clear of ink and each other. */
import type { Point } from "../api/client";
import { distance, headingAt } from "./geometry";

export interface NumberPlace {
  at: Point;
  /** The way the pen travels there, y up. */
  deg: number;
}

/** u from the number to its arrow. */
export const ARROW = 0.16;
/** u beside the path, and how clear of everything else is clear enough for number and arrow. */
const BESIDE = 0.2;
const CLEAR = 0.17;
/** Shares of the move's length that are tried, the middle first. */
const SHARES = [0.5, 0.4, 0.6, 0.3, 0.7, 0.2, 0.8];

/**
 * One place a move. The left of the pen's way is tried first, so that going back up along a stem
 * is numbered on its other side than going down.
 */
export function numberPlaces(moves: readonly (readonly Point[])[]): NumberPlace[] {
  const taken: Point[] = moves.flatMap(densely);
  return moves.map((points) => {
    const tried = [90, -90].flatMap((side) => SHARES.map((share) => beside(points, share, side)));
    const room = (place: NumberPlace) =>
      Math.min(...taken.flatMap((ink) => marks(place).map((mark) => distance(mark, ink))));
    const place =
      tried.find((one) => room(one) >= CLEAR) ??
      tried.reduce((a, b) => (room(b) > room(a) ? b : a));
    taken.push(...marks(place));
    return place;
  });
}

/** Where the number stands, and the arrow before it. */
function marks({ at, deg }: NumberPlace): Point[] {
  const ahead = (deg * Math.PI) / 180;
  return [at, [at[0] + ARROW * Math.cos(ahead), at[1] + ARROW * Math.sin(ahead)]];
}

function beside(points: readonly Point[], share: number, side: number): NumberPlace {
  const { at, deg } = headingAt(points, share);
  const away = ((deg + side) * Math.PI) / 180;
  return { at: [at[0] + BESIDE * Math.cos(away), at[1] + BESIDE * Math.sin(away)], deg };
}

/** Straight moves have two points only; ink is in between them too. */
function densely(points: readonly Point[]): Point[] {
  return Array.from({ length: 21 }, (_, at) => headingAt(points, at / 20).at);
}
