/**
 * Which of the browser's tabs this is, and which others are there: a draft belongs to the tab that wrote it for as long as
 * that tab lives. A reload keeps the tab; one made by duplicating another gets a name of its own.
 */
export interface Tabs {
  /** This tab's name, once nobody else answers to it. */
  readonly mine: Promise<string>;
  /** Names of the other tabs that answer now. */
  others(): Promise<ReadonlySet<string>>;
}

/** The part of a BroadcastChannel that is used. */
export interface Channel {
  postMessage(message: unknown): void;
  onmessage: ((event: MessageEvent) => void) | null;
}

export interface TabsOptions {
  readonly channel: Channel | null;
  /** Kept over a reload, copied when a tab is duplicated. */
  readonly session: Pick<Storage, 'getItem' | 'setItem'>;
  readonly newName: () => string;
  /** ms within which a living tab answers. */
  readonly waitMs?: number;
}

type Message = { readonly kind: 'who' } | { readonly kind: 'me'; readonly name: string };

const KEY = 'lowgap.tab';
const ANSWER_MS = 120;

export function makeTabs({ channel, session, newName, waitMs = ANSWER_MS }: TabsOptions): Tabs {
  let name: string | null = null;
  let heard = new Set<string>();
  if (channel) {
    channel.onmessage = ({ data }) => {
      const message = data as Message;
      if (message.kind === 'me') heard.add(message.name);
      else if (name !== null) channel.postMessage({ kind: 'me', name } satisfies Message);
    };
  }
  const rollCall = async (): Promise<ReadonlySet<string>> => {
    if (!channel) return new Set();
    heard = new Set();
    channel.postMessage({ kind: 'who' } satisfies Message);
    await new Promise((resolve) => setTimeout(resolve, waitMs));
    return heard;
  };
  const settleName = async (): Promise<string> => {
    const before = session.getItem(KEY);
    const taken = before !== null && (await rollCall()).has(before);
    name = before !== null && !taken ? before : newName();
    session.setItem(KEY, name);
    return name;
  };
  const mine = settleName();
  return { mine, others: () => mine.then(rollCall) };
}

/** A name nobody else has. Not `crypto.randomUUID`, which a tablet on the shop's plain network is refused. */
export const newToken = (): string =>
  Array.from(crypto.getRandomValues(new Uint32Array(4)), (word) => word.toString(36)).join('-');

let here: Tabs | null = null;

/** The tab this page is in. */
export const thisTab = (): Tabs =>
  (here ??= makeTabs({
    channel: typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('lowgap.tabs'),
    session: sessionStorage,
    newName: newToken,
  }));
