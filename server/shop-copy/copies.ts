import { createWriteStream } from 'node:fs';
import { mkdir, open, readdir, rename, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { z } from 'zod';
import { shopItemSchema, shopJobSchema, shopTermsFileSchema, shopWellSchema } from '@/contracts/shop-file';
import type { ShopRepository } from '../db/shop-repository';
import type { WholeShop } from '../db/whole-shop';
import { openShop } from './open-shop';
import { writeShop } from './write-shop';

/** A copy that was made and opened again. */
export interface Copy {
  readonly name: string;
  readonly bytes: number;
  readonly madeAt: Date;
}

const NAME = /^low-gap-\d{4}-\d{2}-\d{2}\.zip$/;

/** By the day where the server stands. */
const nameOf = (day: Date): string => {
  const part = (n: number): string => String(n).padStart(2, '0');
  return `low-gap-${day.getFullYear()}-${part(day.getMonth() + 1)}-${part(day.getDate())}.zip`;
};

/** Copies of the whole shop in a directory, one a day, kept for so many days. */
export class Copies {
  readonly #directory: string;
  readonly #whole: WholeShop;
  readonly #shop: Pick<ShopRepository, 'read'>;
  readonly #daysKept: number;

  constructor(directory: string, whole: WholeShop, shop: Pick<ShopRepository, 'read'>, daysKept: number) {
    this.#directory = directory;
    this.#whole = whole;
    this.#shop = shop;
    this.#daysKept = daysKept;
  }

  /** Oldest first. */
  async list(): Promise<Copy[]> {
    const names = (await readdir(this.#directory).catch((): string[] => [])).filter((name) => NAME.test(name)).sort();
    return Promise.all(
      names.map(async (name) => {
        const { size, mtime } = await stat(join(this.#directory, name));
        return { name, bytes: size, madeAt: mtime };
      }),
    );
  }

  /** The copy of this day: made, put on the disk, opened again and read whole before it takes its name. null: there is one already. */
  async make(now: Date): Promise<Copy | null> {
    const name = nameOf(now);
    if ((await this.list()).some((copy) => copy.name === name)) return null;
    await mkdir(this.#directory, { recursive: true });
    const path = join(this.#directory, name);
    const beside = `${path}.part`;
    try {
      await writeShop(this.#whole, this.#shop, createWriteStream(beside), now);
      const file = await open(beside, 'r+');
      await file.sync();
      await file.close();
      await checkCopy(beside);
      await rename(beside, path);
    } catch (error) {
      await rm(beside, { force: true });
      throw error;
    }
    await this.#letGo();
    return (await this.list()).find((copy) => copy.name === name) ?? null;
  }

  /** Of more copies than days are kept, the oldest go. */
  async #letGo(): Promise<void> {
    const all = await this.list();
    for (const { name } of all.slice(0, Math.max(0, all.length - this.#daysKept)))
      await rm(join(this.#directory, name));
  }
}

/** Reads every entry of a copy as bringing it in would. @throws ProblemError at the first that is not whole */
export async function checkCopy(path: string): Promise<void> {
  const file = await openShop(path);
  try {
    const { entries, photos } = file.manifest;
    for (const name of Object.keys(entries)) {
      if (name.startsWith('jobs/')) await file.json(name, shopJobSchema);
    }
    for (const { id } of photos) await file.bytes(`photos/${id}`);
    await file.json('catalogue.json', z.array(shopItemSchema));
    await file.json('wells.json', z.array(shopWellSchema));
    await file.json('terms.json', shopTermsFileSchema);
  } finally {
    file.close();
  }
}
