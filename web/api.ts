import { z } from 'zod';
import { catalogueItemSchema, catalogueListSchema, type CatalogueContent } from '@/contracts/catalogue';
import { findStateSchema, type FindRequest } from '@/contracts/finder-api';
import { binSchema, type BinKind } from '@/contracts/bin-api';
import {
  jobChangesSchema,
  jobClashSchema,
  jobHistorySchema,
  jobListSchema,
  jobSavedSchema,
  jobSchema,
  jobThenSchema,
  type JobChange,
  type JobClash,
  type JobContent,
} from '@/contracts/job-api';
import { installationSchema } from '@/contracts/installation-api';
import { shopPlanSchema, type ShopImport } from '@/contracts/shop-file';
import {
  meSchema,
  pairingSchema,
  peopleSchema,
  personSchema,
  whoSchema,
  type firstOwnerSchema,
  type pairSchema,
  type personChangeSchema,
  type personContentSchema,
  type signInSchema,
} from '@/contracts/people';
import { wellListSchema, wellSchema, type WellContent } from '@/contracts/well-api';
import type { ShopTermsEntry } from '@/contracts/plan';
import { shopSchema } from '@/contracts/shop-api';
import type { CalendarRequest } from '@/contracts/sheets-api';
import { parseWith } from '@/contracts/parse';
import { refusalSchema } from '@/contracts/problems';
import type { Problem } from '@/core/1-base/problem';
import { noteAnswer } from './offline/offline-state';

export type ApiFailure =
  | { readonly kind: 'unreachable' }
  /** It answered what nobody here can read: another version of the program. */
  | { readonly kind: 'drifted'; readonly problems: readonly Problem[] }
  | {
      readonly kind: 'refused';
      readonly status: number;
      readonly problems: readonly Problem[];
      readonly clash?: JobClash;
    };

export type ApiResult<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly failure: ApiFailure };

/** What went wrong, to be said where it was asked; none where it went well. */
export function problemsOf(answer: ApiResult<unknown>): readonly Problem[] {
  if (answer.ok) return [];
  return answer.failure.kind === 'unreachable' ? [NO_ANSWER] : answer.failure.problems;
}

export const NO_ANSWER: Problem = {
  code: 'internal',
  path: '',
  expected: 'an answer from the server',
  found: 'none; is it running?',
};

/** What a caller may say of a request beside its content. */
export type CallOptions = Pick<RequestInit, 'signal' | 'keepalive'>;

/** Told when the server answers that nobody is signed in any more. */
let signedOut = (): void => undefined;
export const whenSignedOut = (told: () => void): void => void (signedOut = told);

async function call<T>(
  method: string,
  path: string,
  schema: z.ZodType<T> | null,
  body?: unknown,
  options: CallOptions = {},
): Promise<ApiResult<T>> {
  let response: Response;
  let answer: unknown;
  try {
    response = await fetch(`/api${path}`, {
      method,
      ...bodyOf(body),
      ...options,
    });
    noteAnswer(response);
    answer = response.status === 204 ? undefined : await response.json();
  } catch {
    return { ok: false, failure: { kind: 'unreachable' } };
  }
  if (response.ok) {
    if (!schema) return { ok: true, value: undefined as T };
    const read = parseWith(schema, answer);
    // A server of another version: its answer is no answer, and says so as data.
    return read.ok ? read : { ok: false, failure: { kind: 'drifted', problems: read.problems } };
  }
  if (response.status === 401 && !path.startsWith('/people/')) signedOut();
  const refusal = refusalSchema.safeParse(answer);
  const clash = response.status === 409 ? jobClashSchema.safeParse(answer) : null;
  return {
    ok: false,
    failure: {
      kind: 'refused',
      status: response.status,
      problems: refusal.success ? refusal.data.problems : [],
      ...(clash?.success ? { clash: clash.data } : {}),
    },
  };
}

function bodyOf(body: unknown): RequestInit {
  if (body === undefined) return {};
  if (body instanceof Blob) return { headers: { 'content-type': body.type || 'application/octet-stream' }, body };
  return { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) };
}

/** A file the server writes. */
async function fetchFile(method: string, path: string, body?: unknown): Promise<ApiResult<Blob>> {
  try {
    const response = await fetch(`/api${path}`, { method, ...bodyOf(body) });
    if (response.ok) return { ok: true, value: await response.blob() };
    const refusal = refusalSchema.safeParse(await response.json());
    const problems = refusal.success ? refusal.data.problems : [];
    return { ok: false, failure: { kind: 'refused', status: response.status, problems } };
  } catch {
    return { ok: false, failure: { kind: 'unreachable' } };
  }
}

