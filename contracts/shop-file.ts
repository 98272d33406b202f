/**
 * A whole shop as one file: a zip of JSON and pictures. `shop.json` says what is in it; `jobs/ID.json` a job with its document as
 * it is kept and every save of it; `photos/ID` a picture; `catalogue.json`, `wells.json`, `people.json` and
 * `terms.json` the rest.
 */
import { z } from 'zod';
import { catalogueItemSchema } from './catalogue';
import { changeSetSchema } from './changes/change';
import { shopTermsSchema } from './plan';
import { ROLES } from './people';
import { pictureTypeSchema } from './picture';

export const SHOP_FILE_FORMAT = 'lowgap-shop';
export const SHOP_FILE_VERSION = 1;

/** Most bytes of such a file, and of one entry in it unpacked. */
export const MOST_SHOP_FILE_BYTES = 8_000_000_000;
export const MOST_ENTRY_BYTES = 120_000_000;

/** Most fields of an entry: a job with all its saves. */
export const MOST_ENTRY_FIELDS = 8_000_000;

const when = z.iso.datetime();
const removedAt = when.nullable();

export const shopJobSchema = z.object({
  id: z.uuid(),
  title: z.string(),
  customer: z.string(),
  revision: z.int().min(1),
  changedBy: z.string().nullable(),
  createdAt: when,
  updatedAt: when,
  removedAt,
  /** As it is kept, whether this version can read it or not. */
  document: z.unknown(),
  sets: z.array(changeSetSchema.extend({ save: z.string() })),
});

export const shopPhotoSchema = z.object({
  id: z.uuid(),
  jobId: z.uuid(),
  mediaType: pictureTypeSchema,
  createdAt: when,
});
export const shopItemSchema = catalogueItemSchema.extend({ removedAt });
export const shopWellSchema = z.object({
  id: z.uuid(),
  title: z.string(),
  kind: z.string().nullable(),
  cornerKey: z.string(),
  corner: z.unknown(),
  createdAt: when,
  removedAt,
});

/** Who works there: no secrets. Whoever looks after the shop gives each one anew. */
export const shopPersonSchema = z.object({ id: z.uuid(), name: z.string(), role: z.enum(ROLES), isAway: z.boolean() });

/** `shop.json`: what is in the file, with the SHA-256 of every entry, so that a whole one is told from a half. */
export const shopManifestSchema = z.object({
  format: z.literal(SHOP_FILE_FORMAT),
  version: z.literal(SHOP_FILE_VERSION),
  madeAt: when,
  entries: z.record(z.string(), z.string().regex(/^[0-9a-f]{64}$/)),
  photos: z.array(shopPhotoSchema),
});

export const shopTermsFileSchema = shopTermsSchema.nullable();

/** What bringing a shop's file in would do here, and what of it was done. */
export const shopPlanSchema = z.object({
  madeAt: z.string(),
  /** `differing`: here under the same id, with other content. */
  jobs: z.object({
    added: z.array(z.string()),
    same: z.int(),
    differing: z.array(z.string()),
    /** That this version cannot read; they are kept as they are. */
    unreadable: z.array(z.string()),
    /** That were to be replaced and were not: in the bin, or changed by somebody that very moment. */
    left: z.array(z.string()),
  }),
  photos: z.object({ added: z.int(), same: z.int() }),
  wells: z.object({ added: z.int(), same: z.int() }),
  catalogue: z.object({ added: z.int(), same: z.int() }),
  /** By name; they can sign in once somebody gives them a password or a PIN. */
  people: z.object({ added: z.int(), same: z.int() }),
  /** The file's rates stand in for those of a shop that has none. */
  terms: z.enum(['taken', 'kept', 'none']),
});

/** `plan`: say what would change; `add`: bring in what is not here; `replace`: and change what differs, as saves that can be taken back. */
export const SHOP_IMPORTS = ['plan', 'add', 'replace'] as const;
export type ShopImport = (typeof SHOP_IMPORTS)[number];

export type ShopJob = z.output<typeof shopJobSchema>;
export type ShopPerson = z.output<typeof shopPersonSchema>;
export type ShopPhoto = z.output<typeof shopPhotoSchema>;
export type ShopManifest = z.output<typeof shopManifestSchema>;
export type ShopPlan = z.output<typeof shopPlanSchema>;
