import { asc, eq, sql } from 'drizzle-orm';
import type { CatalogueContent, CatalogueData, CatalogueKind } from '@/contracts/catalogue';
import type { Database } from './open';
import { catalogue } from './tables';

export interface StoredItem {
  readonly id: string;
  readonly kind: CatalogueKind;
  readonly data: CatalogueData;
}

const columns = { id: catalogue.id, kind: catalogue.kind, data: catalogue.data };

/** The shop's tires, wheels and spacers. */
export class CatalogueRepository {
  readonly #db: Database;

  constructor(db: Database) {
    this.#db = db;
  }

  list(): Promise<StoredItem[]> {
    return this.#db.select(columns).from(catalogue).orderBy(asc(catalogue.kind), asc(catalogue.id));
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

  /** null: there is no such item, or it is of another kind. */
  async change(id: string, { kind, data }: CatalogueContent): Promise<StoredItem | null> {
    const [saved] = await this.#db
      .update(catalogue)
      .set({ data, updatedAt: sql`now()` })
      .where(sql`${catalogue.id} = ${id} and ${catalogue.kind} = ${kind}`)
      .returning(columns);
    return saved ?? null;
  }

  /** Whether there was such an item. */
  async remove(id: string): Promise<boolean> {
    const removed = await this.#db.delete(catalogue).where(eq(catalogue.id, id)).returning({ id: catalogue.id });
    return removed.length > 0;
  }
}
