import {
  boolean,
  customType,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgEnum,
  pgTable,
  primaryKey,
  text,
  timestamp,
  unique,
  uuid,
} from 'drizzle-orm/pg-core';
import { CATALOGUE_KINDS, type CatalogueData } from '@/contracts/catalogue';
import type { Change } from '@/contracts/changes/change';
import type { FindState } from '@/contracts/finder-api';
import type { JobSummary } from '@/contracts/job-summary';
import type { Role } from '@/contracts/people';
import type { LowgapCorner } from '@/contracts/lowgap-file';
import type { ShopTermsEntry } from '@/contracts/plan';
import type { Problem } from '@/core/1-base/problem';
import type { VehicleKind } from '@/core/2-vehicle/setup/vehicle-kind';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';

const at = (name: string) => timestamp(name, { withTimezone: true });

/** When it was put into the bin; null: it is not in there. */
const removedAt = at('removed_at');

const bytes = customType<{ data: Uint8Array; driverData: Uint8Array }>({ dataType: () => 'bytea' });

/** One job on the bay board. The whole case is one `.lowgap.json` document; its long lists lie in `job_lists`. */
export const jobs = pgTable('jobs', {
  id: uuid('id').primaryKey().defaultRandom(),
  title: text('title').notNull(),
  customer: text('customer').notNull().default(''),
  /** Raised by one with every change; a writer must name the one it read. */
  revision: integer('revision').notNull().default(1),
  document: jsonb('document').$type<unknown>().notNull(),
  /** What the board shows, worked out of the document with every change; null where that has not been done. */
  summary: jsonb('summary').$type<JobSummary>(),
  /** Of a version before changes were kept one by one. */
  savedBy: text('saved_by'),
  changedBy: text('changed_by'),
  createdAt: at('created_at').notNull().defaultNow(),
  updatedAt: at('updated_at').notNull().defaultNow(),
  removedAt,
});

/** Every save of a job as the fields that it changed: how others hear of it, and the way back. */
export const jobChanges = pgTable(
  'job_changes',
  {
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    revision: integer('revision').notNull(),
    changes: jsonb('changes').$type<readonly Change[]>().notNull(),
    /** Its name, as its writer gave it. */
    save: text('save').notNull(),
    by: text('by'),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.jobId, table.revision] }),
    unique('job_changes_by_save').on(table.jobId, table.save),
  ],
);

/** Long lists of numbers of a job's document (scans, meshes), as JSON text by its SHA-256. They go with their job. */
export const jobLists = pgTable(
  'job_lists',
  {
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    name: text('name').notNull(),
    content: bytes('content').notNull(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.name] })],
);

export const catalogueKind = pgEnum('catalogue_kind', CATALOGUE_KINDS);

/** Tires, wheels and spacers of the shop; each kind's own fields as one document, checked by its schema. */
export const catalogue = pgTable(
  'catalogue',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    kind: catalogueKind('kind').notNull(),
    data: jsonb('data').$type<CatalogueData>().notNull(),
    /** Raised by one with every change; a writer must name the one it read. */
    revision: integer('revision').notNull().default(1),
    updatedAt: at('updated_at').notNull().defaultNow(),
    removedAt,
  },
  (table) => [index('catalogue_by_kind').on(table.kind)],
);

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
    createdAt: at('created_at').notNull().defaultNow(),
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
  createdAt: at('created_at').notNull().defaultNow(),
  removedAt,
});

/** What the shop charges and how long it takes: one row, for all jobs. */
export const shopTerms = pgTable('shop_terms', {
  id: integer('id').primaryKey().default(1),
  terms: jsonb('terms').$type<ShopTermsEntry>().notNull(),
  updatedAt: at('updated_at').notNull().defaultNow(),
});

/** Who signs in. Passwords and PINs are kept as what scrypt makes of them. */
export const people = pgTable('people', {
  id: uuid('id').primaryKey().defaultRandom(),
  name: text('name').notNull(),
  /** The name in small letters: two people are not told apart by capitals. */
  nameKey: text('name_key').notNull().unique(),
  role: text('role').$type<Role>().notNull(),
  password: text('password'),
  pin: text('pin'),
  isAway: boolean('is_away').notNull().default(false),
  createdAt: at('created_at').notNull().defaultNow(),
});

/** Paired tablets, by the digest of the token they hold. */
export const devices = pgTable('devices', {
  id: uuid('id').primaryKey().defaultRandom(),
  name: text('name').notNull(),
  token: text('token').notNull().unique(),
  pairedAt: at('paired_at').notNull().defaultNow(),
  seenAt: at('seen_at').notNull().defaultNow(),
});

/** Who is signed in where, by the digest of the session's name. */
export const sessions = pgTable(
  'sessions',
  {
    id: text('id').primaryKey(),
    personId: uuid('person_id').references(() => people.id, { onDelete: 'cascade' }),
    deviceId: uuid('device_id').references(() => devices.id, { onDelete: 'cascade' }),
    data: jsonb('data').$type<unknown>().notNull(),
    seenAt: at('seen_at').notNull().defaultNow(),
    until: at('until').notNull(),
  },
  (table) => [index('sessions_by_person').on(table.personId)],
);

/** Codes that pair a device or make the first owner, by their digest. */
export const codes = pgTable('codes', {
  id: text('id').primaryKey(),
  kind: text('kind').$type<'pair' | 'first'>().notNull(),
  until: at('until').notNull(),
});

/** Failed tries to sign in, by what they were made at. */
export const tries = pgTable('tries', {
  id: text('id').primaryKey(),
  count: integer('count').notNull(),
  until: at('until').notNull(),
});

/** What the processes on one database must share and nobody may know. */
export const secrets = pgTable('secrets', { name: text('name').primaryKey(), value: text('value').notNull() });

/** Searches of every process on a PostgreSQL server; the embedded database has none here. */
export const searches = pgTable(
  'searches',
  {
    id: uuid('id').primaryKey(),
    state: text('state').$type<FindState['state']>().notNull().default('waiting'),
    /** What is searched; null once it is over. */
    request: jsonb('request').$type<unknown>(),
    done: doublePrecision('done').notNull().default(0),
    total: doublePrecision('total').notNull().default(1),
    combinations: doublePrecision('combinations').notNull().default(0),
    problems: jsonb('problems').$type<Problem[]>().notNull().default([]),
    result: jsonb('result').$type<unknown>(),
    /** When its process last said a word of it. */
    beatAt: at('beat_at').notNull().defaultNow(),
    madeAt: at('made_at').notNull().defaultNow(),
  },
  (table) => [index('searches_by_state').on(table.state)],
);
