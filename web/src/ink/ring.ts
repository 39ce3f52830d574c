/** A ring as a pencil draws it: it goes past where it began. */
export function ringOf(cx: number, cy: number, rx: number, ry: number): string {
  const places = Array.from({ length: 40 }, (_, at) => {
    const turn = (at / 36) * 2 * Math.PI - 1.1;
    const grown = 1 + at / 500;
    return [cx + rx * grown * Math.cos(turn), -cy + ry * grown * Math.sin(turn)] as const;
  });
  return places.map(([x, y], at) => `${at ? "L" : "M"}${x.toFixed(3)} ${y.toFixed(3)}`).join("");
}
