import { fsyncSync } from 'node:fs';
import type { PGlite, PGliteOptions } from '@electric-sql/pglite';
import { PGlite as Lite } from '@electric-sql/pglite';
import { NodeFS } from '@electric-sql/pglite/nodefs';

type Starting = Awaited<ReturnType<NodeFS['init']>>['emscriptenOpts'];

/** The part of the embedded machine's file system that is completed here. */
interface Machine {
  readonly NODEFS: { readonly stream_ops: { fsync?: (stream: { readonly nfd: number }) => number } };
}

/**
 * The directory of an embedded database, with what the package leaves out: when PostgreSQL asks for a file to be on the disk,
 * it is put there (fsync), so that a commit that was acknowledged outlives the power cut after it.
 */
export class DurableFiles extends NodeFS {
  readonly #synced: () => void;

  /** `synced`: told of every file that was put on the disk. */
  constructor(path: string, synced: () => void = () => undefined) {
    super(path);
    this.#synced = synced;
  }

  override async init(pg: PGlite, options: Starting): Promise<{ emscriptenOpts: Starting }> {
    const { emscriptenOpts } = await super.init(pg, options);
    const completed = (machine: unknown): void => {
      (machine as Machine).NODEFS.stream_ops.fsync = ({ nfd }) => {
        fsyncSync(nfd);
        this.#synced();
        return 0;
      };
    };
    return { emscriptenOpts: { ...emscriptenOpts, preRun: [...(emscriptenOpts.preRun ?? []), completed] } };
  }
}

/** PGlite starts PostgreSQL with fsync off; here it is on, by the one call that reaches the disk. */
export const durable = (path: string, synced?: () => void): PGliteOptions => ({
  fs: new DurableFiles(path, synced),
  startParams: [
    ...Lite.defaultStartParams.filter((one) => one !== '-F'),
    '-c',
    'fsync=on',
    '-c',
    'wal_sync_method=fsync',
  ],
});
