/** What is to be written from memory: heard from the teacher's voice, seen as a picture. */
import { Volume2 } from "lucide-react";

import type { AskedWith as Asked } from "../api/schema";
import { PromptPicture } from "../ui/PromptPicture";
import { PadButton } from "./PadButton";

export function AskedWith({ asked }: { asked: Asked }) {
  const { sound, picture, drawing, question } = asked;
  if (!sound && !picture && !drawing && !question) return null;
  return (
    <div className="flex items-center justify-center gap-4">
      {picture ? <img src={picture} alt="" className="size-24" draggable={false} /> : null}
      {drawing ? <PromptPicture name={drawing} className="h-28" /> : null}
      {question ? <p className="text-2xl font-medium">{question}</p> : null}
      {sound ? (
        <PadButton
          name="Hear it"
          onClick={() => {
            void new Audio(sound).play().catch(() => undefined); // silent where there is no loudspeaker
          }}
        >
          <Volume2 aria-hidden size={34} />
        </PadButton>
      ) : null}
    </div>
  );
}
