/** What this installation is and how it fares, for whoever looks after it. */
import { z } from 'zod';

const counted = z.int().min(0);

export const installationSchema = z.object({
  version: z.string(),
  database: z.enum(['embedded', 'server']),
  /** Bytes. */
  databaseBytes: z.number(),
  /** Bytes free where the embedded database lies; null: it lies on a PostgreSQL server. */
  freeBytes: z.number().nullable(),
  jobs: counted,
  /** Copies of the whole shop in the data directory, newest first; each was opened again when it was made. */
  copies: z.array(z.object({ name: z.string(), bytes: z.number(), madeAt: z.string() })),
  /** null: none are made by themselves, since the database is looked after elsewhere. */
  copiesKept: counted.nullable(),
  /** Why the last copy was not made, where it was not. */
  copyFailed: z.string().nullable(),
  /** Of this process since it began. */
  since: z.string(),
  /** All none where nobody signs in. */
  people: z.object({ people: counted, devices: counted, signedIn: counted }),
  /** Searches of the finder now, of every process. */
  searching: z.object({ running: counted, waiting: counted }),
  counts: z.object({ saves: counted, clashes: counted, refused: counted, faults: counted, searches: counted }),
});

export type Installation = z.output<typeof installationSchema>;
