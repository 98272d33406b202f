import { changesBetween } from '@/contracts/changes/diff';
import type { ChangeSet, Clash } from '@/contracts/changes/change';
import { merged, type Choice } from '@/contracts/changes/merge';
import type { Job, JobChange, JobContent, JobSaved } from '@/contracts/job-api';
import type { Problem } from '@/core/1-base/problem';
import type { ApiResult } from '../api';
import type { Draft } from './draft-store';

/**
 * `waiting`: the server does not answer, or answers with a fault of its own; it is tried again. `conflict`: somebody else
 * changed the same field. `refused`: it will not take this as it is; what is changed next is tried.
 */
export type SaveState = 'saved' | 'saving' | 'waiting' | 'conflict' | 'refused';

export interface SaverStatus {
  readonly state: SaveState;
  /** What is not with the server yet lies in this browser, as it is now. */
  readonly keptHere: boolean;
  readonly problems: readonly Problem[];
  /** In a conflict: each field that both changed. One of no path at all: the two do not go together. */
  readonly clashes: readonly Clash[];
}

export interface SaverPorts {
  send(
    change: JobChange,
    options: { readonly signal: AbortSignal; readonly keepalive: boolean },
  ): Promise<ApiResult<JobSaved>>;
  /** Every save after a revision. */
  since(revision: number): Promise<ApiResult<{ readonly since: readonly ChangeSet[] }>>;
  /** The job as the server has it. */
  read(): Promise<ApiResult<Job>>;
  putDraft(draft: Draft): Promise<void>;
  dropDraft(): Promise<void>;
  newToken(): string;
  now(): number;
  changed(status: SaverStatus): void;
  /** What others changed has come in: `content` is both together, `sets` what came. `chosen`: somebody chose what stays. */
  adopt(content: JobContent, sets: readonly ChangeSet[], chosen: boolean): void;
}

/** Where a saver begins. */
export interface SaverStart {
  readonly content: JobContent;
  /** What the server had at `revision`; null: a draft of an older version, which did not keep it. */
  readonly base: JobContent | null;
  readonly revision: number;
  /** Saves of this browser whose answer was not heard. */
  readonly saves: readonly string[];
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

/** What others saved while here the same was changed. */
interface Meeting {
  readonly was: JobContent;
  readonly theirs: JobContent;
  readonly revision: number;
  readonly sets: readonly ChangeSet[];
  /** The two do not go together, though no field was changed twice. */
  readonly isWhole: boolean;
}

/**
 * Takes one open job to the server: only what was changed, one request at a time, tried again for as long as it takes, and
 * kept in this browser meanwhile. What others changed comes back with the answer and is merged field by field. What it says of
 * itself is always true of the newest content. Knows neither Vue nor the browser.
 */
export class Saver {
  readonly #job: string;
  readonly #tab: string;
  readonly #ports: SaverPorts;
  #revision: number;
  #content: JobContent;
  /** What the server has at `#revision`. */
  #base: JobContent | null;
  /** What lies in this browser. */
  #kept: JobContent | null = null;
  /** Sent, and nothing heard: sent again as it was until something is. */
  #pending: { readonly change: JobChange; readonly content: JobContent } | null = null;
  /** Saves of an earlier page, or sent as this one went away: the server may have taken them. */
  readonly #unheard: Set<string>;
  /** Those that the draft here names. */
  #keptSaves = '';
  /** Name of the save that goes out with the page: every draft names it beforehand, since nothing can be put away then. */
  #farewell: string;
  #meeting: Meeting | null = null;
  #status: SaverStatus = { state: 'saved', keptHere: false, problems: [], clashes: [] };
  #running: Promise<void> | null = null;
  #tries = 0;
  #saveTimer: ReturnType<typeof setTimeout> | undefined;
  #draftTimer: ReturnType<typeof setTimeout> | undefined;
  /** Writes to the browser's shelf, in order. */
  #shelf: Promise<void> = Promise.resolve();

  constructor(job: string, tab: string, start: SaverStart, ports: SaverPorts) {
    this.#job = job;
    this.#tab = tab;
    this.#ports = ports;
    this.#content = start.content;
    this.#revision = start.revision;
    this.#base = start.base;
    this.#unheard = new Set(start.saves);
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
    return this.#content !== this.#base || this.#pending !== null;
  }

