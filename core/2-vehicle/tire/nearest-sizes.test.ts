import { expect, test } from '@jest/globals';
import { nearestSizes, nextSize } from './nearest-sizes';

test('a drawn tire as tall and wide as a size in use is that size', () => {
  // 285/70R17 on its 8.5 in rim: 431.8 + 2 x 200 (ISO 4000-1, from memory).
  const [first] = nearestSizes(17, 8.5, 831, 292, 3);
  expect(first).toMatchObject({ size: '285/70R17', diameterMm: 831.8 });
});

test('one size taller of about the same width, and back', () => {
  const up = nextSize(17, 8.5, 831.8, 292, 1)!;
  expect(up.diameterMm).toBeGreaterThan(834);
  expect(Math.abs(up.widthMm - 292)).toBeLessThanOrEqual(16);
  const down = nextSize(17, 8.5, up.diameterMm, up.widthMm, -1)!;
  expect(down.diameterMm).toBeLessThan(up.diameterMm);
  expect(nextSize(17, 8.5, 2000, 292, 1)).toBeNull();
});

test('only sizes for that rim, and none that is made for a much narrower one', () => {
  for (const { size } of nearestSizes(16, 10, 800, 300, 8)) expect(size).toMatch(/R16(LT)?$/);
  expect(nearestSizes(16, 10, 700, 215, 40).map(({ size }) => size)).not.toContain('215/75R16');
});
