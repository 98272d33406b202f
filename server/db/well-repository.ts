import { desc, isNull } from 'drizzle-orm';
import type { WellContent } from '@/contracts/well-api';
import { throwAway } from './bin';
import type { Database } from './open';
import { wells } from './tables';

export interface StoredWell extends WellContent {
  readonly id: string;
  readonly createdAt: Date;
}

const columns = {
  id: wells.id,
  title: wells.title,
  kind: wells.kind,
  cornerKey: wells.cornerKey,
  corner: wells.corner,
  createdAt: wells.createdAt,
};

/** Surveyed wells to start from. */
export class WellRepository {
  readonly #db: Database;

  constructor(db: Database) {
    this.#db = db;
  }

  /** Newest first. */
  list(): Promise<StoredWell[]> {
    return this.#db.select(columns).from(wells).where(isNull(wells.removedAt)).orderBy(desc(wells.createdAt), wells.id);
  }

  async add(content: WellContent): Promise<StoredWell> {
    const [well] = await this.#db.insert(wells).values(content).returning(columns);
    return well as StoredWell;
  }

  /** Into the bin. Whether there was such a well. */
  remove(id: string): Promise<boolean> {
    return throwAway(this.#db, 'wells', id);
  }
}
