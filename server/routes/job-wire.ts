import { jobHeadSchema, jobSchema, type Job, type JobHead } from '@/contracts/job-api';
import { parseWith } from '@/contracts/parse';
import type { StoredHead, StoredJob, StoredSet } from '../db/job-repository';
import { Refusal } from '../http';

/** @throws Refusal 422 where this version cannot read what is kept; its text can be had all the same. */
export function toWire(job: StoredJob): Job {
  const read = parseWith(jobSchema, dated(job));
  if (read.ok) return read.value;
  throw new Refusal(422, read.problems);
}

const dated = <T extends { readonly createdAt: Date; readonly updatedAt: Date }>(job: T) => ({
  ...job,
  createdAt: job.createdAt.toISOString(),
  updatedAt: job.updatedAt.toISOString(),
});

/** A summary that cannot be read is none: the row is shown all the same, and no other suffers. */
export function headToWire(head: StoredHead): JobHead {
  const read = parseWith(jobHeadSchema.shape.summary, head.summary);
  return { ...dated(head), summary: read.ok ? read.value : null };
}

export const setsToWire = (sets: readonly StoredSet[]) =>
  sets.map(({ revision, changes, save, by, at }) => ({
    revision,
    changes: [...changes],
    save,
    by,
    at: at.toISOString(),
  }));
