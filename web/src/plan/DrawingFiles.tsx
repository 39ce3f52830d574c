/** A letter or word as files: as it stands, as it is written, and that for any phone. */
import { addressOf } from "../api/client";
import { SaveFile } from "../ui/FileButtons";

export function DrawingFiles({ text }: { text: string }) {
  const drawing = (animated: boolean) =>
    addressOf("/api/show/drawing", { query: { text, animated } });
  const movement = addressOf("/api/show/movement", { query: { text } });
  return (
    <>
      <SaveFile href={drawing(false)} name={`${text}.svg`} label="Still" />
      <SaveFile href={drawing(true)} name={`${text}-moving.svg`} label="Moving" />
      <SaveFile href={movement} name={`${text}.gif`} label="For a phone" />
    </>
  );
}
