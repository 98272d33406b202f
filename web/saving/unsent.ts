import { useEventListener, useIntervalFn } from '@vueuse/core';
import { computed, onMounted, shallowRef } from 'vue';
import { jobContentSchema } from '@/contracts/job-api';
import { api } from '../api';
import { drafts, type Draft } from './draft-store';
import { Saver, type SaverStatus } from './saver';
import { newToken, thisTab } from './tab';

export interface Unsent {
  readonly draft: Draft;
  /** Open in another tab of this browser, which sends it. */
  readonly isOpen: boolean;
  /** What came of the last try; null: none yet. */
  readonly status: SaverStatus | null;
}

/** ms between two looks at what lies here. */
const LOOK_MS = 5000;

/** What lies in this browser and is not with the server: seen without opening its job, and sent from here. */
export function useUnsent(sent: () => void) {
  const all = shallowRef<readonly Draft[]>([]);
  const living = shallowRef<ReadonlySet<string>>(new Set());
  const statuses = shallowRef<ReadonlyMap<string, SaverStatus>>(new Map());
  const isSending = shallowRef(false);

  async function look(): Promise<void> {
    const found = await drafts()
      .all()
      .catch(() => []);
    living.value = found.length > 0 ? await thisTab().others() : new Set();
    all.value = found;
  }

  const list = computed<readonly Unsent[]>(() =>
    all.value.map((draft) => ({
      draft,
      isOpen: living.value.has(draft.tab),
      status: statuses.value.get(nameOf(draft)) ?? null,
    })),
  );

  /** Sends what no open tab will send; what the server has of it then is gone from here. */
  async function send(): Promise<void> {
    if (isSending.value) return;
    isSending.value = true;
    await look();
    const own = all.value.filter(({ tab }) => !living.value.has(tab));
    for (const draft of own) {
      const status = await sendDraft(draft);
      statuses.value = new Map([...statuses.value, [nameOf(draft), status]]);
    }
    await look();
    isSending.value = false;
    if (own.some((draft) => !all.value.some((left) => nameOf(left) === nameOf(draft)))) sent();
  }

  /** Lets go of one that the server will never take, because its job is gone. */
  async function letGo({ job, tab }: Draft): Promise<void> {
    await drafts().drop(job, tab);
    await look();
  }

  onMounted(() => void send());
  useEventListener(window, 'online', () => void send());
  useIntervalFn(() => void look(), LOOK_MS);
  return { list, isSending, send, letGo };
}

const nameOf = ({ job, tab }: Draft): string => `${job} ${tab}`;

/** Takes one draft to the server as its own page would: what others changed meanwhile stays, what both changed waits for somebody. */
export async function sendDraft(draft: Draft): Promise<SaverStatus> {
  const { job, tab, revision, saves, base = null } = draft;
  const { title, customer, document } = draft;
  const read = jobContentSchema.safeParse({ title, customer, document });
  if (!read.success) return { state: 'refused', keptHere: true, problems: [], clashes: [] };
  const saver = new Saver(
    job,
    tab,
    { content: read.data, base, revision, saves },
    {
      send: (change, options) => api.changeJob(job, change, options),
      since: (known) => api.jobChanges(job, known),
      read: () => api.readJob(job),
      putDraft: (kept) => drafts().put(kept),
      dropDraft: () => drafts().drop(job, tab),
      newToken,
      // When it was typed, not when it was tried.
      now: () => draft.at,
      changed: () => undefined,
      adopt: () => undefined,
    },
  );
  await saver.leave();
  return saver.status;
}
