import { describe, expect, test } from '@jest/globals';
import { demoJobs } from '@/demo/demo-jobs';
import { copiedJob, vehicleOf } from './copied-job';
import { jobContentSchema, type Job } from './job-api';

const done = (): Job => ({
  ...structuredClone(demoJobs().find(({ title }) => title.startsWith('Lift-line'))!),
  id: '33333333-3333-4333-8333-333333333333',
  revision: 7,
  createdAt: '2026-01-05T08:00:00.000Z',
  updatedAt: '2026-01-06T09:30:00.000Z',
});

describe('another job on the same vehicle', () => {
  test('measured and chosen goes along, what was done does not', () => {
    const job = done();
    expect([job.document.testFits, job.document.install, job.document.followUp]).not.toContain(undefined);
    const { title, customer, document } = copiedJob(job);
    expect(title).toBe(`Copy of ${job.title}`);
    expect(customer).toBe(job.customer);
    expect(document.corners).toEqual(job.document.corners);
    expect(document.setup).toEqual(job.document.setup);
    expect(document).not.toHaveProperty('testFits');
    expect(document).not.toHaveProperty('install');
    expect(document).not.toHaveProperty('followUp');
  });

  test('the copy, and a copy of the copy, are on the vehicle of the first', () => {
    const job = done();
    const copy = { id: 'another', document: copiedJob(job).document };
    expect(vehicleOf(copy)).toBe(vehicleOf(job));
    const again = copiedJob({ ...job, id: 'another', document: copy.document });
    expect(vehicleOf({ id: 'a third', document: again.document })).toBe(vehicleOf(job));
  });

  test('a title as long as may be is cut to one the server takes', () => {
    const copy = copiedJob({ ...done(), title: 'x'.repeat(120) });
    expect(jobContentSchema.safeParse(copy).success).toBe(true);
    expect(copy.title).toHaveLength(120);
  });
});
