import { eq } from 'drizzle-orm';
import type { Database } from './open';
import { jobs } from './tables';

/** For tests: a job as a hand in the database, or a version yet to come, may leave it. */
export async function breakDocument(db: Database, id: string): Promise<void> {
  await db
    .update(jobs)
    .set({ document: { odd: true }, summary: null })
    .where(eq(jobs.id, id));
}
