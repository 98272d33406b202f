import { createHash } from 'node:crypto';
import { buffer } from 'node:stream/consumers';
import { openPromise, type Entry, type ZipFile } from 'yauzl';
import type { z } from 'zod';
import { boundsOf, parseWith, readJsonText } from '@/contracts/parse';
import { MOST_ENTRY_BYTES, MOST_ENTRY_FIELDS, shopManifestSchema, type ShopManifest } from '@/contracts/shop-file';
import { ProblemError, type Problem } from '@/core/1-base/problem';

/** A shop's file, open: every entry is checked against what the file says of itself before it is used. */
export interface OpenShop {
  readonly manifest: ShopManifest;
  /** An entry as it was written. @throws ProblemError where it is missing, too large or not what it was */
  bytes(name: string): Promise<Uint8Array>;
  /** An entry as `schema` has it. @throws ProblemError */
  json<T extends z.ZodType>(name: string, schema: T): Promise<z.output<T>>;
  close(): void;
}

const problem = (code: Problem['code'], path: string, expected: string, found: string): ProblemError =>
  new ProblemError({ code, path, expected, found });

/** @throws ProblemError that says what is wrong with the file and where */
export async function openShop(path: string): Promise<OpenShop> {
  const zip = await openPromise(path, { autoClose: false }).catch(() => {
    throw problem('wrongFormat', '', 'a shop’s file (a zip)', 'something else, or half of one');
  });
  try {
    const entries = new Map<string, Entry>();
    for await (const entry of zip.eachEntry()) entries.set(entry.fileName, entry);
    const raw = async (name: string): Promise<Uint8Array> => {
      const entry = entries.get(name);
      if (!entry) throw problem('missing', name, 'an entry of this name', 'none');
      return unpacked(zip, entry);
    };
    const manifest = parsed('shop.json', await raw('shop.json'), shopManifestSchema);
    const bytes = async (name: string): Promise<Uint8Array> => {
      const content = await raw(name);
      if (createHash('sha256').update(content).digest('hex') !== manifest.entries[name]) {
        throw problem('contradiction', name, 'what was written there', 'something else: the file was damaged');
      }
      return content;
    };
    return {
      manifest,
      bytes,
      json: async (name, schema) => parsed(name, await bytes(name), schema),
      close: () => zip.close(),
    };
  } catch (error) {
    zip.close();
    throw error;
  }
}

async function unpacked(zip: ZipFile, entry: Entry): Promise<Uint8Array> {
  if (entry.uncompressedSize > MOST_ENTRY_BYTES) {
    throw problem('tooLarge', entry.fileName, `at most ${MOST_ENTRY_BYTES / 1e6} MB`, 'more');
  }
  try {
    // The package refuses an entry that unpacks to another size than it says.
    return await buffer(await zip.openReadStreamPromise(entry));
  } catch {
    throw problem('wrongFormat', entry.fileName, 'an entry that can be unpacked', 'a damaged one');
  }
}

function parsed<T extends z.ZodType>(name: string, bytes: Uint8Array, schema: T): z.output<T> {
  const json = readJsonText(Buffer.from(bytes).toString());
  if (!json.ok) throw new ProblemError(...json.problems.map((one) => ({ ...one, path: name })));
  const beyond = boundsOf(json.value, MOST_ENTRY_FIELDS);
  if (beyond) throw new ProblemError({ ...beyond, path: name });
  const read = parseWith(schema, json.value);
  if (read.ok) return read.value;
  throw new ProblemError(...read.problems.map((one) => ({ ...one, path: `${name} ${one.path}` })));
}
