/** How it goes for a child, told by form first. */
import { Check, Circle, Hand, MinusCircle, Pencil } from "lucide-react";

import type { Going } from "../../api/schema";

const MARKS = {
  away: { Icon: MinusCircle, name: "no pad yet", look: "text-soft" },
  not_begun: { Icon: Circle, name: "not begun", look: "text-soft" },
  writing: { Icon: Pencil, name: "writing", look: "text-rule-deep" },
  stuck: { Icon: Hand, name: "stuck: go and see", look: "text-ember" },
  enough: { Icon: Check, name: "has written enough", look: "text-rule-deep" },
} as const;

export function GoingMark({ going, worded = false }: { going: Going; worded?: boolean }) {
  const { Icon, name, look } = MARKS[going];
  return (
    <span className={`inline-flex items-center gap-1.5 ${look}`} title={name}>
      <Icon aria-hidden size={18} />
      <span className={worded ? "text-sm" : "sr-only"}>{name}</span>
    </span>
  );
}
