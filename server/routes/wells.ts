import { Router } from 'express';
import { z } from 'zod';
import { wellContentSchema, wellListSchema, wellSchema, type Well } from '@/contracts/well-api';
import type { StoredWell, WellRepository } from '../db/well-repository';
import { only } from '../people/sign-in';
import { answer, checked, refuse } from '../http';

const toWire = (well: StoredWell): Well => wellSchema.parse({ ...well, createdAt: well.createdAt.toISOString() });

/** `/api/wells`: surveyed wells to start from. */
export function wellRoutes(wells: WellRepository): Router {
  const router = Router();
  router.get(
    '/',
    answer(async () => wellListSchema.parse({ wells: (await wells.list()).map(toWire) })),
  );
  router.post(
    '/',
    answer(async (request, response) => {
      const well = await wells.add(checked(wellContentSchema, request.body));
      response.status(201);
      return toWire(well);
    }),
  );
  router.delete(
    '/:id',
    only('delete'),
    answer(async (request) => {
      const { id } = checked(z.object({ id: z.uuid() }), request.params);
      if (!(await wells.remove(id))) refuse(404, 'notFound', 'id', 'a well of the library', id);
      return undefined;
    }),
  );
  return router;
}
