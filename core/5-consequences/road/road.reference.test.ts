import { describe, expect, test } from '@jest/globals';
import { ProblemError } from '../../1-base/problem';
import { indexForLoad, loadOfIndexKg, SPEED_SYMBOLS, speedOfSymbolKmh } from './load-and-speed';
import { lawfulDiameterRatios, speedometer, TESTED_KMH } from './speedometer';
import { axleTireLoad } from './tire-load';
import { parseTireSize } from '../../2-vehicle/tire/size';

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

const car = (axleKg: number, text: string, referenceKpa?: number, index?: number) =>
  axleTireLoad({ axleKg, vehicle: 'car' }, { size: parseTireSize(text), referenceKpa, index });

describe('tires for an axle’s load', () => {
  test('1 600 kg want two tires of index 100 (800 kg each, ISO 4000-1); at that load the full reference pressure', () => {
    expect(car(1600, '235/60R16 100H', 250)).toMatchObject({
      loadPerTireKg: 800,
      neededIndex: 100,
      carriesKg: 800,
      leastKpa: expect.closeTo(250, 9),
    });
  });

  test('no relation in use asks more pressure for half the load: 0.42 of it (exponents from memory: ETRTO 0.8 and 0.65, TRA 0.7 and 0.5)', () => {
    const share = car(800, '235/60R16 100H', 250).leastKpa! / 250;
    expect(share).toBeCloseTo(0.4204, 4);
    for (const other of [0.65, 0.7, 0.5]) expect(share).toBeGreaterThan(0.5 ** (1 / other));
  });

  test('tires that do not carry it have no pressure that would do; unknown ones neither', () => {
    expect(car(1700, '235/60R16 100H', 250)).toMatchObject({ neededIndex: 102, carriesKg: 800, leastKpa: null });
    expect(car(1600, '235/60R16')).toMatchObject({ carriesKg: null, leastKpa: null });
    expect(car(1600, '235/60R16', 250, 100)).toMatchObject({ carriesKg: 800 });
  });

  test('passenger tires on a truck carry their index over 1.10 (49 CFR 571.110 S4.2.2.2, from memory)', () => {
    const on = (vehicle: 'car' | 'truck' | undefined, text: string) =>
      axleTireLoad({ axleKg: 2000, vehicle }, { size: parseTireSize(text) });
    // 116 = 1250 kg.
    expect(on('truck', 'P265/70R17 116T').carriesKg).toBeCloseTo(1136.4, 1);
    expect(on(undefined, '265/70R17 116T')).toMatchObject({ truckDivisor: 1.1, neededIndex: indexForLoad(1100) });
    expect(on('car', '265/70R17 116T')).toMatchObject({ truckDivisor: 1, carriesKg: 1250, neededIndex: 108 });
    for (const text of [
      'LT265/70R17 121/118S',
      '235/65R16C 115/113R',
      '33x10.50R17LT 114Q',
      '7.50R16 116N',
      '265/70R17 E 121S',
    ]) {
      expect(on('truck', text).truckDivisor).toBe(1);
    }
  });

  test('V, W and Y carry less towards their own speed: 91, 85 and 85 % there (UN R30, from memory)', () => {
    const at = (topKmh: number, text: string) =>
      axleTireLoad({ axleKg: 1000, vehicle: 'car', topKmh }, { size: parseTireSize(text) });
    expect(at(210, '225/45R17 91V').carriesKg).toBe(615);
    expect(at(240, '225/45R17 91V').carriesKg).toBeCloseTo(0.91 * 615, 9);
    // Half way, 225 km/h: 95.5 %.
    expect(at(225, '225/45R17 91V').speedShare).toBeCloseTo(0.955, 9);
    expect([at(270, '225/45R17 91W').speedShare, at(300, '225/45R17 91Y').speedShare]).toEqual([0.85, 0.85]);
    expect(at(250, '225/45R17 91V').speedShare).toBeNull();
    expect(at(200, '225/45R17').speedShare).toBeUndefined();
  });
});
