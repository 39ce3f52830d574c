/** Fetches the drawing of a letter, or of a pair as it is joined, and hands it on. */
import type { ReactNode } from "react";

import type { LetterDrawing as Letter } from "../../api/schema";
import { useText } from "../../api/lessonQueries";
import { useLetter } from "../../api/queries";
import { Loading, ProblemNote } from "../../ui/states";

interface Props {
  part: string;
  children: (drawing: Letter) => ReactNode;
}

export function DrawnPart(props: Props) {
  return props.part.length > 1 ? <Pair {...props} /> : <Single {...props} />;
}

function Single({ part, children }: Props) {
  const drawing = useLetter(part);
  if (drawing.isPending) return <Loading what={`the letter ${part}`} />;
  if (drawing.isError) return <ProblemNote error={drawing.error} />;
  return children(drawing.data);
}

function Pair({ part, children }: Props) {
  const drawing = useText(part);
  if (drawing.isPending) return <Loading what={`the pair ${part}`} />;
  if (drawing.isError) return <ProblemNote error={drawing.error} />;
  const [pair] = drawing.data;
  return pair ? children(pair) : null;
}
