/** Small pictures to write about: our own, drawn with a pen as everything here is. */

const DRAWN: Record<string, { says: string; paths: string[] }> = {
  boat: {
    says: "a boat on the water",
    paths: [
      "M14 44H66L58 56H22Z",
      "M40 44V10",
      "M40 12C52 18 58 28 60 38H40",
      "M36 18C28 24 24 30 22 38H36",
      "M6 62C12 58 18 58 24 62S36 66 42 62 54 58 60 62 70 66 76 62",
    ],
  },
  house: {
    says: "a house with a smoking chimney",
    paths: [
      "M16 34V62H64V34",
      "M10 38L40 14 70 38",
      "M36 62V46H46V62",
      "M22 42H30V50H22Z",
      "M52 42H60V50H52Z",
      "M54 24V14H60V29",
      "M57 10C60 8 55 6 58 3",
    ],
  },
  tree: {
    says: "a tree with apples",
    paths: [
      "M36 64C37 54 37 48 36 42M46 64C45 54 45 48 46 42",
      "M40 42C26 46 18 38 22 30 14 24 20 12 30 14 34 4 50 4 54 14 64 14 68 26 60 32 64 40 52 46 40 42",
      "M31 26A2.5 2.5 0 1 0 31.1 26M46 22A2.5 2.5 0 1 0 46.1 22M50 34A2.5 2.5 0 1 0 50.1 34",
      "M24 64H60",
    ],
  },
  fish: {
    says: "a fish and its bubbles",
    paths: [
      "M16 36C26 20 46 20 56 36 46 52 26 52 16 36",
      "M56 36C62 30 66 26 70 26 67 34 67 40 70 47 66 46 62 42 56 36",
      "M26 33A1.5 1.5 0 1 0 26.1 33",
      "M36 28C40 32 40 40 36 44",
      "M10 24A2 2 0 1 0 10.1 24M14 14A3 3 0 1 0 14.1 14",
    ],
  },
  kite: {
    says: "a kite in the wind",
    paths: [
      "M46 6L62 22 42 40 32 18Z",
      "M46 6L42 40M32 18L62 22",
      "M42 40C36 46 44 50 38 55S30 60 28 66",
      "M38 47L33 44M40 53L45 56",
      "M8 18C14 14 18 20 24 16M10 28C14 25 18 30 22 27",
    ],
  },
  snail: {
    says: "a snail",
    paths: [
      "M10 58C20 60 50 60 62 58 68 56 70 46 66 40",
      "M66 40C60 40 58 48 54 56",
      "M39.6 43.2L38.9 44.4L37.4 45.0L35.5 44.5L34.0 42.8L33.7 40.3L35.0 37.8L37.8 36.4L41.2 36.7L44.0 39.1L45.1 42.9L43.9 47.0L40.3 49.9L35.5 50.4L30.9 48.0L28.3 43.2L28.7 37.5L32.4 32.7L38.4 30.6L44.9 32.3L49.5 37.4L50.7 44.6L47.6 51.4L41.0 55.6L32.8 55.5L25.9 50.8",
      "M66 40L70 30M66 40L62 31",
    ],
  },
};

export function PromptPicture({ name, className }: { name: string; className: string }) {
  const drawn = DRAWN[name];
  if (!drawn) return null;
  return (
    <svg
      viewBox="0 0 80 70"
      role="img"
      aria-label={`A picture: ${drawn.says}`}
      className={`${className} w-auto`}
      fill="none"
      stroke="currentColor"
      strokeWidth="2.2"
      strokeLinecap="round"
      strokeLinejoin="round"
    >
      {drawn.paths.map((d) => (
        <path key={d} d={d} />
      ))}
    </svg>
  );
}
