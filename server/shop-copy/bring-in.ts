import same from 'fast-deep-equal';
import { z } from 'zod';
import { changesBetween } from '@/contracts/changes/diff';
import { lowgapFileSchema } from '@/contracts/lowgap-file';
import {
  shopItemSchema,
  shopJobSchema,
  shopPersonSchema,
  shopTermsFileSchema,
  shopWellSchema,
  type ShopImport,
  type ShopJob,
  type ShopPerson,
  type ShopPlan,
} from '@/contracts/shop-file';
import type { JobRepository } from '../db/job-repository';
import { keyOf } from '../db/people-repository';
import type { ShopRepository } from '../db/shop-repository';
import type { WholeShop } from '../db/whole-shop';
import type { OpenShop } from './open-shop';

export interface ShopHere {
  readonly whole: WholeShop;
  readonly jobs: JobRepository;
  readonly shop: ShopRepository;
  /** Told of a job that was changed here: whoever has it open hears of it. */
  saved(job: string, revision: number): void;
}

/**
 * What a shop's file would change here, and unless `how` is `plan`, changes it: what is not here comes in as it was; what is here
 * stays, or with `replace` becomes as the file has it by a save of its own, which can be taken back like any other. The whole file is read and
 * checked before anything is changed.
 */
export async function bringIn(file: OpenShop, here: ShopHere, how: ShopImport, by: string | null): Promise<ShopPlan> {
  const plan = await planOf(file, here);
  const left: string[] = [];
  if (how === 'plan') return plan.told;
  for (const name of plan.added) await here.whole.addJob(await file.json(name, shopJobSchema));
  if (how === 'replace') {
    for (const name of plan.differing) {
      const job = await file.json(name, shopJobSchema);
      if (!(await becomeAs(job, here, file, by))) left.push(job.title);
    }
  }
  for (const photo of file.manifest.photos) {
    if (plan.newPhotos.has(photo.id)) await here.whole.addPhoto(photo, await file.bytes(`photos/${photo.id}`));
  }
  await here.whole.addItems(await file.json('catalogue.json', z.array(shopItemSchema)));
  await here.whole.addWells(await file.json('wells.json', z.array(shopWellSchema)));
  await here.whole.addPeople(await peopleOf(file));
  const terms = await file.json('terms.json', shopTermsFileSchema);
  if (plan.told.terms === 'taken' && terms) await here.shop.write(terms);
  return { ...plan.told, jobs: { ...plan.told.jobs, left } };
}

/** Files of before had none. */
const peopleOf = async (file: OpenShop): Promise<ShopPerson[]> =>
  'people.json' in file.manifest.entries ? file.json('people.json', z.array(shopPersonSchema)) : [];

interface Plan {
  readonly told: ShopPlan;
  /** Names of entries. */
  readonly added: readonly string[];
  readonly differing: readonly string[];
  readonly newPhotos: ReadonlySet<string>;
}

async function planOf(file: OpenShop, { whole, shop }: ShopHere): Promise<Plan> {
  const { entries, photos, madeAt } = file.manifest;
  const added: string[] = [];
  const differing: string[] = [];
  const titles = { added: [] as string[], differing: [] as string[], unreadable: [] as string[] };
  let sameJobs = 0;
  for (const name of Object.keys(entries).filter((one) => one.startsWith('jobs/'))) {
    const job = await file.json(name, shopJobSchema);
    const own = await whole.job(job.id);
    if (!lowgapFileSchema.safeParse(job.document).success) titles.unreadable.push(job.title);
    if (!own) {
      added.push(name);
      titles.added.push(job.title);
    } else if (isSame(own, job)) sameJobs++;
    else {
      differing.push(name);
      titles.differing.push(job.title);
    }
  }
  for (const { id } of photos) await file.bytes(`photos/${id}`);
  const items = await file.json('catalogue.json', z.array(shopItemSchema));
  const wells = await file.json('wells.json', z.array(shopWellSchema));
  const terms = await file.json('terms.json', shopTermsFileSchema);
  const idsOf = (rows: readonly { readonly id: string }[]): string[] => rows.map(({ id }) => id);
  const people = await peopleOf(file);
  const [knownPhotos, knownItems, knownWells, ownPeople, ownTerms] = await Promise.all([
    whole.known('photos', idsOf(photos)),
    whole.known('catalogue', idsOf(items)),
    whole.known('wells', idsOf(wells)),
    whole.people(),
    shop.read(),
  ]);
  const ownNames = new Set(ownPeople.map(({ name }) => keyOf(name)));
  const counted = (all: number, known: number) => ({ added: all - known, same: known });
  return {
    told: {
      madeAt,
      jobs: { ...titles, same: sameJobs, left: [] },
      photos: counted(photos.length, knownPhotos.size),
      wells: counted(wells.length, knownWells.size),
      catalogue: counted(items.length, knownItems.size),
      people: counted(people.length, people.filter(({ name }) => ownNames.has(keyOf(name))).length),
      terms: terms === null ? 'none' : ownTerms === null ? 'taken' : 'kept',
    },
    added,
    differing,
    newPhotos: new Set(idsOf(photos).filter((id) => !knownPhotos.has(id))),
  };
}

const isSame = (a: ShopJob, b: ShopJob): boolean =>
  a.title === b.title && a.customer === b.customer && same(a.document, b.document);

/** Makes a job that is here what the file has, by one save. false: it is in the bin, or was changed meanwhile. */
async function becomeAs(
  job: ShopJob,
  { whole, jobs, saved }: ShopHere,
  file: OpenShop,
  by: string | null,
): Promise<boolean> {
  const own = await whole.job(job.id);
  if (!own) return false;
  const contentOf = ({ title, customer, document }: ShopJob) => ({ title, customer, document });
  const changes = changesBetween(contentOf(own), contentOf(job));
  // Named by the file and the job: brought in twice it is one save.
  const save = `from-file-${file.manifest.madeAt}`;
  const made = await jobs.save(job.id, { revision: own.revision, save, changes }, by);
  if (made.status === 'saved') saved(job.id, made.revision);
  return made.status === 'saved';
}
