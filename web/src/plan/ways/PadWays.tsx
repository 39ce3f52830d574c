/** What is done on pads, and with words on the board too, in the class's own way, each by its picture. */
import type { CustomsIn } from "../../api/schema";
import { Choice } from "../../ui/Choice";
import { Pictured, Setting } from "./Setting";

type PadWay = "from_memory" | "answers" | "tilted";

const WAYS: readonly {
  way: PadWay;
  title: string;
  no: string;
  yes: string;
  told: { no: string; yes: string };
}[] = [
  {
    way: "from_memory",
    title: "Words, and earlier letters",
    no: "Shown",
    yes: "Heard",
    told: {
      no: "The word stands on the board and above the line of a pad, and is written along.",
      yes: "The word is heard, counted and written; then the board shows it sound by sound. A pad says what you recorded in Plan, Words.",
    },
  },
  {
    way: "answers",
    title: "After each letter on a pad",
    no: "Quiet",
    yes: "A gentle answer",
    told: {
      no: "The pad says nothing; you do.",
      yes: "The model writes the move once more that was different, and one thing is said.",
    },
  },
  {
    way: "tilted",
    title: "The paper on a pad",
    no: "Straight",
    yes: "Tilted",
    told: {
      no: "The lines lie level.",
      yes: "The sheet lies tilted, the other way for a left hand.",
    },
  },
];

export function PadWays({
  kept,
  onChange,
}: {
  kept: CustomsIn;
  onChange: (part: Partial<CustomsIn>) => void;
}) {
  return WAYS.map(({ way, title, no, yes, told }) => (
    <Setting key={way} title={title} told={kept[way] ? told.yes : told.no}>
      <Choice
        label={title}
        value={kept[way] ? "yes" : "no"}
        onChange={(chosen) => {
          onChange({ [way]: chosen === "yes" });
        }}
        options={(["no", "yes"] as const).map((value) => ({
          value,
          name: value === "yes" ? yes : no,
          label: (
            <Pictured title={value === "yes" ? yes : no}>
              <WayPicture way={way} on={value === "yes"} />
            </Pictured>
          ),
        }))}
      />
    </Setting>
  ));
}

const HILL = "M0 0V-12M0 -7C1 -12 10 -14 11 -7V0";

/** A pad with a sheet: the word above it or an ear, a letter that glows, the sheet turned. */
function WayPicture({ way, on }: { way: PadWay; on: boolean }) {
  const turned = way === "tilted" && on;
  return (
    <svg
      viewBox="0 0 96 64"
      className="h-20"
      fill="none"
      strokeWidth={2.2}
      strokeLinecap="round"
      strokeLinejoin="round"
      aria-hidden
    >
      <rect x={4} y={4} width={88} height={56} rx={6} className="stroke-soft" />
      <g transform={turned ? "rotate(-12 48 38)" : undefined}>
        <rect x={14} y={26} width={68} height={26} className="fill-leaf stroke-crease" />
        <path d="M14 44H82" className="stroke-rule" strokeWidth={1.5} />
        {way === "from_memory" ? null : (
          <path d={HILL} transform="translate(30 44)" className="stroke-ink" />
        )}
        {way === "answers" && on ? (
          <>
            <circle cx={30} cy={32} r={4.5} className="fill-ember" />
            <path d="M30 32V44" className="stroke-ember" strokeWidth={3.4} />
          </>
        ) : null}
      </g>
      {way === "from_memory" ? (
        on ? (
          <path
            d="M42 16C42 8 54 8 54 15 54 19 50 19 50 22M60 10C63 13 63 18 60 21M65 7C70 12 70 19 65 24"
            className="stroke-rule-deep"
          />
        ) : (
          <path
            d={`${HILL}M17 -6C17 0 25 0 25 -6 25 -12 17 -12 17 -6M25 -12V0`}
            transform="translate(36 22)"
            className="stroke-ink"
          />
        )
      ) : null}
    </svg>
  );
}
