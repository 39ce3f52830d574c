/** Said of ink that the check could not judge: it is kept, and the teacher's own word counts. */
export function Unjudged() {
  return (
    <p className="border-l-4 border-ember pl-3">
      The check failed on this one. It is kept, and a later version will look at it; until then your
      own word counts.
    </p>
  );
}
