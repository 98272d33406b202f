import { Router } from 'express';
import { z } from 'zod';
import { BIN_KINDS, binSchema } from '@/contracts/bin-api';
import type { BinRepository } from '../db/bin';
import type { JobRepository } from '../db/job-repository';
import { only } from '../people/sign-in';
import { answer, checked, refuse } from '../http';
import { headToWire } from './job-wire';

const placeOf = (params: unknown) => checked(z.object({ kind: z.enum(BIN_KINDS), id: z.uuid() }), params);

const gone = (id: string): never => refuse(404, 'notFound', 'id', 'something in the bin', id);

/** `/api/bin`: what was thrown away; bring it back, or forget it for good. */
export function binRoutes(bin: BinRepository, jobs: JobRepository): Router {
  const router = Router();
  router.get(
    '/',
    answer(async () => {
      const [{ wells, catalogue }, thrown] = await Promise.all([bin.list(), jobs.listRemoved()]);
      const at = <T extends { readonly removedAt: Date }>(row: T) => ({
        ...row,
        removedAt: row.removedAt.toISOString(),
      });
      return binSchema.parse({
        jobs: thrown.map((job) => ({ ...headToWire(job), removedAt: job.removedAt.toISOString() })),
        wells: wells.map((well) => ({ ...at(well), createdAt: well.createdAt.toISOString() })),
        catalogue: catalogue.map(at),
      });
    }),
  );
  router.post(
    '/:kind/:id/back',
    only('delete'),
    answer(async (request) => {
      const { kind, id } = placeOf(request.params);
      if (!(await bin.bringBack(kind, id))) gone(id);
      return undefined;
    }),
  );
  router.delete(
    '/:kind/:id',
    only('forget'),
    answer(async (request) => {
      const { kind, id } = placeOf(request.params);
      if (!(await bin.forget(kind, id))) gone(id);
      return undefined;
    }),
  );
  return router;
}
