import type { Job, JobContent, JobUpdate } from '@/contracts/job-api';
import type { Problem } from '@/core/1-base/problem';
import type { ApiResult } from '../api';
import type { Draft } from './draft-store';

/**
 * `waiting`: the server does not answer, or answers with a fault of its own; it is tried again. `conflict`: somebody else
 * saved first. `refused`: it will not take this as it is; what is changed next is tried.
 */
export type SaveState = 'saved' | 'saving' | 'waiting' | 'conflict' | 'refused';

export interface SaverStatus {
  readonly state: SaveState;
  /** What is not with the server yet lies in this browser, as it is now. */
  readonly keptHere: boolean;
  readonly problems: readonly Problem[];
  /** What somebody else saved, in a conflict. */
  readonly newer: Job | null;
}

export interface SaverPorts {
  send(
    update: JobUpdate,
    options: { readonly signal: AbortSignal; readonly keepalive: boolean },
  ): Promise<ApiResult<Job>>;
  putDraft(draft: Draft): Promise<void>;
  dropDraft(): Promise<void>;
  newToken(): string;
  now(): number;
  changed(status: SaverStatus): void;
}

/** ms of rest before a change is sent, and before it is put away here. */
const SAVE_DELAY_MS = 350;
const DRAFT_DELAY_MS = 150;

/** ms after which a server that says nothing is taken for one that is away. */
const ANSWER_MS = 8000;

/** ms to the next try: longer after each that failed. */
const RETRY_MS = [2000, 4000, 8000, 15_000, 30_000];

/** Bytes a browser lets a request carry on after its page is gone. */
const KEEPALIVE_BYTES = 60_000;

/**
 * Takes one open job to the server: the newest content only, one request at a time, tried again for as long as it takes, and kept in
 * this browser meanwhile. What it says of itself is always true of the newest content. Knows neither Vue nor the browser.
 */
export class Saver {
  readonly #job: string;
  readonly #tab: string;
  readonly #ports: SaverPorts;
  #revision: number;
  #content: JobContent;
  /** What the server has. */
  #acknowledged: JobContent | null;
  /** What lies in this browser. */
  #kept: JobContent | null = null;
  /** Saves whose answer never came: the server may have taken them. */
  readonly #unanswered: Set<string>;
  /** How many of them the draft here names. */
  #keptSaves = 0;
  /** Name of the save that goes out with the page: every draft names it beforehand, since nothing can be put away then. */
  readonly #farewell: string;
  #status: SaverStatus = { state: 'saved', keptHere: false, problems: [], newer: null };
  #running: Promise<void> | null = null;
  #tries = 0;
  #saveTimer: ReturnType<typeof setTimeout> | undefined;
  #draftTimer: ReturnType<typeof setTimeout> | undefined;
  /** Writes to the browser's shelf, in order. */
  #shelf: Promise<void> = Promise.resolve();

  /** `content` as the server has it at `revision`, unless `isDraft`. */
  constructor(
    job: string,
    tab: string,
    start: {
      readonly content: JobContent;
      readonly revision: number;
      readonly isDraft: boolean;
      readonly saves?: readonly string[];
    },
    ports: SaverPorts,
  ) {
    this.#job = job;
    this.#tab = tab;
    this.#ports = ports;
    this.#content = start.content;
    this.#revision = start.revision;
    this.#acknowledged = start.isDraft ? null : start.content;
    this.#unanswered = new Set(start.saves);
    this.#farewell = ports.newToken();
  }

  get status(): SaverStatus {
    return this.#status;
  }

  get revision(): number {
    return this.#revision;
  }

  /** There is something the server does not have. */
  get isDirty(): boolean {
    return this.#content !== this.#acknowledged;
  }

  /** New content: put away here soon, sent a little later. */
  take(content: JobContent): void {
    this.#content = content;
    this.#draftTimer ??= setTimeout(() => void this.#keep(), DRAFT_DELAY_MS);
    const { state, newer } = this.#status;
    if (state === 'conflict') this.#say({ state, newer, keptHere: false });
    else {
      this.#say({ state: state === 'waiting' ? 'waiting' : 'saving', keptHere: false });
      // A hand at work does not keep a server that is away from being tried when its time comes.
      if (state !== 'waiting') this.#sendIn(SAVE_DELAY_MS);
    }
  }

