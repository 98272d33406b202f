import { Workbox } from 'workbox-window';
import { newVersion } from './offline-state';

const WORKER = '/service-worker.js';

type Worker = Pick<Workbox, 'addEventListener' | 'register' | 'messageSkipWaiting'>;

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
  await worker.register().catch(() => undefined);
}
