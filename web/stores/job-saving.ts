import { shallowRef } from 'vue';
import type { Choice } from '@/contracts/changes/merge';
import type { JobContent } from '@/contracts/job-api';
import { jobContentSchema } from '@/contracts/job-api';
import { api, type ApiResult } from '../api';
import { drafts, type Draft, type DraftStore } from '../saving/draft-store';
import { Saver, type SaverPorts, type SaverStart, type SaverStatus } from '../saving/saver';
import { listenToJob } from '../saving/job-live';
import { newToken, thisTab } from '../saving/tab';

const NOTHING_OPEN: SaverStatus = { state: 'saved', keptHere: false, problems: [], clashes: [] };

/** A draft that this version of the program cannot read: it is kept as it is, to be taken away as a file. */
export interface UnreadableDraft {
  readonly draft: Draft;
}

export interface Found extends SaverStart {
  readonly isDraft: boolean;
}

/** Jobs left whose last changes are still on their way. */
const leaving = new Map<string, Promise<void>>();

/** Saving of the open job, and what this browser keeps of it. `adopt` is told what others changed. */
export function useSaving(adopt: SaverPorts['adopt']) {
  const status = shallowRef<SaverStatus>(NOTHING_OPEN);
  const unreadable = shallowRef<UnreadableDraft | null>(null);
  /** Who else has the job open; '' where nobody knows their name. */
  const others = shallowRef<readonly string[]>([]);
  let saver: Saver | null = null;
  let stopListening = (): void => undefined;
  let jobId = '';

  /** A job as the server has it, or as this browser kept it. */
  async function find(id: string): Promise<ApiResult<Found>> {
    // What was changed last in this very window goes first.
    await leaving.get(id);
    unreadable.value = null;
    const [read, draft] = await Promise.all([api.readJob(id), draftOf(id).catch(() => null)]);
    if (!draft) {
      if (!read.ok) return read;
      const { title, customer, document, revision } = read.value;
      const content = { title, customer, document };
      return { ok: true, value: { content, base: content, revision, isDraft: false, saves: [] } };
    }
    // Away is not gone: what is kept here can be worked on.
    if (!read.ok && read.failure.kind === 'refused' && read.failure.status < 500) return read;
    return { ok: true, value: { ...draft, isDraft: true } };
  }

  /** The newest draft of this tab, or of one that is gone, read; others stay where they are. */
  async function draftOf(id: string): Promise<SaverStart | null> {
    const shelf = drafts();
    const all = await shelf.ofJob(id);
    if (all.length === 0) return null;
    const mine = await thisTab().mine;
    const isForeign = all.some(({ tab }) => tab !== mine);
    const others = isForeign ? await thisTab().others() : new Set<string>();
    const draft = all.find(({ tab }) => tab === mine) ?? all.find(({ tab }) => !others.has(tab));
    if (!draft) return null;
    const { title, customer, document, revision } = draft;
    const read = jobContentSchema.safeParse({ title, customer, document });
    if (!read.success) {
      unreadable.value = { draft };
      // Out of the way of what this tab puts away next: it stays until somebody takes it.
      if (draft.tab === mine) await adoptDraft(shelf, draft, `${mine}-unread`);
      return null;
    }
    if (draft.tab !== mine) await adoptDraft(shelf, draft, mine);
    return { content: read.data, base: draft.base ?? null, revision, saves: draft.saves };
  }

  async function begin(id: string, found: Found): Promise<void> {
    jobId = id;
    const tab = await thisTab().mine.catch(() => 'none');
    const ports: SaverPorts = {
      send: (change, options) => api.changeJob(id, change, options),
      since: (revision) => api.jobChanges(id, revision),
      read: () => api.readJob(id),
      putDraft: (draft) => drafts().put(draft),
      dropDraft: () => drafts().drop(id, tab),
      newToken,
      now: () => Date.now(),
      changed: (now) => {
        if (saver === mine) status.value = now;
      },
      adopt: (content, sets, chosen) => {
        if (saver === mine) adopt(content, sets, chosen);
      },
    };
    const mine = new Saver(id, tab, found, ports);
    saver = mine;
    status.value = mine.status;
    if (found.isDraft) mine.take(found.content);
    stopListening = listenToJob(id, (event) => {
      if (event.type === 'here') others.value = event.names;
      else void mine.hear(event.revision);
    });
  }

  /** Resolves once what was changed last is with the server, or put away here. */
  function end(): Promise<void> {
    const left = saver;
    stopListening();
    others.value = [];
    saver = null;
    status.value = NOTHING_OPEN;
    unreadable.value = null;
    if (!left) return leaving.get(jobId) ?? Promise.resolve();
    const id = jobId;
    const done = left.leave().finally(() => {
      if (leaving.get(id) === done) leaving.delete(id);
    });
    leaving.set(id, done);
    return done;
  }

  if (typeof window !== 'undefined') {
    window.addEventListener('pagehide', () => saver?.pageGoes());
    window.addEventListener('online', () => saver?.tryNow());
    window.addEventListener('beforeunload', (event) => {
      // Only what would be lost is worth holding somebody up for.
      if (saver?.isDirty && !saver.status.keptHere) event.preventDefault();
    });
    document.addEventListener('visibilitychange', () => {
      if (document.visibilityState === 'hidden') saver?.pageGoes();
    });
  }

  return {
    status,
    others,
    unreadable,
    find,
    begin,
    end,
    take: (content: JobContent) => saver?.take(content),
    settle: (choose: Choice) => saver?.settle(choose),
    tryNow: () => saver?.tryNow(),
    revision: () => saver?.revision ?? 0,
  };
}

/** Puts a draft under the name of another tab. */
async function adoptDraft(shelf: DraftStore, draft: Draft, tab: string): Promise<void> {
  await shelf.put({ ...draft, tab });
  await shelf.drop(draft.job, draft.tab);
}
