/** What each station is for, in three sentences, and its keys. */
export interface HelpText {
  name: string;
  sentences: readonly [string, string, string];
  keys: readonly (readonly [string, string])[];
}

const EVERYWHERE = [
  ["1 – 5", "Plan, Show, Write, Check, Grow"],
  ["?", "this help"],
  ["Esc", "close what is open"],
] as const;

export const HELP: Record<"plan" | "show" | "write" | "check" | "grow" | "settings", HelpText> = {
  plan: {
    name: "Plan",
    sentences: [
      "Today proposes a lesson from what is taught, due and shaky; change whatever you like in it.",
      "Families, letters, words, the hand and the lines are set here once, and obeyed everywhere.",
      "The printed page, the home page and the board are made of the same lesson.",
    ],
    keys: [
      ["/", "find a letter"],
      ["← →", "the letter before or after"],
      ["u, y", "undo and redo in families"],
      ...EVERYWHERE,
    ],
  },
  show: {
    name: "Show",
    sentences: [
      "The board makes a letter move by move, with the words you say to it.",
      "Give a lesson from Plan to have its steps in order; your own screen can send the board on.",
      "Slips are drawn on purpose and crossed out, with the right letter beside them.",
    ],
    keys: [
      ["Space", "write the letter, or pause"],
      ["← →", "one move back or on"],
      ["r", "again from the start"],
      ["s", "show the spaces it fills"],
      ["l", "another letter"],
      ["f", "the whole screen"],
      ...EVERYWHERE,
    ],
  },
  write: {
    name: "Write",
    sentences: [
      "Open the lesson, and the pads come in by the square or the two words; they follow the board.",
      "Each child’s last letters stand here as they come, with the one thing to say; who is stuck or has not begun is found at once.",
      "For paper there is the tally, for a walk the lesson in your hand, and one pad at this screen.",
    ],
    keys: [
      ["Enter", "hand it in, on the pad here"],
      ["z", "take the last stroke or tap back"],
      ["l", "another letter"],
      ...EVERYWHERE,
    ],
  },
  check: {
    name: "Check",
    sentences: [
      "What the class wrote lies in piles of the same slip; what wants your eye comes first.",
      "Your word counts: agree to a pile at once, take one out, or say what you see otherwise.",
      "What is nobody’s letter is set aside and counts nowhere.",
    ],
    keys: [
      ["← → ↑ ↓", "along the table"],
      ["a", "agree, and on to the next"],
      ["g", "agree to the whole pile"],
      ["t", "take it out of the pile, or put it back"],
      ["q w e", "direction, size, shape: the next verdict"],
      ["x", "the first thing seen is not so"],
      ["r", "say it in my words"],
      ["s", "nobody’s letter"],
      ["u", "undo"],
      ["space", "replay"],
      ["v", "replay more slowly"],
      ["c", "compare"],
      ["b", "for the wall, or not"],
      ...EVERYWHERE,
    ],
  },
  grow: {
    name: "Grow",
    sentences: [
      "Children by letters, in the order of their names: nobody is ranked.",
      "A mark says whether the letter will hold when it is written alone from memory, by all that was written so far.",
      "Pain, cramp, shaking or a child who avoids writing belong to the family and the school’s specialists, not to a program.",
    ],
    keys: [["← → ↑ ↓", "from square to square"], ...EVERYWHERE],
  },
  settings: {
    name: "Settings",
    sentences: [
      "Everything that is set once stands here, or says where it stands.",
      "Names and letters are kept in one file on this machine, and copied each day.",
      "What is deleted is gone for good, from the copies too once they are renewed.",
    ],
    keys: EVERYWHERE,
  },
};
