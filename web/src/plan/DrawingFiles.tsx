/** A letter or word as files: as it stands, as it is written, and that for any phone. */
import { files } from "../api/client";
import { SaveFile } from "../ui/FileButtons";

export function DrawingFiles({ text }: { text: string }) {
  return (
    <>
      <SaveFile href={files.drawing(text, false)} name={`${text}.svg`} label="Still" />
      <SaveFile href={files.drawing(text, true)} name={`${text}-moving.svg`} label="Moving" />
      <SaveFile href={files.movement(text)} name={`${text}.gif`} label="For a phone" />
    </>
  );
}
