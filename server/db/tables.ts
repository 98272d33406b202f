import { customType, index, integer, jsonb, pgEnum, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core';
import { CATALOGUE_KINDS, type CatalogueData } from '@/contracts/catalogue';
import type { LowgapCorner, LowgapFile } from '@/contracts/lowgap-file';
import type { ShopTermsEntry } from '@/contracts/plan';
import type { VehicleKind } from '@/core/2-vehicle/setup/vehicle-kind';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';

/** One job on the bay board. The whole case travels as one `.lowgap.json` document. */
export const jobs = pgTable('jobs', {
  id: uuid('id').primaryKey().defaultRandom(),
  title: text('title').notNull(),
  customer: text('customer').notNull().default(''),
  /** Raised by one with every change; a writer must name the one it read. */
  revision: integer('revision').notNull().default(1),
  document: jsonb('document').$type<LowgapFile>().notNull(),
  /** The save that made this revision, as its writer named it. */
  savedBy: text('saved_by'),
  createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
  updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
});

export const catalogueKind = pgEnum('catalogue_kind', CATALOGUE_KINDS);

/** Tires, wheels and spacers of the shop; each kind's own fields as one document, checked by its schema. */
export const catalogue = pgTable(
  'catalogue',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    kind: catalogueKind('kind').notNull(),
    data: jsonb('data').$type<CatalogueData>().notNull(),
    updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [index('catalogue_by_kind').on(table.kind)],
);

const bytes = customType<{ data: Uint8Array; driverData: Uint8Array }>({ dataType: () => 'bytea' });

/** Photos of a job, downscaled; what is marked on them stands in the job's document. They go with their job. */
export const photos = pgTable(
  'photos',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    mediaType: text('media_type').notNull(),
    content: bytes('content').notNull(),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [index('photos_by_job').on(table.jobId)],
);

/** Surveyed wells to start from on the next vehicle of the kind. */
export const wells = pgTable('wells', {
  id: uuid('id').primaryKey().defaultRandom(),
  title: text('title').notNull(),
  kind: text('kind').$type<VehicleKind>(),
  cornerKey: text('corner_key').$type<CornerKey>().notNull(),
  corner: jsonb('corner').$type<LowgapCorner>().notNull(),
  createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
});

/** What the shop charges and how long it takes: one row, for all jobs. */
export const shopTerms = pgTable('shop_terms', {
  id: integer('id').primaryKey().default(1),
  terms: jsonb('terms').$type<ShopTermsEntry>().notNull(),
  updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
});
