/** Ids for what is handed in: sent again after no answer came, it is known to be the same. */
import { useRef } from "react";
import { v4 as uuid } from "uuid";

export function useDelivery() {
  const last = useRef({ what: "", id: "" });
  return {
    /** What is to be sent, with its id: the same until it has arrived or is something else. */
    of<Body extends object>(body: Body): Body & { id: string } {
      const what = JSON.stringify(body);
      if (what !== last.current.what) last.current = { what, id: uuid() };
      return { ...body, id: last.current.id };
    },
    /** The next is another one, even where it is the same ink, taken back and handed in again. */
    arrived() {
      last.current = { what: "", id: "" };
    },
  };
}
