import { Router } from 'express';
import { z } from 'zod';
import { pathText } from '@/contracts/changes/change';
import {
  jobChangeSchema,
  jobClashSchema,
  jobContentSchema,
  jobHistorySchema,
  jobIdSchema,
  jobListSchema,
  jobSavedSchema,
  jobThenSchema,
  type JobContent,
} from '@/contracts/job-api';
import { parseWith } from '@/contracts/parse';
import type { JobRepository } from '../db/job-repository';
import type { Live } from '../live';
import { answer, checked, refuse, Refusal } from '../http';
import { handsOver, mustMay, nameOf, only } from '../people/sign-in';
import { headToWire, setsToWire, toWire } from './job-wire';

const idOf = (params: unknown): string => checked(z.object({ id: jobIdSchema }), params).id;

const gone = (id: string): never => refuse(404, 'notFound', 'id', 'a job on the bay board', id);

const revisionSchema = z.object({ revision: z.coerce.number().int().min(1) });

/** Saves told of in a job's history. */
const MOST_TOLD = 500;

/** Fields named of one save. */
const MOST_NAMED = 6;

/** `/api/jobs`: list, create, make the example, read, change, look back, put into the bin. */
export function jobRoutes(jobs: JobRepository, live: Live, example: () => JobContent): Router {
  const router = Router();

  router.get(
    '/',
    answer(async () => jobListSchema.parse({ jobs: (await jobs.list()).map(headToWire) })),
  );

  router.post(
    '/',
    answer(async (request, response) => {
      const job = await jobs.create(checked(jobContentSchema, request.body), nameOf(request));
      response.status(201);
      return toWire(job);
    }),
  );

  router.post(
    '/example',
    answer(async (request, response) => {
      const job = await jobs.create(example(), nameOf(request));
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

  // As it is kept, whether this version can read it or not: nothing kept is out of reach.
  router.get('/:id/text', async (request, response) => {
    const id = idOf(request.params);
    const { title, customer, document } = (await jobs.get(id)) ?? gone(id);
    response.attachment('job.json').type('application/json');
    response.send(`${JSON.stringify({ title, customer, document }, null, 2)}\n`);
  });

  router.patch(
    '/:id',
    answer(async (request) => {
      const id = idOf(request.params);
      const change = checked(jobChangeSchema, request.body);
      if (handsOver(change.changes)) mustMay(request, 'handOver');
      const outcome = await jobs.save(id, change, nameOf(request));
      switch (outcome.status) {
        case 'gone':
          return gone(id);
        case 'refused':
          throw new Refusal(400, outcome.problems);
        case 'clash': {
          const { problems: _own, ...told } = jobClashSchema.parse({
            problems: [],
            clashes: outcome.clashes,
            since: setsToWire(outcome.since),
            ...(outcome.job ? { job: toWire(outcome.job) } : {}),
          });
          const conflict = {
            code: 'conflict' as const,
            path: 'revision',
            expected: String(outcome.revision),
            found: String((request.body as { revision: number }).revision),
          };
          throw new Refusal(409, [conflict], told);
        }
        case 'saved':
          live.saved(id, outcome.revision);
          return jobSavedSchema.parse({
            revision: outcome.revision,
            updatedAt: outcome.updatedAt.toISOString(),
            since: setsToWire(outcome.since),
          });
      }
    }),
  );

  router.get(
    '/:id/changes',
    answer(async (request) => {
      const id = idOf(request.params);
      const { since } = checked(z.object({ since: z.coerce.number().int().min(0) }), request.query);
      return { since: setsToWire(await jobs.since(id, since)) };
    }),
  );

  router.get(
    '/:id/history',
    answer(async (request) => {
      const id = idOf(request.params);
      const job = (await jobs.get(id)) ?? gone(id);
      const whole = { title: job.title, customer: job.customer, document: job.document };
      const sets = (await jobs.history(id, MOST_TOLD)).map(({ revision, at, by, changes }) => ({
        revision,
        at: at.toISOString(),
        by,
        count: changes.length,
        paths: changes.slice(0, MOST_NAMED).map(({ path }) => pathText(path, whole)),
      }));
      return jobHistorySchema.parse({ sets });
    }),
  );

  router.get(
    '/:id/history/:revision',
    answer(async (request) => {
      const id = idOf(request.params);
      const { revision } = checked(revisionSchema, request.params);
      const then = await jobs.then(id, revision);
      if (!then) refuse(404, 'notFound', 'revision', 'an earlier state that is known', String(revision));
      return checkedThen(then!);
    }),
  );

  router.delete(
    '/:id',
    only('delete'),
    answer(async (request) => {
      const id = idOf(request.params);
      if (!(await jobs.remove(id))) gone(id);
      return undefined;
    }),
  );

  return router;
}

function checkedThen(then: unknown): z.output<typeof jobThenSchema> {
  const read = parseWith(jobThenSchema, then);
  if (read.ok) return read.value;
  throw new Refusal(422, read.problems);
}
