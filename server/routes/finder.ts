import { Router } from 'express';
import { z } from 'zod';
import { findRequestSchema, findStateSchema } from '@/contracts/finder-api';
import { MOST_UNDER_WAY, type FinderPool } from '../jobs/finder-pool';
import { answer, checked, refuse } from '../http';

const idOf = (params: unknown): string => checked(z.object({ id: z.uuid() }), params).id;

/** `/api/finder`: searches on the server: start one, see how far it is, end it. */
export function finderRoutes(pool: FinderPool): Router {
  const router = Router();
  router.post(
    '/',
    answer((request, response) => {
      response.status(202);
      const started = pool.start(checked(findRequestSchema, request.body));
      if (!started)
        refuse(429, 'busy', '', `at most ${MOST_UNDER_WAY} searches at once`, 'more; ask again when one has ended');
      return Promise.resolve(findStateSchema.parse(started));
    }),
  );
  router.get(
    '/:id',
    answer((request) => {
      const id = idOf(request.params);
      return Promise.resolve(findStateSchema.parse(pool.state(id) ?? gone(id)));
    }),
  );
  router.delete(
    '/:id',
    answer((request) => {
      const id = idOf(request.params);
      if (!pool.cancel(id)) gone(id);
      return Promise.resolve(undefined);
    }),
  );
  return router;
}

const gone = (id: string): never => refuse(404, 'notFound', 'id', 'a search that is still kept', id);
