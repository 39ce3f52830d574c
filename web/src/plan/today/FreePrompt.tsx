/** What free writing begins with: a picture, a question, or the teacher's own; or there is none. */
import type { LessonChange } from "../../api/lessonQueries";
import type { LessonOut as Lesson, TodayOut as Today } from "../../api/schema";
import { Pick } from "../../ui/Pick";
import { PromptPicture } from "../../ui/PromptPicture";

const NONE = "none";

export function FreePrompt({
  lesson,
  today,
  onChange,
}: {
  lesson: Lesson;
  today: Today;
  onChange: (change: LessonChange) => void;
}) {
  const { prompt, picture } = lesson;
  const set = (to: string) => {
    if (to !== prompt) onChange({ do: "prompt", prompt: to });
  };
  return (
    <section aria-label="Free writing">
      <h2 className="font-bold">Free writing</h2>
      <div className="flex flex-wrap items-center gap-3">
        {picture === null ? (
          <input
            key={prompt}
            aria-label="The question"
            defaultValue={prompt}
            maxLength={120}
            placeholder="No free writing; your own question"
            onBlur={(event) => {
              set(event.target.value.trim());
            }}
            className="min-w-64 flex-1 rounded-md border-2 border-crease bg-leaf px-3 py-1.5 text-lg"
          />
        ) : (
          <PromptPicture name={picture} className="h-16" />
        )}
        <Pick
          quiet
          label="A picture or a question"
          value={NONE}
          options={[
            { value: NONE, label: prompt === "" ? "Choose one" : "Another" },
            ...today.free_prompts
              .filter((one) => one.prompt !== prompt)
              .map((one) => ({
                value: one.prompt,
                label: one.picture === null ? one.prompt : `A picture: the ${one.picture}`,
              })),
            ...(prompt === "" ? [] : [{ value: "", label: "None" }]),
          ].map((one) => ({ ...one, value: one.value || "leave out" }))}
          onChange={(to) => {
            if (to !== NONE) set(to === "leave out" ? "" : to);
          }}
        />
      </div>
    </section>
  );
}