  /** Tries now, as when the network is back. */
  tryNow(): void {
    if (!this.isDirty || this.#status.state === 'conflict') return;
    this.#tries = 0;
    this.#sendIn(0);
  }

  /** Somebody else has saved `newer`, on which this content does not stand. */
  meet(newer: Job): void {
    clearTimeout(this.#saveTimer);
    this.#say({ state: 'conflict', newer });
    void this.#keep();
  }

  /** In a conflict: this content goes over the newer one. */
  overwrite(): void {
    const { newer } = this.#status;
    if (!newer) return;
    this.#revision = newer.revision;
    this.#say({ state: 'saving' });
    this.#sendIn(0);
  }

  /** In a conflict: the newer content stands, and what was here is let go. */
  giveWay(content: JobContent): void {
    const { newer } = this.#status;
    if (!newer) return;
    this.#revision = newer.revision;
    this.#content = content;
    this.#acknowledged = content;
    this.#letGo();
    this.#say({ state: 'saved', keptHere: false });
  }

  /** The page goes away: what can be put away and sent in that moment is. */
  pageGoes(): void {
    if (!this.isDirty) return;
    const { update } = this.#update(this.#farewell);
    const isSent =
      this.#status.state !== 'conflict' && !this.#running && JSON.stringify(update).length <= KEEPALIVE_BYTES;
    // No answer will be heard; should the page come back, or be loaded again, the name tells that it was this one.
    if (isSent) this.#unanswered.add(update.save!);
    void this.#keep();
    if (!isSent) return;
    void this.#ports.send(update, { signal: new AbortController().signal, keepalive: true }).catch(() => undefined);
  }

  /** The job is left: resolves once everything is with the server, or put away here. */
  async leave(): Promise<void> {
    clearTimeout(this.#saveTimer);
    if (!this.isDirty) return this.#shelf;
    await this.#keep();
    await this.#running;
    if (this.isDirty && this.#status.state !== 'conflict') await this.#send();
    clearTimeout(this.#saveTimer);
    await this.#shelf;
  }

  #sendIn(ms: number): void {
    clearTimeout(this.#saveTimer);
    this.#saveTimer = setTimeout(() => void this.#send(), ms);
  }

  /** Sends until the server has the newest content, or says no, or says nothing. */
  #send(): Promise<void> {
    clearTimeout(this.#saveTimer);
    return (this.#running ??= this.#sendAll().finally(() => (this.#running = null)));
  }

  async #sendAll(): Promise<void> {
    while (this.isDirty && this.#status.state !== 'conflict') {
      if (!(await this.#sendOnce())) return;
    }
  }

  #update(save = this.#ports.newToken()): { readonly sent: JobContent; readonly update: JobUpdate } {
    const sent = this.#content;
    return { sent, update: { ...sent, revision: this.#revision, save } };
  }

  /** Whether there is a reason to go on at once. */
  async #sendOnce(): Promise<boolean> {
    const { sent, update } = this.#update();
    if (this.#status.state !== 'waiting') this.#say({ state: 'saving', keptHere: this.#status.keptHere });
    const limit = new AbortController();
    const timer = setTimeout(() => limit.abort(), ANSWER_MS);
    const answer = await this.#ports.send(update, { signal: limit.signal, keepalive: false });
    clearTimeout(timer);
    if (answer.ok) {
      this.#revision = answer.value.revision;
      this.#acknowledged = sent;
      this.#unanswered.clear();
      this.#tries = 0;
      if (this.isDirty) return true;
      this.#letGo();
      this.#say({ state: 'saved', keptHere: false });
      return false;
    }
    const { failure } = answer;
    if (failure.kind !== 'refused' || isFault(failure.status)) {
      this.#unanswered.add(update.save!);
      this.#say({ state: 'waiting', keptHere: this.#status.keptHere });
      void this.#keep();
      this.#sendIn(RETRY_MS[Math.min(this.#tries++, RETRY_MS.length - 1)]!);
      return false;
    }
    const { newer } = failure;
    if (newer?.savedBy && this.#unanswered.has(newer.savedBy)) {
      // It was this one whose answer got lost: what came since goes on top of it.
      this.#revision = newer.revision;
      return true;
    }
    if (newer) this.meet(newer);
    else {
      this.#say({ state: 'refused', keptHere: this.#status.keptHere, problems: failure.problems });
      void this.#keep();
    }
    return false;
  }

  #keep(): Promise<void> {
    clearTimeout(this.#draftTimer);
    this.#draftTimer = undefined;
    if (this.#kept === this.#content && this.#keptSaves === this.#unanswered.size) return this.#shelf;
    const content = this.#content;
    const draft: Draft = {
      ...content,
      job: this.#job,
      tab: this.#tab,
      revision: this.#revision,
      saves: [...new Set([...this.#unanswered, this.#farewell])],
      at: this.#ports.now(),
    };
    this.#keptSaves = this.#unanswered.size;
    return this.#onShelf(
      () => this.#ports.putDraft(draft),
      () => {
        this.#kept = content;
        if (content === this.#content && this.isDirty) this.#say({ ...this.#status, keptHere: true });
      },
    );
  }

  #letGo(): void {
    clearTimeout(this.#draftTimer);
    this.#draftTimer = undefined;
    this.#kept = null;
    void this.#onShelf(
      () => this.#ports.dropDraft(),
      () => undefined,
    );
  }

  #onShelf(work: () => Promise<void>, done: () => void): Promise<void> {
    // A browser that keeps nothing leaves `keptHere` false, which is what is said then.
    this.#shelf = this.#shelf.then(work).then(done, () => undefined);
    return this.#shelf;
  }

  #say(status: Partial<SaverStatus> & Pick<SaverStatus, 'state'>): void {
    this.#status = { keptHere: this.#status.keptHere, problems: [], newer: null, ...status };
    this.#ports.changed(this.#status);
  }
}

/** A fault of the server's own, or a moment's overload: nothing is wrong with what was sent. */
const isFault = (status: number): boolean => status >= 500 || status === 408 || status === 429;
