/** The frame: the running line of stations on top, the station below it. */
import { Navigate, Route, Routes, useParams } from "react-router";

import { useClassroom } from "./api/queries";
import { CheckStation } from "./check/CheckStation";
import { GrowStation } from "./grow/GrowStation";
import { PlanStation } from "./plan/PlanStation";
import { ShowStation } from "./show/ShowStation";
import { Loading, ProblemNote } from "./ui/states";
import { StationLine } from "./ui/StationLine";
import { WriteStation } from "./write/WriteStation";

export function App() {
  const classroom = useClassroom();
  return (
    <div className="flex min-h-dvh flex-col">
      <StationLine className={classroom.data?.name} />
      <main className="flex min-h-0 flex-1 flex-col">
        {classroom.isPending ? <Loading what="the class" /> : null}
        {classroom.isError ? (
          <ProblemNote error={classroom.error} retry={() => void classroom.refetch()} />
        ) : null}
        {classroom.data ? <Stations letters={classroom.data.letters} /> : null}
      </main>
    </div>
  );
}

function Stations({ letters }: { letters: string[] }) {
  const first = letters[0] ?? "";
  return (
    <Routes>
      <Route path="/" element={<Navigate to={`/show/${first}`} replace />} />
      <Route path="/plan" element={<PlanStation />} />
      <Route path="/grow" element={<GrowStation />} />
      {(["show", "write", "check"] as const).map((station) => (
        <Route key={station} path={`/${station}`}>
          <Route index element={<Navigate to={`/${station}/${first}`} replace />} />
          <Route path=":letter" element={<LetterStation station={station} letters={letters} />} />
        </Route>
      ))}
      <Route path="*" element={<Navigate to="/" replace />} />
    </Routes>
  );
}

const LETTER_STATIONS = { show: ShowStation, write: WriteStation, check: CheckStation };

/** A station about one letter; it begins anew with each letter. */
function LetterStation({
  station,
  letters,
}: {
  station: keyof typeof LETTER_STATIONS;
  letters: string[];
}) {
  const { letter = "" } = useParams();
  const Station = LETTER_STATIONS[station];
  if (!letters.includes(letter)) return <Navigate to={`/${station}`} replace />;
  return <Station key={letter} letter={letter} />;
}
