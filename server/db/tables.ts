import { integer, jsonb, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core';
import type { LowgapFile } from '@/contracts/lowgap-file';

/** One job on the bay board. The whole case travels as one `.lowgap.json` document. */
export const jobs = pgTable('jobs', {
  id: uuid('id').primaryKey().defaultRandom(),
  title: text('title').notNull(),
  customer: text('customer').notNull().default(''),
  /** Raised by one with every change; a writer must name the one it read. */
  revision: integer('revision').notNull().default(1),
  document: jsonb('document').$type<LowgapFile>().notNull(),
  createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
  updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
});
