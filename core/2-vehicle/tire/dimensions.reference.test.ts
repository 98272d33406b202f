import { describe, expect, test } from '@jest/globals';
import { inToMm, mmToIn } from '../../1-base/units/length';
import { defaultMeasuringRimIn, designDiameterMm, designRimIn, sectionWidthMm } from './dimensions';
import { parseTireSize } from './size';

describe('ISO 4000-1 / ETRTO design dimensions (values from memory)', () => {
  test.each([
    ['205/55R16', 6.5, 214, 632],
    ['225/45R17', 7.5, 225, 634],
    ['265/70R16', 8, 272, 778],
    ['195/65R15', 6, 201, 635],
  ])('%s on %s in: %s x %s mm', (text, rim, width, diameter) => {
    const size = parseTireSize(text);
    // The tables round to whole mm, and their rim codes differ from 25.4 mm per in by up to 0.5 mm.
    expect(Math.abs(sectionWidthMm(size, rim) - width)).toBeLessThan(0.6);
    expect(Math.abs(designDiameterMm(size) - diameter)).toBeLessThan(0.6);
  });

  test('sizes without an aspect ratio carry a full profile: 185R14C is 650 mm (value from memory)', () => {
    const size = parseTireSize('185R14C');
    expect(size.heightIsEstimated).toBe(true);
    expect(Math.abs(designDiameterMm(size) - 650)).toBeLessThan(4);
  });
});

describe('check values of the trade (common practice, no source)', () => {
  test.each([
    ['315/75R16', 35, 12.5],
    ['265/70R16', 30.5, 10],
  ])('%s is about %s in tall and %s in wide', (text, tall, wide) => {
    const size = parseTireSize(text);
    expect(Math.abs(mmToIn(designDiameterMm(size)) - tall)).toBeLessThan(0.5);
    expect(Math.abs(mmToIn(size.nominalWidthMm) - wide)).toBeLessThan(0.5);
  });

  test.each([
    ['285/70R17', 33],
    ['315/70R17', 35],
  ])('%s is sold as a %s', (text, sold) => {
    expect(Math.abs(mmToIn(designDiameterMm(parseTireSize(text))) - sold)).toBeLessThan(0.75);
  });

  test('265/60R18 to 265/65R18 is about 1 in taller, so the fender rises 10 to 15 mm', () => {
    const rise = designDiameterMm(parseTireSize('265/65R18')) - designDiameterMm(parseTireSize('265/60R18'));
    expect(Math.abs(mmToIn(rise) - 1)).toBeLessThan(0.1);
    expect(rise / 2).toBeGreaterThan(10);
    expect(rise / 2).toBeLessThan(15);
  });

  test('section width changes about 0.2 in per 0.5 in of rim width', () => {
    for (const text of ['265/70R17', '35x12.50R17LT', '18x8.50-8']) {
      const size = parseTireSize(text);
      expect(sectionWidthMm(size, 8.5) - sectionWidthMm(size, 8)).toBeCloseTo(inToMm(0.2), 9);
    }
  });
});

test('a flotation size has its printed width on its measuring rim', () => {
  const size = parseTireSize('35x12.50R17LT');
  expect(defaultMeasuringRimIn(size.nominalWidthMm)).toBe(10);
  expect(sectionWidthMm(size, 10)).toBeCloseTo(317.5, 9);
  expect(designDiameterMm(size)).toBeCloseTo(889, 9);
});

// ETRTO design guide, K2; values from memory.
test.each([
  ['265/70R17', 8],
  ['285/70R17', 8.5],
  ['315/70R17', 9.5],
  ['205/55R16', 6.5],
])('the design rim of %s is %d in', (size, rimIn) => {
  expect(designRimIn(parseTireSize(size))).toBe(rimIn);
});

describe('older numeric sizes (values from memory, common practice)', () => {
  const numeric = (size: string, rimIn: number) => {
    const parsed = parseTireSize(size);
    return { diameterMm: designDiameterMm(parsed), widthMm: sectionWidthMm(parsed, rimIn) };
  };

  test('7.50R16 on 6 in is 205 to 220 mm wide, and about 803 tall', () => {
    const { diameterMm, widthMm } = numeric('7.50R16', 6);
    expect(widthMm).toBeGreaterThan(205);
    expect(widthMm).toBeLessThan(220);
    expect(Math.abs(diameterMm - 803)).toBeLessThan(8);
  });

  test.each([
    ['5.60-15', 4, 662, 145],
    ['8.75R16.5', 6.75, 749, 222],
    ['9.50R16.5', 6.75, 775, 241],
    ['10-16.5', 8.25, 773, 264],
    ['11R22.5', 8.25, 1052, 279],
    ['6.00-16', 4.5, 725, 170],
  ])('%s on %d in is about %d tall and %d wide', (size, rimIn, tall, wide) => {
    const { diameterMm, widthMm } = numeric(size, rimIn);
    expect(Math.abs(diameterMm - tall)).toBeLessThan(25);
    expect(Math.abs(widthMm - wide)).toBeLessThan(12);
  });
});
