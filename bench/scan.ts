/** A made-up scan of a wheel well: a liner shell with waves, a rail and a lip, 15 to 60 mm off the fitted tire's sweep. */
import type { Vec3 } from '@/core/1-base/geometry/vec3';
import { seededRandom } from '@/core/1-base/numeric/seeded-random';

export function scanOf(count: number, seed = 9): Vec3[] {
  const random = seededRandom(seed);
  return Array.from({ length: count }, (): Vec3 => {
    const angle = -1.9 + 3.8 * random();
    const part = random();
    if (part < 0.75) {
      const radius = 560 + 22 * Math.sin(5 * angle) + 0.4 * random();
      return [radius * Math.sin(angle), -330 + 460 * random(), radius * Math.cos(angle) + 40];
    }
    if (part < 0.9) return [-600 + 1200 * random(), -345 + 3 * random(), -60 + 150 * random()];
    const radius = 545 + 0.3 * random();
    return [radius * Math.sin(angle), 128 + 6 * random(), radius * Math.cos(angle) + 45];
  });
}
