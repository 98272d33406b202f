import { and, asc, eq, isNull, sql } from 'drizzle-orm';
import type { CatalogueContent, CatalogueData, CatalogueKind } from '@/contracts/catalogue';
import { throwAway } from './bin';
import type { Database } from './open';
import { catalogue } from './tables';

export interface StoredItem {
  readonly id: string;
  readonly kind: CatalogueKind;
  readonly data: CatalogueData;
  readonly revision: number;
}

export type ItemOutcome =
  { readonly status: 'saved' | 'stale'; readonly item: StoredItem } | { readonly status: 'gone' };

const columns = { id: catalogue.id, kind: catalogue.kind, data: catalogue.data, revision: catalogue.revision };

/** The shop's tires, wheels and spacers. */
export class CatalogueRepository {
  readonly #db: Database;

  constructor(db: Database) {
    this.#db = db;
  }

  list(): Promise<StoredItem[]> {
    return this.#db
      .select(columns)
      .from(catalogue)
      .where(isNull(catalogue.removedAt))
      .orderBy(asc(catalogue.kind), asc(catalogue.id));
  }

  /** All or none. */
  add(items: readonly CatalogueContent[]): Promise<StoredItem[]> {
    return this.#db.transaction((tx) =>
      tx
        .insert(catalogue)
        .values([...items])
        .returning(columns),
    );
  }

  /** Changes it over `revision` only: a writer who read an older one gets the newer item. An item stays of its kind. */
  async change(id: string, revision: number, { kind, data }: CatalogueContent): Promise<ItemOutcome> {
    const here = and(eq(catalogue.id, id), eq(catalogue.kind, kind), isNull(catalogue.removedAt));
    const [saved] = await this.#db
      .update(catalogue)
      .set({ data, revision: sql`${catalogue.revision} + 1`, updatedAt: sql`now()` })
      .where(and(here, eq(catalogue.revision, revision)))
      .returning(columns);
    if (saved) return { status: 'saved', item: saved };
    const [newer] = await this.#db.select(columns).from(catalogue).where(here);
    return newer ? { status: 'stale', item: newer } : { status: 'gone' };
  }

  /** Into the bin. Whether there was such an item. */
  remove(id: string): Promise<boolean> {
    return throwAway(this.#db, 'catalogue', id);
  }
}
