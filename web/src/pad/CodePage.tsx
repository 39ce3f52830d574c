/** A pad that no lesson knows yet: the two words on the board, or the square beside them. */
import { CloudOff } from "lucide-react";
import { useState } from "react";

export function CodePage({
  problem,
  alone,
  onJoin,
}: {
  problem: string | null;
  alone: boolean;
  onJoin: (code: string) => void;
}) {
  const [code, setCode] = useState("");
  return (
    <form
      className="mx-auto flex w-full max-w-lg flex-1 flex-col items-center justify-center gap-5 p-6"
      onSubmit={(event) => {
        event.preventDefault();
        if (code.trim() !== "") onJoin(code);
      }}
    >
      <label htmlFor="code" className="text-center text-2xl font-bold">
        The two words on the board
      </label>
      <input
        id="code"
        value={code}
        onChange={(event) => {
          setCode(event.target.value);
        }}
        autoCapitalize="none"
        autoComplete="off"
        autoCorrect="off"
        spellCheck={false}
        maxLength={40}
        placeholder="kite snail"
        className="w-full rounded-md border-2 border-rule-deep bg-leaf px-4 py-3 text-center text-[2rem] placeholder:text-soft"
      />
      <button
        type="submit"
        className="min-h-16 w-full rounded-md border-2 border-ink bg-ink text-2xl font-medium text-leaf disabled:opacity-45"
        disabled={code.trim() === ""}
      >
        Come in
      </button>
      <p className="text-center text-soft">Or point the camera at the square beside them.</p>
      {problem === null ? null : (
        <p role="alert" className="flex items-center gap-2 text-center text-ember">
          {alone ? <CloudOff aria-hidden /> : null}
          {problem}
        </p>
      )}
    </form>
  );
}
