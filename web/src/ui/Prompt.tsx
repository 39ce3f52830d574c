/** A word or letter as it is asked for: its picture, and the teacher's voice at a press. */
import { Volume2 } from "lucide-react";

import { hear, usePrompts } from "../api/promptQueries";
import { Button } from "./Button";
import { Tile } from "./Tile";

export function Prompt({ text, large = false }: { text: string; large?: boolean }) {
  const prompt = usePrompts().data?.find((one) => one.text === text);
  if (!prompt) return null;
  return (
    <span className="inline-flex items-center gap-3">
      {prompt.tile ? (
        <Tile name={prompt.tile} className={large ? "size-40 big:size-64" : "size-11"} />
      ) : null}
      {prompt.has_sound ? (
        <Button
          aria-label="Hear it"
          className={large ? "min-h-20 px-6 text-2xl" : ""}
          onClick={() => void hear(text)}
        >
          <Volume2 className={large ? "size-10" : "size-6"} aria-hidden />
          {large ? "Hear it" : null}
        </Button>
      ) : null}
    </span>
  );
}
