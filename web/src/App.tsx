/** The frame: the running line of stations on top, the station below it. */
import { lazy, Suspense, useState } from "react";
import { Navigate, Route, Routes, useParams } from "react-router";

import { WAS_MOVED } from "./api/classShown";
import { useAlphabet, useClassroom } from "./api/queries";
import { useFollowClass } from "./api/roomQueries";
import { useSession } from "./api/sessionQueries";
import { ShowStation } from "./show/ShowStation";
import { Button } from "./ui/Button";
import { Loading, ProblemNote } from "./ui/states";
import { StationLine } from "./ui/StationLine";

// The board is what is opened first; the other stations are fetched when they are gone to.
const PlanStation = lazy(async () => ({
  default: (await import("./plan/PlanStation")).PlanStation,
}));
const WriteStation = lazy(async () => ({
  default: (await import("./write/WriteStation")).WriteStation,
}));
const CheckDesk = lazy(async () => ({ default: (await import("./check/CheckDesk")).CheckDesk }));
const TextDesk = lazy(async () => ({ default: (await import("./write/TextDesk")).TextDesk }));
const TrustPage = lazy(async () => ({ default: (await import("./check/TrustPage")).TrustPage }));
const PaperDesk = lazy(async () => ({
  default: (await import("./check/paper/PaperDesk")).PaperDesk,
}));
const SetsPage = lazy(async () => ({
  default: (await import("./check/blind/SetsPage")).SetsPage,
}));
const JudgePage = lazy(async () => ({
  default: (await import("./check/blind/JudgePage")).JudgePage,
}));
const LessonBoard = lazy(async () => ({
  default: (await import("./show/lesson/LessonBoard")).LessonBoard,
}));
const MyScreen = lazy(async () => ({
  default: (await import("./show/lesson/MyScreen")).MyScreen,
}));
const Remote = lazy(async () => ({ default: (await import("./show/lesson/Remote")).Remote }));
const RoomDesk = lazy(async () => ({ default: (await import("./write/room/RoomDesk")).RoomDesk }));
const TallyDesk = lazy(async () => ({
  default: (await import("./write/tally/TallyDesk")).TallyDesk,
}));
const ChildPage = lazy(async () => ({
  default: (await import("./grow/child/ChildPage")).ChildPage,
}));
const SchoolMap = lazy(async () => ({ default: (await import("./grow/SchoolMap")).SchoolMap }));
const GroupsDesk = lazy(async () => ({
  default: (await import("./grow/groups/GroupsDesk")).GroupsDesk,
}));
const GrowStation = lazy(async () => ({
  default: (await import("./grow/GrowStation")).GrowStation,
}));

const NewAccount = lazy(async () => ({ default: (await import("./door/NewAccount")).NewAccount }));
const SignIn = lazy(async () => ({ default: (await import("./door/SignIn")).SignIn }));
const SettingsDesk = lazy(async () => ({
  default: (await import("./settings/SettingsDesk")).SettingsDesk,
}));
const FirstSteps = lazy(async () => ({ default: (await import("./first/FirstSteps")).FirstSteps }));

/** Who is not signed in is at the door; who has no class begins one. */
export function App() {
  const session = useSession();
  if (session.isError) {
    return <ProblemNote error={session.error} retry={() => void session.refetch()} />;
  }
  if (!session.data) return <Loading what="First Loop" />;
  const { state, has_class } = session.data;
  if (state === "new" || state === "out") {
    return (
      <Suspense fallback={<Loading what="the door" />}>
        {state === "new" ? <NewAccount classWaits={has_class} /> : <SignIn />}
      </Suspense>
    );
  }
  if (has_class) return <Frame />;
  return (
    <main>
      <Suspense fallback={<Loading what="the first page" />}>
        <FirstSteps />
      </Suspense>
    </main>
  );
}

function Frame() {
  useFollowClass();
  const [moved, setMoved] = useState(WAS_MOVED);
  const classroom = useClassroom();
  const alphabet = useAlphabet();
  const failed = [classroom, alphabet].find(({ isError }) => isError);
  return (
    <div className="flex min-h-dvh flex-col">
      <StationLine className={classroom.data?.name} />
      <main className="flex min-h-0 flex-1 flex-col">
        {moved && classroom.data ? (
          <p
            role="status"
            className="flex flex-wrap items-center gap-3 border-b border-rule bg-rule-wash px-5 py-2"
          >
            {classroom.data.name} was opened on another page, and is shown here too now. What this
            page showed before was left as it was.
            <Button
              onClick={() => {
                setMoved(false);
              }}
            >
              Good
            </Button>
          </p>
        ) : null}
        {classroom.isPending ? <Loading what="the class" /> : null}
        {failed ? <ProblemNote error={failed.error} retry={() => void failed.refetch()} /> : null}
        {classroom.data ? (
          <Suspense fallback={<Loading what="the page" />}>
            <Stations key={classroom.data.id} letters={classroom.data.letters} />
          </Suspense>
        ) : null}
      </main>
    </div>
  );
}

function Stations({ letters }: { letters: string[] }) {
  const first = letters[0] ?? "";
  return (
    <Routes>
      <Route path="/" element={<Navigate to="/plan/today" replace />} />
      <Route path="/plan/*" element={<PlanStation />} />
      <Route path="/grow">
        <Route index element={<GrowStation />} />
        <Route path="groups" element={<GroupsDesk />} />
        <Route path="classes" element={<SchoolMap />} />
        <Route path="child/:id" element={<ChildPage />} />
      </Route>
      <Route path="/settings" element={<SettingsDesk />} />
      <Route path="/hand" element={<Remote />} />
      <Route path="/new-class" element={<FirstSteps hasClass />} />
      <Route path="/check">
        <Route index element={<CheckDesk />} />
        <Route path="text" element={<Navigate to="/check" replace />} />
        <Route path="trust" element={<TrustPage />} />
        <Route path="paper" element={<PaperDesk />} />
        <Route path="blind" element={<SetsPage />} />
        <Route path="blind/:id" element={<JudgePage />} />
        <Route path=":letter" element={<CheckOfLetter letters={letters} />} />
      </Route>
      {(["show", "write"] as const).map((station) => (
        <Route key={station} path={`/${station}`}>
          {station === "write" ? (
            <>
              <Route index element={<RoomDesk />} />
              <Route path="tally" element={<TallyDesk />} />
              <Route path="letter" element={<Navigate to={`/write/${first}`} replace />} />
              <Route path="text" element={<TextDesk />} />
            </>
          ) : (
            <Route index element={<Navigate to={`/${station}/${first}`} replace />} />
          )}
          {station === "show" && <Route path="lesson/:id" element={<LessonBoard />} />}
          {station === "show" && <Route path="lesson/:id/mine" element={<MyScreen />} />}
          <Route path=":letter" element={<LetterStation station={station} letters={letters} />} />
        </Route>
      ))}
      <Route path="*" element={<Navigate to="/" replace />} />
    </Routes>
  );
}

/** The table of one letter. */
function CheckOfLetter({ letters }: { letters: string[] }) {
  const { letter = "" } = useParams();
  if (!letters.includes(letter)) return <Navigate to="/check" replace />;
  return <CheckDesk key={letter} letter={letter} />;
}

const LETTER_STATIONS = { show: ShowStation, write: WriteStation };

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
