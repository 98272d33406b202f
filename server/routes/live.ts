import { Router } from 'express';
import { z } from 'zod';
import type { LiveEvent } from '@/contracts/live-api';
import type { JobRepository } from '../db/job-repository';
import { checked, refuse } from '../http';
import { nameOf } from '../people/sign-in';
import type { Live } from '../live';

/** ms after which a browser tries a broken stream again. */
const RETRY_MS = 2000;

/** ms between two signs of life, so that nothing between takes the line for dead. */
const BEAT_MS = 20_000;

/** `/api/live/:id`: what happens to a job while it is open, as server-sent events. */
export function liveRoutes(live: Live, jobs: JobRepository): Router {
  const router = Router();
  router.get('/:id', async (request, response) => {
    const { id } = checked(z.object({ id: z.uuid() }), request.params);
    const revision = await jobs.revisionOf(id);
    if (revision === null) refuse(404, 'notFound', 'id', 'a job on the bay board', id);
    response.writeHead(200, {
      'content-type': 'text/event-stream',
      'cache-control': 'no-store',
      connection: 'keep-alive',
    });
    response.write(`retry: ${RETRY_MS}\n\n`);
    const send = (event: LiveEvent): void => void response.write(`data: ${JSON.stringify(event)}\n\n`);
    send({ type: 'saved', revision: revision! });
    const stop = live.listen(id, nameOf(request) ?? '', send, () => response.end());
    const beat = setInterval(() => response.write(': here\n\n'), BEAT_MS).unref();
    request.on('close', () => {
      clearInterval(beat);
      stop();
    });
  });
  return router;
}
