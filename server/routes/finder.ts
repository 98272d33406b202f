import { Router } from 'express';
import { z } from 'zod';
import { findRequestSchema, findStateSchema } from '@/contracts/finder-api';
import { MOST_UNDER_WAY, type Searches } from '../jobs/searches';
import { answer, checked, refuse } from '../http';

const idOf = (params: unknown): string => checked(z.object({ id: z.uuid() }), params).id;

/** `/api/finder`: searches on the server: start one, see how far it is, end it. */
export function finderRoutes(searches: Searches): Router {
  const router = Router();
  router.post(
    '/',
    answer(async (request, response) => {
      response.status(202);
      const started = await searches.start(checked(findRequestSchema, request.body));
      if (!started)
        refuse(429, 'busy', '', `at most ${MOST_UNDER_WAY} searches at once`, 'more; ask again when one has ended');
      return findStateSchema.parse(started);
    }),
  );
  router.get(
    '/:id',
    answer(async (request) => {
      const id = idOf(request.params);
      return findStateSchema.parse((await searches.state(id)) ?? gone(id));
    }),
  );
  router.delete(
    '/:id',
    answer(async (request) => {
      const id = idOf(request.params);
      if (!(await searches.cancel(id))) gone(id);
    }),
  );
  return router;
}

const gone = (id: string): never => refuse(404, 'notFound', 'id', 'a search that is still kept', id);
