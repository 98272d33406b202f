import { randomUUID } from 'node:crypto';
import type { LiveEvent } from '@/contracts/live-api';

/** Carries short texts to every process on the same database, this one among them. */
export interface Wire {
  tell(text: string): Promise<void>;
  /** `missed` is told when words may have been lost: the line was down for a while. */
  hear(heard: (text: string) => void, missed?: () => void): void;
}

type Message =
  | { readonly kind: 'saved'; readonly job: string; readonly revision: number }
  /** Everybody who has jobs open at one process; said anew all the time, so that a process that died is forgotten. */
  | { readonly kind: 'open'; readonly process: string; readonly open: Readonly<Record<string, readonly string[]>> };

interface Listener {
  readonly name: string;
  readonly send: (event: LiveEvent) => void;
  /** Ends its stream: its browser comes again and is told how it stands. */
  readonly end: () => void;
}

/** ms between two words of who is here, and after which silence means that nobody is. */
const SAY_MS = 10_000;
const SILENCE_MS = 35_000;

/** Who has which job open, and what was saved: told to every browser that listens, at whichever process it does. */
export class Live {
  readonly #wire: Wire;
  readonly #now: () => number;
  readonly #self = randomUUID();
  readonly #listeners = new Map<string, Set<Listener>>();
  readonly #elsewhere = new Map<
    string,
    { readonly open: Readonly<Record<string, readonly string[]>>; readonly at: number }
  >();
  readonly #timer: ReturnType<typeof setInterval>;

  constructor(wire: Wire, now: () => number = Date.now) {
    this.#wire = wire;
    this.#now = now;
    wire.hear(
      (text) => this.#hear(JSON.parse(text) as Message),
      () => this.#endAll(),
    );
    this.#timer = setInterval(() => this.#sayOpen(), SAY_MS).unref();
  }

  /** Listens to a job until the returned function is called. */
  listen(job: string, name: string, send: (event: LiveEvent) => void, end: () => void): () => void {
    const listener = { name, send, end };
    const all = this.#listeners.get(job) ?? new Set();
    this.#listeners.set(job, all.add(listener));
    this.#sayOpen();
    this.#tellHere(job);
    return () => {
      all.delete(listener);
      if (all.size === 0) this.#listeners.delete(job);
      this.#sayOpen();
      this.#tellHere(job);
    };
  }

  /** A job was saved here. */
  saved(job: string, revision: number): void {
    this.#say({ kind: 'saved', job, revision });
  }

  close(): void {
    clearInterval(this.#timer);
  }

  #endAll(): void {
    for (const all of this.#listeners.values()) for (const { end } of all) end();
  }

  #say(message: Message): void {
    // Whoever is not told finds out at the next save: nothing is lost by a word that is.
    this.#wire.tell(JSON.stringify(message)).catch(() => undefined);
  }

  #sayOpen(): void {
    const open = Object.fromEntries(
      [...this.#listeners].map(([job, all]) => [job, [...all].map(({ name }) => name)] as const),
    );
    this.#say({ kind: 'open', process: this.#self, open });
  }

  #hear(message: Message): void {
    if (message.kind === 'saved') {
      const { job, revision } = message;
      for (const { send } of this.#listeners.get(job) ?? []) send({ type: 'saved', revision });
      return;
    }
    // Others speak on the wire too.
    if (message.kind !== 'open' || message.process === this.#self) return;
    const before = this.#elsewhere.get(message.process)?.open ?? {};
    this.#elsewhere.set(message.process, { open: message.open, at: this.#now() });
    for (const job of new Set([...Object.keys(before), ...Object.keys(message.open)])) this.#tellHere(job);
  }

  /** To each who has the job open: everybody else who has. */
  #tellHere(job: string): void {
    const own = [...(this.#listeners.get(job) ?? [])];
    const latest = this.#now() - SILENCE_MS;
    const others = [...this.#elsewhere.values()].flatMap(({ open, at }) => (at < latest ? [] : (open[job] ?? [])));
    for (const one of own) {
      const names = [...own.filter((other) => other !== one).map(({ name }) => name), ...others];
      one.send({ type: 'here', names });
    }
  }
}

/** One process alone. */
export function wireHere(): Wire {
  const all = new Set<(text: string) => void>();
  return {
    tell: async (text) => all.forEach((heard) => heard(text)),
    hear: (heard) => void all.add(heard),
  };
}
