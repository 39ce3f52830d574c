/** Plan: today's lesson, the families in their order, each letter, and how the class writes. */
import type { ReactNode } from "react";
import { Navigate, NavLink, Route, Routes } from "react-router";

import { useClassroom } from "../api/queries";
import { Hers } from "../ui/Hers";
import { CustomsDesk } from "./ways/CustomsDesk";
import { FamiliesDesk } from "./families/FamiliesDesk";
import { FindLetter } from "./FindLetter";
import { StyleDesk } from "./hand/StyleDesk";
import { JoiningDesk } from "./joining/JoiningDesk";
import { LetterDesk } from "./letters/LetterDesk";
import { HandDesk } from "./ours/HandDesk";
import { OursDesk } from "./ours/OursDesk";
import { RosterDesk } from "./roster/RosterDesk";
import { SheetDesk } from "./sheets/SheetDesk";
import { SheetsDesk } from "./sheets/SheetsDesk";
import { SheetPage } from "./today/SheetPage";
import { TodayDesk } from "./today/TodayDesk";
import { WordsDesk } from "./words/WordsDesk";

const DESKS = [
  { to: "today", name: "Today" },
  { to: "families", name: "Families" },
  { to: "letters", name: "Letters" },
  { to: "words", name: "Words" },
  { to: "sheets", name: "Sheets" },
  { to: "hand", name: "Hand and lines" },
  { to: "joining", name: "To joined" },
  { to: "ways", name: "Our ways" },
  { to: "class", name: "Class list" },
];

const hers = (desk: ReactNode) => <Hers>{desk}</Hers>;

export function PlanStation() {
  const first = useClassroom().data?.letters[0] ?? "a";
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <div className="flex flex-wrap items-center gap-x-6 gap-y-1 border-b-2 border-crease px-5 py-1.5">
        <nav aria-label="Plan">
          <ul className="flex flex-wrap gap-x-5">
            {DESKS.map(({ to, name }) => (
              <li key={to}>
                <NavLink
                  to={`/plan/${to}`}
                  className="inline-flex min-h-9 items-center border-b-4 border-transparent text-soft hover:text-ink aria-[current=page]:border-rule-deep aria-[current=page]:font-bold aria-[current=page]:text-ink"
                >
                  {name}
                </NavLink>
              </li>
            ))}
          </ul>
        </nav>
        <span className="flex-1" />
        <FindLetter />
      </div>
      <Routes>
        <Route index element={<Navigate to="/plan/today" replace />} />
        <Route path="today" element={hers(<TodayDesk />)} />
        <Route path="sheet/:id" element={<SheetPage />} />
        <Route path="sheets" element={hers(<SheetsDesk />)} />
        <Route path="sheets/:id" element={hers(<SheetDesk />)} />
        <Route path="families" element={hers(<FamiliesDesk />)} />
        <Route path="letters" element={<Navigate to={`/plan/letters/${first}`} replace />} />
        <Route path="letters/:letter" element={<LetterDesk />} />
        <Route path="words" element={hers(<WordsDesk />)} />
        <Route path="hand" element={hers(<StyleDesk />)} />
        <Route path="hand/ours" element={hers(<OursDesk />)} />
        <Route path="hand/ours/:name" element={hers(<HandDesk />)} />
        <Route path="hand/ours/:name/:letter" element={hers(<HandDesk />)} />
        <Route path="joining" element={hers(<JoiningDesk />)} />
        <Route path="ways" element={hers(<CustomsDesk />)} />
        <Route path="class" element={hers(<RosterDesk />)} />
        <Route path="*" element={<Navigate to="/plan/families" replace />} />
      </Routes>
    </div>
  );
}
