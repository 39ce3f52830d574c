/** A stand-in for what a browser hears from the server: tests tell it what happens. */
type Told = (event: MessageEvent<string>) => void;

let open: StandInEvents[] = [];

export class StandInEvents {
  readonly url: string;
  readonly #told: { kind: string; told: Told }[] = [];
  constructor(url: string) {
    this.url = url;
    open.push(this);
  }
  addEventListener(kind: string, told: Told) {
    this.#told.push({ kind, told });
  }
  close() {
    open = open.filter((one) => one !== this);
  }
  hear(kind: string, data: unknown) {
    const event = new MessageEvent(kind, { data: JSON.stringify(data) });
    for (const one of this.#told) if (one.kind === kind) one.told(event);
  }
}

/** Something happens: whoever listens there hears it. */
export function happens(url: string, kind: string, data: unknown = {}) {
  for (const one of open) if (one.url === url) one.hear(kind, data);
}

export function forgetEvents() {
  open = [];
}
