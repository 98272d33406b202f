import { eq } from 'drizzle-orm';
import type { Database } from './open';
import { jobs, photos } from './tables';

export interface StoredPhoto {
  readonly mediaType: string;
  readonly content: Uint8Array;
}

/** Photos of jobs. */
export class PhotoRepository {
  readonly #db: Database;

  constructor(db: Database) {
    this.#db = db;
  }

  /** The new photo's id, made here unless one is given; null: there is no such job, or a photo of that id. */
  async add(jobId: string, { mediaType, content }: StoredPhoto, id?: string): Promise<string | null> {
    const [job] = await this.#db.select({ id: jobs.id }).from(jobs).where(eq(jobs.id, jobId));
    if (!job) return null;
    const [photo] = await this.#db
      .insert(photos)
      .values({ id, jobId, mediaType, content })
      .onConflictDoNothing()
      .returning({ id: photos.id });
    return photo?.id ?? null;
  }

  async get(id: string): Promise<StoredPhoto | null> {
    const [photo] = await this.#db
      .select({ mediaType: photos.mediaType, content: photos.content })
      .from(photos)
      .where(eq(photos.id, id));
    return photo ?? null;
  }
}
