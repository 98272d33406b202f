import { Workbox } from 'workbox-window';
import { api } from '../api';
import { newVersion } from './offline-state';

const WORKER = '/service-worker.js';

/** What rooms ask for; asked once more when a worker begins to keep answers. */
const ASKED = ['/api/people/me', '/api/jobs', '/api/catalogue', '/api/wells', '/api/shop'];

type Worker = Pick<Workbox, 'addEventListener' | 'register' | 'messageSkipWaiting'>;

/** Jobs of the board, the last changed first, that are fetched ahead when a worker begins. */
const MOST_AHEAD = 30;

/** Addresses whose answers a page at `path` needs to open again. */
export function askedAt(path: string): string[] {
  const [, job] = /^\/jobs\/([0-9a-f-]{36})/.exec(path) ?? [];
  return job === undefined ? ASKED : [...ASKED, `/api/jobs/${job}`];
}

/**
 * Lets this browser open the program without the server. Only where it trusts the address (loopback, or HTTPS with a certificate it knows);
 * elsewhere drafts are kept all the same, and an open page goes on.
 */
export async function installWorker(
  make: (address: string) => Worker = (address) => new Workbox(address),
  again: () => void = () => window.location.reload(),
): Promise<void> {
  if (!window.isSecureContext || !('serviceWorker' in navigator)) return;
  const worker = make(WORKER);
  worker.addEventListener('waiting', () => {
    newVersion.value = () => {
      worker.addEventListener('controlling', again);
      worker.messageSkipWaiting();
    };
  });
  // What was asked before the worker was there was not kept by it.
  worker.addEventListener('activated', ({ isUpdate }) => {
    if (!isUpdate) void askAgain(window.location.pathname).catch(() => undefined);
  });
  await worker.register().catch(() => undefined);
}

async function askAgain(path: string): Promise<void> {
  for (const address of askedAt(path)) await fetch(address);
  const listed = await api.listJobs();
  for (const { id } of listed.ok ? listed.value.jobs.slice(0, MOST_AHEAD) : []) await fetch(`/api/jobs/${id}`);
}