  /** New content: put away here soon, sent a little later. */
  take(content: JobContent): void {
    this.#content = content;
    this.#draftTimer ??= setTimeout(() => void this.#keep(), DRAFT_DELAY_MS);
    if (this.#meeting) return this.#sayClashes();
    const { state } = this.#status;
    this.#say({ state: state === 'waiting' ? 'waiting' : 'saving', keptHere: false });
    // A hand at work does not keep a server that is away from being tried when its time comes.
    if (state !== 'waiting') this.#sendIn(SAVE_DELAY_MS);
  }

  /** Tries now, as when the network is back. */
  tryNow(): void {
    if (!this.isDirty || this.#meeting) return;
    this.#tries = 0;
    this.#sendIn(0);
  }

  /** Somebody saved `revision`: what it changed is fetched, unless an answer under way will bring it. */
  async hear(revision: number): Promise<void> {
    const isBusy = () =>
      this.#running !== null || this.#meeting !== null || this.#pending !== null || this.#unheard.size > 0;
    if (revision <= this.#revision || isBusy() || !this.#base) return;
    const answer = await this.#ports.since(this.#revision);
    if (!answer.ok || isBusy()) return;
    const sets = answer.value.since.filter((set) => set.revision > this.#revision);
    if (sets.length === 0) return;
    this.#meet(sets, this.#base);
    if (this.#meeting) void this.#keep();
    else if (this.isDirty) this.#sendIn(SAVE_DELAY_MS);
  }

  /** In a conflict: what stays of each field; sent then. */
  settle(choose: Choice): void {
    const meeting = this.#meeting;
    if (!meeting) return;
    const content = meeting.isWhole
      ? choose({ path: [] }) === 'mine'
        ? this.#content
        : meeting.theirs
      : merged(meeting.theirs, changesBetween(meeting.was, this.#content), choose).value;
    this.#meeting = null;
    this.#revision = meeting.revision;
    this.#base = meeting.theirs;
    const isTheirs = changesBetween(meeting.theirs, content).length === 0;
    this.#content = isTheirs ? meeting.theirs : content;
    this.#ports.adopt(this.#content, meeting.sets, true);
    if (isTheirs) {
      this.#letGo();
      this.#say({ state: 'saved', keptHere: false });
      return;
    }
    this.#say({ state: 'saving' });
    this.#sendIn(0);
  }

  /** The page goes away: what can be put away and sent in that moment is. */
  pageGoes(): void {
    if (!this.isDirty) return;
    const change =
      this.#base && !this.#meeting && !this.#running && !this.#pending ? this.#change(this.#farewell) : null;
    const isSent = change !== null && this.#unheard.size === 0 && JSON.stringify(change).length <= KEEPALIVE_BYTES;
    // No answer will be heard; should the page come back, or be loaded again, the name tells that it was this one.
    if (isSent) {
      this.#unheard.add(this.#farewell);
      this.#farewell = this.#ports.newToken();
    }
    void this.#keep();
    if (isSent) {
      void this.#ports.send(change, { signal: new AbortController().signal, keepalive: true }).catch(() => undefined);
    }
  }

  /** The job is left: resolves once everything is with the server, or put away here. */
  async leave(): Promise<void> {
    clearTimeout(this.#saveTimer);
    if (!this.isDirty) return this.#shelf;
    await this.#keep();
    await this.#running;
    if (this.isDirty && !this.#meeting) await this.#send();
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
    while (this.isDirty && !this.#meeting) {
      if (!((await this.#catchUp()) && (await this.#sendOnce()))) return;
    }
  }

  #change(save: string): JobChange {
    return { revision: this.#revision, save, changes: changesBetween(this.#base, this.#content) };
  }

  /** Before anything is sent: which of the saves nobody heard an answer to were taken. Whether to go on. */
  async #catchUp(): Promise<boolean> {
    if (!this.#base) return this.#findBase();
    if (this.#unheard.size === 0) return true;
    const answer = await this.#ports.since(this.#revision);
    if (!answer.ok) return this.#wait();
    const sets = answer.value.since;
    const saves = new Set(this.#unheard);
    const own = sets.filter(({ save }) => save != null && saves.has(save));
    this.#unheard.clear();
    if (sets.length > 0) this.#meet(sets, withSets(this.#base, own), saves);
    if (!this.#meeting) return true;
    void this.#keep();
    return false;
  }

  /** A draft that does not say on what it stands: on what the server has, if that is of the same revision. */
  async #findBase(): Promise<boolean> {
    const answer = await this.#ports.read();
    if (!answer.ok) return this.#wait();
    const { title, customer, document, revision } = answer.value;
    const theirs = { title, customer, document };
    this.#unheard.clear();
    if (revision === this.#revision) {
      this.#base = theirs;
      return true;
    }
    this.#meeting = { was: theirs, theirs, revision, sets: [], isWhole: true };
    this.#sayClashes();
    void this.#keep();
    return false;
  }

  /** Whether there is a reason to go on at once. */
  async #sendOnce(): Promise<boolean> {
    if (!this.isDirty) return this.#saved();
    const pending = (this.#pending ??= { change: this.#change(this.#ports.newToken()), content: this.#content });
    if (pending.change.changes.length === 0) {
      this.#pending = null;
      this.#base = pending.content;
      return this.isDirty || this.#saved();
    }
    if (this.#status.state !== 'waiting') this.#say({ state: 'saving', keptHere: this.#status.keptHere });
    const limit = new AbortController();
    const timer = setTimeout(() => limit.abort(), ANSWER_MS);
    const answer = await this.#ports.send(pending.change, { signal: limit.signal, keepalive: false });
    clearTimeout(timer);
    if (answer.ok) {
      this.#pending = null;
      this.#tries = 0;
      this.#meet(answer.value.since, pending.content, new Set([pending.change.save]));
      this.#revision = answer.value.revision;
      if (this.#meeting) {
        void this.#keep();
        return false;
      }
      return this.isDirty || this.#saved();
    }
    const { failure } = answer;
    if (failure.kind !== 'refused' || isFault(failure.status)) return this.#wait();
    this.#pending = null;
    if (failure.clash) {
      const { since, clashes, job } = failure.clash;
      const base = this.#base!;
      const theirs = job ? { title: job.title, customer: job.customer, document: job.document } : withSets(base, since);
      const revision = job?.revision ?? since.at(-1)?.revision ?? this.#revision;
      this.#meeting = { was: base, theirs, revision, sets: since, isWhole: job !== undefined || clashes.length === 0 };
      this.#sayClashes();
    } else {
      this.#say({ state: 'refused', keptHere: this.#status.keptHere, problems: failure.problems });
    }
    void this.#keep();
    return false;
  }

  /** The server has the newest content. */
  #saved(): false {
    this.#unheard.clear();
    this.#letGo();
    this.#say({ state: 'saved', keptHere: false });
    return false;
  }

  /** Later, then. */
  #wait(): false {
    this.#say({ state: 'waiting', keptHere: this.#status.keptHere });
    void this.#keep();
    this.#sendIn(RETRY_MS[Math.min(this.#tries++, RETRY_MS.length - 1)]!);
    return false;
  }

  /** Saves that were taken, others' and `own`; what was changed here since `mine` goes on top of them. */
  #meet(sets: readonly ChangeSet[], mine: JobContent, own: ReadonlySet<string> = new Set()): void {
    const theirs = withSets(this.#base!, sets);
    const revision = sets.at(-1)?.revision ?? this.#revision;
    const local = changesBetween(mine, this.#content);
    const { value, clashes } = merged(theirs, local);
    if (clashes.length > 0) {
      this.#meeting = { was: mine, theirs, revision, sets, isWhole: false };
      this.#sayClashes();
      return;
    }
    const foreign = sets.filter(({ save }) => save == null || !own.has(save));
    this.#revision = revision;
    if (foreign.length === 0 && changesBetween(theirs, mine).length === 0) {
      // Nothing but what was sent from here: the page goes on with its own objects.
      this.#base = mine;
      if (local.length === 0) this.#base = this.#content;
      return;
    }
    this.#base = theirs;
    this.#content = local.length === 0 ? theirs : value;
    this.#ports.adopt(this.#content, foreign, false);
  }

  #sayClashes(): void {
    const { was, theirs, isWhole } = this.#meeting!;
    const whole: Clash = { path: [], mine: this.#content, theirs };
    const clashes = isWhole ? [whole] : merged(theirs, changesBetween(was, this.#content)).clashes;
    this.#say({ state: 'conflict', clashes, keptHere: false });
  }

  #keep(): Promise<void> {
    clearTimeout(this.#draftTimer);
    this.#draftTimer = undefined;
    const saves = [...this.#unheard, ...(this.#pending ? [this.#pending.change.save] : [])];
    if (this.#kept === this.#content && this.#keptSaves === saves.join()) {
      if (this.isDirty) this.#say({ ...this.#status, keptHere: true });
      return this.#shelf;
    }
    const content = this.#content;
    const draft: Draft = {
      ...content,
      job: this.#job,
      tab: this.#tab,
      revision: this.#revision,
      base: this.#base,
      saves: [...saves, this.#farewell],
      at: this.#ports.now(),
    };
    this.#keptSaves = saves.join();
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
    this.#status = { keptHere: this.#status.keptHere, problems: [], clashes: [], ...status };
    this.#ports.changed(this.#status);
  }
}

/** A content with saves made on it, in their order: each on what it was made on, so that nothing meets. */
const withSets = (content: JobContent, sets: readonly ChangeSet[]): JobContent =>
  sets.reduce((now, { changes }) => merged(now, changes, () => 'mine').value, content);

/** A fault of the server's own, a moment's overload, or nobody signed in: nothing is wrong with what was sent. */
const isFault = (status: number): boolean => status >= 500 || status === 401 || status === 408 || status === 429;
