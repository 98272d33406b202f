import { sql } from 'drizzle-orm';
import type { ShopTermsEntry } from '@/contracts/plan';
import type { Database } from './open';
import { shopTerms } from './tables';

/** What the shop charges and how long it takes, for all its jobs. */
export class ShopRepository {
  readonly #db: Database;

  constructor(db: Database) {
    this.#db = db;
  }

  /** null: it has not said yet. */
  async read(): Promise<ShopTermsEntry | null> {
    const [row] = await this.#db.select({ terms: shopTerms.terms }).from(shopTerms);
    return row?.terms ?? null;
  }

  async write(terms: ShopTermsEntry): Promise<ShopTermsEntry> {
    const [saved] = await this.#db
      .insert(shopTerms)
      .values({ id: 1, terms })
      .onConflictDoUpdate({ target: shopTerms.id, set: { terms, updatedAt: sql`now()` } })
      .returning({ terms: shopTerms.terms });
    return saved!.terms;
  }
}
