import { describe, expect, test } from '@jest/globals';
import { ProblemError } from '../../1-base/problem';
import { indexForLoad, loadOfIndexKg, SPEED_SYMBOLS, speedOfSymbolKmh } from './load-and-speed';
import { lawfulDiameterRatios, speedometer, TESTED_KMH } from './speedometer';
import { axleTireLoad } from './tire-load';

describe('load index, ISO 4000-1 (values from memory)', () => {
  test.each([
    [60, 250],
    [91, 615],
    [100, 800],
    [121, 1450],
    [140, 2500],
  ])('%i carries %i kg', (index, kg) => {
    expect(loadOfIndexKg(index)).toBe(kg);
    expect(indexForLoad(kg)).toBe(index);
  });

  test('each step is the eightieth root of ten, rounded: 45 kg at index 0', () => {
    for (let index = 60; index <= 140; index++) {
      expect(Math.abs(loadOfIndexKg(index) / (45 * 10 ** (index / 80)) - 1)).toBeLessThan(0.02);
      if (index > 60) expect(loadOfIndexKg(index)).toBeGreaterThan(loadOfIndexKg(index - 1));
    }
  });

  test('a load between two indices takes the higher one; what no tire carries is refused', () => {
    expect(indexForLoad(616)).toBe(92);
    expect(() => indexForLoad(2501)).toThrow(ProblemError);
    expect(() => indexForLoad(0)).toThrow(ProblemError);
    expect(() => indexForLoad(Number.NaN)).toThrow(ProblemError);
    expect(() => loadOfIndexKg(59)).toThrow(ProblemError);
    expect(() => loadOfIndexKg(91.5)).toThrow(ProblemError);
  });
});

test('speed symbols rise but for H, which stands after U (UN R30 and R54, from memory)', () => {
  const speeds = SPEED_SYMBOLS.map(speedOfSymbolKmh);
  expect(speeds).toEqual([...speeds].sort((a, b) => a - b));
  expect([speedOfSymbolKmh('Q'), speedOfSymbolKmh('S'), speedOfSymbolKmh('H'), speedOfSymbolKmh('V')]).toEqual([
    160, 180, 210, 240,
  ]);
});

describe('speedometer, UN R39 (from memory): 0 <= shown - true <= true / 10 + 4 km/h', () => {
  test('a tire 5 % taller on a speedometer that was right shows too little', () => {
    expect(speedometer(105, 1.05)).toMatchObject({ shownKmh: expect.closeTo(100, 9), verdict: 'showsTooLittle' });
  });

  test('one that showed 6 % too much stays lawful with a tire up to 6 % taller', () => {
    expect(speedometer(100, 1.05, 0.06).verdict).toBe('allowed');
    expect(speedometer(100, 1.07, 0.06).verdict).toBe('showsTooLittle');
    const [least, most] = lawfulDiameterRatios(0.06);
    expect(most).toBeCloseTo(1.06, 12);
    // At 120 km/h no more than 136 may be shown.
    expect(least).toBeCloseTo((1.06 * 120) / 136, 12);
  });

  test('the range is where the verdict turns, at every tested speed', () => {
    const [least, most] = lawfulDiameterRatios(0.02);
    for (const kmh of TESTED_KMH) {
      expect(speedometer(kmh, least + 1e-9, 0.02).verdict).toBe('allowed');
      expect(speedometer(kmh, most - 1e-9, 0.02).verdict).toBe('allowed');
      expect(speedometer(kmh, most + 1e-6, 0.02).verdict).toBe('showsTooLittle');
    }
    expect(TESTED_KMH.some((kmh) => speedometer(kmh, least - 1e-6, 0.02).verdict === 'showsTooMuch')).toBe(true);
  });
});

describe('tires for an axle’s load', () => {
  test('1 600 kg want two tires of index 100 (800 kg each, ISO 4000-1); at that load the full reference pressure', () => {
    expect(axleTireLoad(1600, 100, 250)).toEqual({
      loadPerTireKg: 800,
      neededIndex: 100,
      carriesKg: 800,
      leastKpa: expect.closeTo(250, 9),
    });
  });

  test('half the load wants 0.42 of the pressure: the load grows with its 0.8th power (ETRTO, from memory)', () => {
    expect(axleTireLoad(800, 100, 250).leastKpa! / 250).toBeCloseTo(0.4204, 4);
  });

  test('tires that do not carry it have no pressure that would do; unknown ones neither', () => {
    expect(axleTireLoad(1700, 100, 250)).toMatchObject({ neededIndex: 102, carriesKg: 800, leastKpa: null });
    expect(axleTireLoad(1600)).toMatchObject({ carriesKg: null, leastKpa: null });
  });
});
