/** The page gives way to a newer one when nothing can be lost by that. */
import { afterEach, beforeEach, expect, test, vi } from "vitest";

import { PadStore } from "./store";
import { keepCurrent, PADS } from "./worker";

interface StandIn extends EventTarget {
  controller: object | null;
}

const update = vi.fn(() => Promise.resolve());
const unregister = vi.fn(() => Promise.resolve(true));
const reload = vi.fn();
const register = vi.fn((...asked: unknown[]) => Promise.resolve({ asked, update }));
let worker: StandIn;

/** A browser that keeps pages, in which an earlier version may have left something. */
function browser(controller: object | null, scopes: string[] = []) {
  worker = Object.assign(new EventTarget(), {
    controller,
    register,
    ready: Promise.resolve(),
    getRegistrations: () =>
      Promise.resolve(scopes.map((path) => ({ scope: `http://localhost${path}`, unregister }))),
  });
  Object.defineProperty(navigator, "serviceWorker", { value: worker, configurable: true });
}

beforeEach(() => {
  vi.clearAllMocks();
  isSafe = true;
  vi.spyOn(store, "isSafe", "get").mockImplementation(() => isSafe);
  vi.useFakeTimers({ toFake: ["setInterval", "clearInterval"] });
  vi.spyOn(window.location, "reload").mockImplementation(reload);
});
afterEach(() => {
  vi.useRealTimers();
  vi.restoreAllMocks();
  Reflect.deleteProperty(navigator, "serviceWorker");
});

const newer = () => worker.dispatchEvent(new Event("controllerchange"));
const store = new PadStore();
/** Whether all that was written is kept. */
let isSafe = true;

test("it opens alone once its worker is there; workers that reached further are ended", async () => {
  browser(null, [PADS, "/"]);
  const { opensAlone } = keepCurrent(store);
  expect(register).toHaveBeenCalledWith("/pad-worker.js", { scope: PADS });
  expect(opensAlone()).toBe(false);
  await vi.waitFor(() => {
    expect(opensAlone()).toBe(true);
  });
  expect(unregister).toHaveBeenCalledOnce();
});

test("without a worker it works as well, as long as the network is there", () => {
  const { opensAlone, lookForNewer } = keepCurrent(store);
  expect(opensAlone()).toBe(false);
  expect(lookForNewer).not.toThrow();
});

test("where a worker may not be, it does not open alone", async () => {
  browser(null);
  register.mockRejectedValueOnce(new DOMException("no", "SecurityError"));
  const { opensAlone } = keepCurrent(store);
  await Promise.resolve();
  expect(opensAlone()).toBe(false);
});

test("a lid that is opened again looks for a newer page", async () => {
  browser({});
  const { opensAlone } = keepCurrent(store);
  await vi.waitFor(() => {
    expect(opensAlone()).toBe(true);
  });
  update.mockClear(); // pages of other tests look as well
  document.dispatchEvent(new Event("visibilitychange"));
  const asked = update.mock.calls.length;
  expect(asked).toBeGreaterThan(0);
  update.mockRejectedValueOnce(new TypeError("no network"));
  document.dispatchEvent(new Event("visibilitychange"));
  await Promise.resolve();
  expect(update.mock.calls.length).toBeGreaterThan(asked);
});

test("the first worker takes over a page that is as new as itself", () => {
  browser(null);
  keepCurrent(store);
  newer();
  vi.advanceTimersByTime(5000);
  expect(reload).not.toHaveBeenCalled();
  newer();
  vi.advanceTimersByTime(1000);
  expect(reload).toHaveBeenCalledOnce();
});

test("a newer one waits until the pen is up and all is kept, and is taken once", () => {
  browser({});
  isSafe = false;
  keepCurrent(store);
  newer();
  window.dispatchEvent(new Event("pointerdown"));
  isSafe = true;
  vi.advanceTimersByTime(3000);
  expect(reload).not.toHaveBeenCalled();
  isSafe = false;
  window.dispatchEvent(new Event("pointerup"));
  vi.advanceTimersByTime(3000);
  expect(reload).not.toHaveBeenCalled();
  isSafe = true;
  vi.advanceTimersByTime(3000);
  expect(reload).toHaveBeenCalledOnce();
});
