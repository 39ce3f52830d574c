/** How words and letters are asked for when they are written from memory: said, or shown. */
import { Mic, Square, Volume2 } from "lucide-react";
import { useState } from "react";

import {
  hear,
  useDeleteSound,
  usePrompts,
  useSetPromptTile,
  useSetSound,
} from "../../api/promptQueries";
import type { AskedWithOut } from "../../api/schema";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/states";
import { TilePick } from "../../ui/TilePick";
import { useRecorder } from "./useRecorder";
import { WordInput } from "./WordInput";

const NOBODY: ReadonlyMap<string | null, string> = new Map();

export function Prompts() {
  const prompts = usePrompts();
  const [text, setText] = useState("");
  const word = text.trim();
  const there = prompts.data ?? [];
  return (
    <section aria-label="Said and shown" className="flex flex-col gap-3">
      <header>
        <h2 className="font-bold">Said and shown</h2>
        <p className="text-sm text-soft">
          A word or letter in your voice, or with a picture, to be written from memory. Recordings
          stay on this machine.
        </p>
      </header>
      <WordInput label="A word or letter" value={text} onChange={setText} />
      {prompts.isError ? <ProblemNote error={prompts.error} /> : null}
      <ul className="flex flex-col">
        {word !== "" && !there.some((one) => one.text === word) ? (
          <Row key={word} prompt={{ text: word, tile: null, has_sound: false }} />
        ) : null}
        {there.map((prompt) => (
          <Row key={prompt.text} prompt={prompt} />
        ))}
      </ul>
    </section>
  );
}

function Row({ prompt: { text, tile, has_sound } }: { prompt: AskedWithOut }) {
  const setTile = useSetPromptTile();
  const setSound = useSetSound();
  const deleteSound = useDeleteSound();
  const at = { params: { path: { text } } };
  const { recording, heard, problem, start, stop } = useRecorder((sound) => {
    setSound.mutate({ ...at, body: { sound } });
  });
  const error = setTile.error ?? setSound.error ?? deleteSound.error;
  return (
    <li className="flex flex-wrap items-center gap-2 border-b border-rule/60 py-1">
      <TilePick
        label={`Picture of ${text}`}
        value={tile}
        owners={NOBODY}
        onChoose={(chosen) => {
          setTile.mutate({ ...at, body: { tile: chosen } });
        }}
      />
      <span className="min-w-12 flex-1 text-lg">{text}</span>
      {has_sound && !recording ? (
        <>
          <Button aria-label={`Hear ${text}`} className="px-2.5" onClick={() => void hear(text)}>
            <Volume2 className="size-5" aria-hidden />
          </Button>
          <Button
            look="quiet"
            className="px-1"
            aria-label={`Delete the recording of ${text}`}
            onClick={() => {
              deleteSound.mutate(at);
            }}
          >
            Delete
          </Button>
        </>
      ) : null}
      <Button
        aria-label={recording ? `Stop recording ${text}` : `Record ${text}`}
        aria-pressed={recording}
        className="px-2.5 aria-pressed:border-ember aria-pressed:bg-ember-wash"
        disabled={setSound.isPending || (recording && !heard)}
        onClick={recording ? stop : () => void start()}
      >
        {recording ? (
          <Square className="size-5" aria-hidden />
        ) : (
          <Mic className="size-5" aria-hidden />
        )}
      </Button>
      {problem ? (
        <p role="alert" className="w-full text-ember">
          {problem}
        </p>
      ) : null}
      {error ? <ProblemNote error={error} /> : null}
    </li>
  );
}
