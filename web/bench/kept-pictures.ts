import type { PictureKind, Pictures } from '../workers/picture-client';

/** Pictures of a kind kept, by what they follow from: enough to leave the room, look elsewhere and come back. */
const MOST_KEPT = 4;

/** Whole pictures of before. Of each kind the oldest go first. */
export class KeptPictures {
  readonly #kept: { readonly [K in PictureKind]: Map<string, Pictures[K]> } = {
    keepOut: new Map(),
    map: new Map(),
    swept: new Map(),
  };

  get<K extends PictureKind>(kind: K, key: string): Pictures[K] | undefined {
    return this.#kept[kind].get(key);
  }

  keep<K extends PictureKind>(kind: K, key: string, picture: Pictures[K]): void {
    const kept = this.#kept[kind];
    kept.delete(key);
    kept.set(key, picture);
    const [oldest] = kept.keys();
    if (kept.size > MOST_KEPT) kept.delete(oldest!);
  }
}
