import { Router } from 'express';
import { z } from 'zod';
import {
  jobContentSchema,
  jobIdSchema,
  jobListSchema,
  jobSchema,
  jobUpdateSchema,
  type Job,
  type JobContent,
} from '@/contracts/job-api';
import type { JobRepository, StoredJob } from '../db/job-repository';
import { answer, checked, refuse, Refusal } from '../http';

const toWire = (job: StoredJob): Job =>
  jobSchema.parse({ ...job, createdAt: job.createdAt.toISOString(), updatedAt: job.updatedAt.toISOString() });

const idOf = (params: unknown): string => checked(z.object({ id: jobIdSchema }), params).id;

const gone = (id: string): never => refuse(404, 'notFound', 'id', 'a job on the bay board', id);

/** `/api/jobs`: list, create, make the example, read, save over a known revision, remove. */
export function jobRoutes(jobs: JobRepository, example: () => JobContent): Router {
  const router = Router();

  router.get(
    '/',
    answer(async () => jobListSchema.parse({ jobs: (await jobs.list()).map(toWire) })),
  );

  router.post(
    '/',
    answer(async (request, response) => {
      const job = await jobs.create(checked(jobContentSchema, request.body));
      response.status(201);
      return toWire(job);
    }),
  );

  router.post(
    '/example',
    answer(async (_request, response) => {
      const job = await jobs.create(example());
      response.status(201);
      return toWire(job);
    }),
  );

  router.get(
    '/:id',
    answer(async (request) => {
      const id = idOf(request.params);
      return toWire((await jobs.get(id)) ?? gone(id));
    }),
  );

  router.put(
    '/:id',
    answer(async (request) => {
      const id = idOf(request.params);
      const { revision, save, ...content } = checked(jobUpdateSchema, request.body);
      const outcome = await jobs.update(id, revision, content, save);
      if (outcome.status === 'gone') return gone(id);
      if (outcome.status === 'stale') {
        const problem = {
          code: 'conflict' as const,
          path: 'revision',
          expected: String(outcome.job.revision),
          found: String(revision),
        };
        throw new Refusal(409, [problem], { job: toWire(outcome.job) });
      }
      return toWire(outcome.job);
    }),
  );

  router.delete(
    '/:id',
    answer(async (request) => {
      const id = idOf(request.params);
      if (!(await jobs.remove(id))) gone(id);
      return undefined;
    }),
  );

  return router;
}
