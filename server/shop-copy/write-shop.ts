import { createHash } from 'node:crypto';
import { Readable, type Writable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { ZipFile } from 'yazl';
import { SHOP_FILE_FORMAT, SHOP_FILE_VERSION, type ShopManifest } from '@/contracts/shop-file';
import type { ShopRepository } from '../db/shop-repository';
import type { WholeShop } from '../db/whole-shop';

/**
 * Writes everything a shop has into one zip. Each job is of one moment; jobs that are made meanwhile may be missing. Nothing is held
 * but the entry that is being written.
 */
export async function writeShop(
  whole: WholeShop,
  shop: Pick<ShopRepository, 'read'>,
  out: Writable,
  now: Date,
): Promise<ShopManifest> {
  const zip = new ZipFile();
  const entries: Record<string, string> = {};
  // One entry after the other: each is fetched when its turn has come.
  const add = (name: string, content: () => Promise<Uint8Array | null>): Promise<void> =>
    new Promise((resolve, reject) => {
      zip.addReadStreamLazy(name, { mtime: now, compress: !name.startsWith('photos/') }, (given) => {
        content().then((bytes) => {
          const read = bytes ?? new Uint8Array();
          entries[name] = createHash('sha256').update(read).digest('hex');
          const stream = Readable.from([Buffer.from(read)]);
          stream.once('end', resolve);
          given(null, stream);
        }, reject);
      });
    });
  const json = (value: unknown): Uint8Array => Buffer.from(`${JSON.stringify(value)}\n`);
  const written = pipeline(zip.outputStream, out);
  const filled = (async (): Promise<ShopManifest> => {
    for (const id of await whole.jobIds()) {
      // A job forgotten meanwhile is not in it.
      const job = await whole.job(id);
      if (job) await add(`jobs/${id}.json`, async () => json(job));
    }
    const photos = await whole.photoList();
    for (const { id } of photos) await add(`photos/${id}`, () => whole.photo(id));
    await add('catalogue.json', async () => json(await whole.items()));
    await add('wells.json', async () => json(await whole.wells()));
    await add('people.json', async () => json(await whole.people()));
    await add('terms.json', async () => json(await shop.read()));
    const manifest: ShopManifest = {
      format: SHOP_FILE_FORMAT,
      version: SHOP_FILE_VERSION,
      madeAt: now.toISOString(),
      entries: { ...entries },
      photos,
    };
    zip.addBuffer(Buffer.from(json(manifest)), 'shop.json', { mtime: now });
    zip.end();
    return manifest;
  })();
  const [manifest] = await Promise.all([filled, written]);
  return manifest;
}
