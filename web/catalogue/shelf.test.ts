import { describe, expect, test } from '@jest/globals';
import { demoCatalogue } from '@/demo/demo-catalogue';
import { commonSizes } from '@/core/2-vehicle/tire/common-sizes';
import { inLine, isMeant, onShelf, sizeOnShelf, type ShelfPart } from './shelf';

const part = (kind: 'tire' | 'wheel' | 'spacer', data: Record<string, string | number>): ShelfPart =>
  onShelf({ id: 'x', kind, data, revision: 1 })!;
const across = (values: readonly number[]): number => Math.max(...values) - Math.min(...values);

describe('a part on its shelf', () => {
  // Metric sizes: rim + 2 section heights, each rounded to whole mm: 17 x 25.4 + 2 x 200 = 831.8 mm (standards manual, from memory).
  test('a tire is drawn at its own diameter and width, both said', () => {
    const { facts, shape } = part('tire', { size: '285/70R17', measuringRimIn: 8.5 });
    if (shape?.kind !== 'tire') throw new Error('no tire');
    expect(shape.heightMm).toBeCloseTo(831.8, 6);
    expect(2 * Math.max(...shape.section.map(({ r }) => r))).toBeCloseTo(831.8, 0);
    expect(Math.abs(across(shape.section.map(({ a }) => a)) - 285)).toBeLessThan(8);
    expect(facts[0]).toMatch(/^832 x 2[89]\d mm, 32\.7 in tall$/);
  });

  test('a tire somebody measured stands as measured, and says so', () => {
    const { facts, shape } = part('tire', { size: '285/70R17', measuredDiameterMm: 826, label: 'Worn' });
    expect(shape?.heightMm).toBe(826);
    expect(facts).toEqual(['Worn', expect.stringMatching(/^826 x .*, measured$/)]);
  });

  // Offset = backspacing - (width + 1 in) / 2, lip to pad: 133.4 - (8.5 + 1) x 25.4 / 2 = 12.75 mm. Common practice, no source.
  test('a wheel by its backspacing stands at the offset that follows', () => {
    const { facts, shape } = part('wheel', { diameterIn: 17, widthIn: 8.5, backspacingMm: 133.4 });
    if (shape?.kind !== 'wheel') throw new Error('no wheel');
    expect(shape.offsetMm).toBeCloseTo(12.75, 1);
    expect(facts[0]).toMatch(/^offset \+13 mm, backspacing 133.4 mm$/);
    expect(shape.holes).toEqual({ studs: 0, circleMm: 0, boreMm: 0 });
  });

  test('stud holes and bore are those that were entered; a circle in inches is read as such', () => {
    const { shape } = part('spacer', { thicknessMm: 25, boltPattern: '6x5.5', boreMm: 106.1 });
    if (shape?.kind !== 'spacer') throw new Error('no spacer');
    expect(shape.holes).toMatchObject({ studs: 6, boreMm: 106.1 });
    expect(shape.holes.circleMm).toBeCloseTo(139.7, 6);
    expect(shape.heightMm).toBeGreaterThan(shape.holes.circleMm);
  });

  test('what is not known is not said', () => {
    expect(part('spacer', { thicknessMm: 6 }).facts).toEqual([]);
    expect(onShelf({ id: 'x', kind: 'tire', data: { size: 'round' }, revision: 1 })).toBeNull();
  });
});

test('they stand in line by rim, then diameter', () => {
  const parts = demoCatalogue()
    .filter(({ kind }) => kind === 'tire')
    .map((content, i) => onShelf({ id: String(i), ...content } as never)!);
  const heights = inLine(parts.filter(({ name }) => name.includes('17'))).map(({ shape }) => shape!.heightMm);
  expect(heights).toEqual([...heights].sort((a, b) => a - b));
  expect(inLine(parts)[0]!.name).toBe('22x10-10');
});

test('a search wants every word, wherever it stands on the part', () => {
  const tire = part('tire', { size: '265/70R17', label: 'Winter, studded' });
  expect(isMeant(tire, 'studded 265')).toBe(true);
  expect(isMeant(tire, 'studded 275')).toBe(false);
  expect(isMeant(tire, '')).toBe(true);
});

test('every common size can be drawn', () => {
  const sizes = commonSizes();
  expect(sizes.filter((size) => sizeOnShelf(size).shape === null).map(({ size }) => size)).toEqual([]);
  expect(sizes.length).toBeGreaterThan(400);
});