/** ms after which a question that holds a page up is given up. */
const SOON_MS = 3000;

const soon = (): CallOptions =>
  typeof AbortSignal.timeout === 'function' ? { signal: AbortSignal.timeout(SOON_MS) } : {};

export const api = {
  calendar: (request: CalendarRequest) => fetchFile('POST', '/sheets/calendar', request),
  /** `id`: its name where it has one already. */
  addPhoto: (job: string, photo: Blob, id?: string) =>
    call('POST', `/photos?job=${job}${id === undefined ? '' : `&id=${id}`}`, z.object({ id: z.uuid() }), photo),
  readPhoto: (id: string) => fetchFile('GET', `/photos/${id}`),
  startFind: (request: FindRequest) => call('POST', '/finder', findStateSchema, request),
  readFind: (id: string) => call('GET', `/finder/${id}`, findStateSchema),
  cancelFind: (id: string) => call<void>('DELETE', `/finder/${id}`, null),
  listWells: () => call('GET', '/wells', wellListSchema),
  addWell: (well: WellContent) => call('POST', '/wells', wellSchema, well),
  removeWell: (id: string) => call<void>('DELETE', `/wells/${id}`, null),
  listCatalogue: () => call('GET', '/catalogue', catalogueListSchema),
  addToCatalogue: (items: readonly CatalogueContent[]) => call('POST', '/catalogue', catalogueListSchema, { items }),
  changeInCatalogue: (id: string, revision: number, item: CatalogueContent) =>
    call('PUT', `/catalogue/${id}`, catalogueItemSchema, { revision, item }),
  removeFromCatalogue: (id: string) => call<void>('DELETE', `/catalogue/${id}`, null),
  readShop: () => call('GET', '/shop', shopSchema),
  saveShop: (terms: ShopTermsEntry) => call('PUT', '/shop', shopSchema, { terms }),
  listJobs: () => call('GET', '/jobs', jobListSchema),
  readJob: (id: string) => call('GET', `/jobs/${id}`, jobSchema),
  createJob: (content: JobContent) => call('POST', '/jobs', jobSchema, content),
  exampleJob: () => call('POST', '/jobs/example', jobSchema),
  changeJob: (id: string, change: JobChange, options: CallOptions = {}) =>
    call('PATCH', `/jobs/${id}`, jobSavedSchema, change, options),
  jobChanges: (id: string, since: number) => call('GET', `/jobs/${id}/changes?since=${since}`, jobChangesSchema),
  jobHistory: (id: string) => call('GET', `/jobs/${id}/history`, jobHistorySchema),
  jobThen: (id: string, revision: number) => call('GET', `/jobs/${id}/history/${revision}`, jobThenSchema),
  removeJob: (id: string) => call<void>('DELETE', `/jobs/${id}`, null),
  /** Where the text that is kept of a job can be had, whether this version can read it or not. */
  jobTextAddress: (id: string) => `/api/jobs/${id}/text`,
  /** Asked before a page is shown: a server that says nothing does not hold it up. */
  me: () => call('GET', '/people/me', meSchema, undefined, soon()),
  makeFirst: (owner: z.input<typeof firstOwnerSchema>) => call('POST', '/people/first', whoSchema, owner),
  signIn: (given: z.input<typeof signInSchema>) => call('POST', '/people/sign-in', whoSchema, given),
  signOut: () => call<void>('POST', '/people/sign-out', null),
  pair: (given: z.input<typeof pairSchema>) => call<void>('POST', '/people/pair', null, given),
  readPeople: () => call('GET', '/people', peopleSchema),
  addPerson: (person: z.input<typeof personContentSchema>) => call('POST', '/people', personSchema, person),
  changePerson: (id: string, change: z.input<typeof personChangeSchema>) =>
    call('PUT', `/people/${id}`, personSchema, change),
  startPairing: () => call('POST', '/people/pairing', pairingSchema),
  forgetDevice: (id: string) => call<void>('DELETE', `/people/devices/${id}`, null),
  endSession: (id: string) => call<void>('DELETE', `/people/sessions/${id}`, null),
  readInstallation: () => call('GET', '/installation', installationSchema),
  /** Where the whole shop can be had as one file. */
  backupAddress: '/api/backup',
  bringIn: (how: ShopImport, file: Blob) => call('POST', `/backup?how=${how}`, shopPlanSchema, file),
  readBin: () => call('GET', '/bin', binSchema),
  bringBack: (kind: BinKind, id: string) => call<void>('POST', `/bin/${kind}/${id}/back`, null),
  forget: (kind: BinKind, id: string) => call<void>('DELETE', `/bin/${kind}/${id}`, null),
};
