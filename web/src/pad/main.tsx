import "../index.css";

import { StrictMode } from "react";
import { createRoot } from "react-dom/client";

import { PadApp } from "./PadApp";

/** Whether the page would open without the network: browsers allow that to safe addresses only. */
let alone = false;

const worker = "serviceWorker" in navigator ? navigator.serviceWorker : undefined;
worker?.register("/pad-worker.js", { scope: "/pad" }).then(
  () =>
    worker.ready.then(() => {
      alone = true;
    }),
  () => undefined, // it works as well, as long as the network is there; the teacher is told
);

const root = document.getElementById("root");
if (!root) throw new Error("pad.html has no #root");
createRoot(root).render(
  <StrictMode>
    <PadApp opensAlone={() => alone} />
  </StrictMode>,
);
