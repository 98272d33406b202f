/** Repeatable numbers in [0, 1): the mulberry32 generator. Whoever asks names the seed. */
export function seededRandom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** Repeatable numbers of the standard normal distribution, by the polar method of Marsaglia. */
export function seededNormal(seed: number): () => number {
  const random = seededRandom(seed);
  let spare = NaN;
  return () => {
    if (!Number.isNaN(spare)) {
      const kept = spare;
      spare = NaN;
      return kept;
    }
    for (;;) {
      const x = 2 * random() - 1;
      const y = 2 * random() - 1;
      const s = x * x + y * y;
      if (s >= 1 || s === 0) continue;
      const scale = Math.sqrt((-2 * Math.log(s)) / s);
      spare = y * scale;
      return x * scale;
    }
  };
}

/** A seed from a text, so that each named thing has its own sequence: the FNV-1a hash. */
export function seedOf(text: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return hash >>> 0;
}
