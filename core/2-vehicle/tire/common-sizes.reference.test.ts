import { expect, test } from '@jest/globals';
import { commonSizes } from './common-sizes';

const all = commonSizes();
const find = (size: string) => all.find((one) => one.size === size);

test.each([
  // ISO 4000-1 / ETRTO design dimensions on the measuring rim (from memory).
  ['205/55R16', 6.5, 214, 632],
  ['225/45R17', 7.5, 225, 634],
  ['265/70R16', 8, 272, 778],
  ['195/65R15', 6, 201, 635],
])('%s on %s in: %s x %s mm', (size, rim, width, diameter) => {
  const found = find(size);
  expect(found?.measuringRimIn).toBe(rim);
  expect(Math.abs(found!.diameterMm - diameter)).toBeLessThanOrEqual(1);
  // Tables take the measuring rim's width as a theoretical one in steps of the nominal width: within 3 mm of it.
  expect(Math.abs(found!.widthMm - width)).toBeLessThanOrEqual(3);
});

test('the sizes people ask for are there, each once, sorted by rim', () => {
  for (const size of [
    '265/70R17',
    '285/70R17',
    '315/70R17',
    '35x12.50R17LT',
    '33x10.50R15LT',
    '18x8.50-8',
    '325/60R20',
    '205/50-10',
    '7.50R16',
    '23x10.50-12',
  ]) {
    expect([size, find(size) !== undefined]).toEqual([size, true]);
  }
  expect(new Set(all.map(({ size }) => size)).size).toBe(all.length);
  expect(all.map(({ rimDiameterIn }) => rimDiameterIn)).toEqual(
    [...all.map((s) => s.rimDiameterIn)].sort((a, b) => a - b),
  );
});

test('a tire of 778 mm turns about 421 times in a kilometre: the rolling circumference is 3.05 diameters', () => {
  expect(find('265/70R16')!.revolutionsPerKm).toBeCloseTo(421.4, 0);
});

test('sizes that nobody makes are not among them', () => {
  for (const size of ['355/30R17', '125/85R24', '345/75R20', '33x14.50R16LT', '29x10.50R16LT']) {
    expect([size, find(size) !== undefined]).toEqual([size, false]);
  }
  // A table of what is sold, not every number that would go together.
  expect(all.length).toBeGreaterThan(350);
  expect(all.length).toBeLessThan(900);
});

test('carts’ sizes on their own rims are written without R, car sizes on small rims with it', () => {
  expect(find('215/35-12')).toBeDefined();
  expect(find('155/80R12')).toBeDefined();
  expect(all.filter(({ rimDiameterIn }) => rimDiameterIn <= 8).every(({ size }) => size.includes('-'))).toBe(true);
});
