/** The microphone: one recording at a time, of a few seconds, given away as base 64. */
import { useEffect, useRef, useState } from "react";

const LONGEST_MS = 10_000;

/** What is shorter than some pieces is no sound that a browser could play. */
const PIECE_MS = 150;
const FEWEST_PIECES = 4;

export function useRecorder(onDone: (sound: string) => void) {
  const recorder = useRef<MediaRecorder | null>(null);
  const [recording, setRecording] = useState(false);
  const [heard, setHeard] = useState(false);
  const [problem, setProblem] = useState<string>();
  const stop = () => {
    if (recorder.current?.state === "recording") recorder.current.stop();
  };
  useEffect(() => stop, []);
  const start = async () => {
    setProblem(undefined);
    try {
      const stream = await navigator.mediaDevices.getUserMedia({ audio: true });
      const one = new MediaRecorder(stream);
      const pieces: Blob[] = [];
      const atMost = setTimeout(stop, LONGEST_MS);
      one.ondataavailable = ({ data }) => {
        pieces.push(data);
        setHeard(pieces.length >= FEWEST_PIECES);
      };
      one.onstop = () => {
        clearTimeout(atMost);
        for (const track of stream.getTracks()) track.stop();
        setRecording(false);
        setHeard(false);
        void asBase64(new Blob(pieces)).then(onDone);
      };
      recorder.current = one;
      one.start(PIECE_MS);
      setRecording(true);
    } catch {
      setProblem("The microphone cannot be used. Allow it for this page, or plug one in.");
    }
  };
  return { recording, heard, problem, start, stop };
}

async function asBase64(sound: Blob): Promise<string> {
  const bytes = new Uint8Array(await sound.arrayBuffer());
  let text = "";
  for (const byte of bytes) text += String.fromCharCode(byte);
  return btoa(text);
}
