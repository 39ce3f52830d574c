/** The microphone: one recording at a time, of a few seconds, given away as base 64. */
import { useEffect, useRef, useState } from "react";

const LONGEST_MS = 10_000;

export function useRecorder(onDone: (sound: string) => void) {
  const recorder = useRef<MediaRecorder | null>(null);
  const [recording, setRecording] = useState(false);
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
      one.ondataavailable = ({ data }) => pieces.push(data);
      one.onstop = () => {
        clearTimeout(atMost);
        for (const track of stream.getTracks()) track.stop();
        setRecording(false);
        void asBase64(new Blob(pieces)).then(onDone);
      };
      recorder.current = one;
      one.start();
      setRecording(true);
    } catch {
      setProblem("The microphone cannot be used. Allow it for this page, or plug one in.");
    }
  };
  return { recording, problem, start, stop };
}

async function asBase64(sound: Blob): Promise<string> {
  const bytes = new Uint8Array(await sound.arrayBuffer());
  let text = "";
  for (const byte of bytes) text += String.fromCharCode(byte);
  return btoa(text);
}
