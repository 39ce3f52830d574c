/** What every test begins with: no page, no answers, and a browser's observers that do report. */
import "@testing-library/jest-dom/vitest";
import "fake-indexeddb/auto";

import { cleanup, configure } from "@testing-library/react";
import { IDBFactory } from "fake-indexeddb";
import { afterEach, beforeEach, vi } from "vitest";

import { forgetEvents, StandInEvents } from "./events";
import { answer, forgetAnswers } from "./server";

/** Elements have no size without a browser; this says one, so that what waits for it is drawn. */
class SteadySize implements ResizeObserver {
  readonly #report: ResizeObserverCallback;
  constructor(report: ResizeObserverCallback) {
    this.#report = report;
  }
  observe() {
    const contentRect = new DOMRect(0, 0, 800, 300);
    this.#report([{ contentRect } as ResizeObserverEntry], this);
  }
  unobserve() {
    this.disconnect();
  }
  disconnect() {
    // Nothing is observed for longer than the one report.
  }
}

vi.stubGlobal("fetch", answer);
vi.stubGlobal("ResizeObserver", SteadySize);
vi.stubGlobal("EventSource", StandInEvents);
HTMLElement.prototype.setPointerCapture = () => undefined;
PointerEvent.prototype.getCoalescedEvents = () => [];
PointerEvent.prototype.getPredictedEvents = () => [];

Object.defineProperty(navigator, "storage", {
  value: { persist: () => Promise.resolve(true) },
  configurable: true,
});

// A machine with much else to do is given time; what is not there still fails.
configure({ asyncUtilTimeout: 5000 });

beforeEach(() => {
  vi.stubGlobal("indexedDB", new IDBFactory());
  forgetAnswers();
  forgetEvents();
});
afterEach(() => {
  cleanup();
  localStorage.clear();
});
