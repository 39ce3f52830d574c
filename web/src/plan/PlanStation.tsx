/** Plan is not built yet: the page says what it will hold, and where to go meanwhile. */
import { Link } from "react-router";

import { useClassroom } from "../api/queries";

export function PlanStation() {
  const classroom = useClassroom().data;
  return (
    <section className="mx-auto w-full max-w-3xl px-6 py-10">
      <h1 className="text-2xl font-bold">Plan</h1>
      <p className="mt-3 text-lg">
        This page is still empty paper. It will hold the families of letters and their order, the
        hand and ruling of {classroom?.name ?? "the class"}, and a lesson for today that you can
        accept or change.
      </p>
      <p className="mt-3 text-lg">
        Until then, every letter, digit and mark of the {classroom?.hand} hand can be shown, written
        and checked. What goes wrong is explained best for r, n, m and h, which begin alike.
      </p>
      <p className="mt-6">
        <Link
          to="/show"
          className="inline-flex min-h-11 items-center rounded-md bg-ink px-4 font-medium text-leaf hover:bg-rule-deep"
        >
          Show the first letter
        </Link>
      </p>
    </section>
  );
}
