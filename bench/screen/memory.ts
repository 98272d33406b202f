import type { Page } from '@playwright/test';

interface HeapUse {
  readonly usedSize: number;
  /** Of typed arrays, which lie outside the heap; older browsers do not say. */
  readonly backingStorageSize?: number;
}

const bytesOf = ({ usedSize, backingStorageSize = 0 }: HeapUse): number => usedSize + backingStorageSize;

/** What the page and its workers keep once what nobody needs is let go of, MB. */
export async function keptMegabytes(page: Page): Promise<{ readonly all: number; readonly workers: number }> {
  const session = await page.context().newCDPSession(page);
  const workers: string[] = [];
  const waiting = new Map<number, (found: HeapUse) => void>();
  session.on('Target.attachedToTarget', ({ sessionId }) => workers.push(sessionId));
  session.on('Target.receivedMessageFromTarget', ({ message }) => {
    const { id, result } = JSON.parse(message) as { id?: number; result: HeapUse };
    if (id !== undefined) waiting.get(id)?.(result);
  });
  await session.send('Target.setAutoAttach', { autoAttach: true, waitForDebuggerOnStart: false, flatten: false });
  let last = 0;
  const asked = (sessionId: string, method: string): Promise<HeapUse> => {
    const id = ++last;
    const answer = new Promise<HeapUse>((resolve) => waiting.set(id, resolve));
    const message = JSON.stringify({ id, method });
    return session.send('Target.sendMessageToTarget', { sessionId, message }).then(() => answer);
  };
  await session.send('HeapProfiler.collectGarbage');
  const own = bytesOf((await session.send('Runtime.getHeapUsage')) as HeapUse);
  let inWorkers = 0;
  for (const worker of workers) {
    await asked(worker, 'HeapProfiler.collectGarbage');
    inWorkers += bytesOf(await asked(worker, 'Runtime.getHeapUsage'));
  }
  await session.detach();
  return { all: (own + inWorkers) / 1e6, workers: workers.length };
}
