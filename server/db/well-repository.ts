import { desc, eq } from 'drizzle-orm';
import type { WellContent } from '@/contracts/well-api';
import type { Database } from './open';
import { wells } from './tables';

export interface StoredWell extends WellContent {
  readonly id: string;
  readonly createdAt: Date;
}

/** Surveyed wells to start from. */
export class WellRepository {
  readonly #db: Database;

  constructor(db: Database) {
    this.#db = db;
  }

  /** Newest first. */
  list(): Promise<StoredWell[]> {
    return this.#db.select().from(wells).orderBy(desc(wells.createdAt), wells.id);
  }

  async add(content: WellContent): Promise<StoredWell> {
    const [well] = await this.#db.insert(wells).values(content).returning();
    return well as StoredWell;
  }

  /** Whether there was such a well. */
  async remove(id: string): Promise<boolean> {
    const removed = await this.#db.delete(wells).where(eq(wells.id, id)).returning({ id: wells.id });
    return removed.length > 0;
  }
}
