/**
 * The service worker by which the pad opens without the network. When the server has a newer page,
 * the worker fetches it, and this one gives way to it as soon as nothing can be lost by that.
 */
import type { PadStore } from "./store";
import type { Surroundings } from "./usePadLesson";

const AGAIN_AFTER_MS = 1000;

/** Where the pad's page is; its worker reaches nothing else. */
export const PADS = "/pad/";

export function keepCurrent(store: PadStore): Surroundings {
  let alone = false;
  let registration: ServiceWorkerRegistration | undefined;
  const worker = "serviceWorker" in navigator ? navigator.serviceWorker : undefined;
  worker?.register("/pad-worker.js", { scope: PADS }).then(
    async (registered) => {
      registration = registered;
      await endOthers(worker);
      await worker.ready;
      alone = true;
    },
    () => undefined, // it works as well, as long as the network is there; the teacher is told
  );
  // The first worker takes over a page that is as new as itself.
  let isFirst = worker?.controller === null;
  worker?.addEventListener("controllerchange", () => {
    if (!isFirst) giveWay(store);
    isFirst = false;
  });
  const lookForNewer = () => {
    registration?.update().catch(() => undefined); // the network is away again
  };
  document.addEventListener("visibilitychange", lookForNewer); // a lid is opened again
  return { opensAlone: () => alone, lookForNewer };
}

/** An earlier version's worker reached further than the pad's own page. */
async function endOthers(worker: ServiceWorkerContainer) {
  for (const one of await worker.getRegistrations()) {
    if (new URL(one.scope).pathname !== PADS) await one.unregister();
  }
}

/** Not while the pen is down, and not before all that was written is kept. */
function giveWay(store: PadStore) {
  let isDown = false;
  const down = () => {
    isDown = true;
  };
  const up = () => {
    isDown = false;
  };
  window.addEventListener("pointerdown", down);
  window.addEventListener("pointerup", up);
  window.addEventListener("pointercancel", up);
  const tries = setInterval(() => {
    if (isDown || !store.isSafe) return;
    clearInterval(tries);
    window.location.reload();
  }, AGAIN_AFTER_MS);
}
