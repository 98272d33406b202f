import { describe, expect, test } from '@jest/globals';
import { FITTED, madeCorner } from '../../fixtures/made-corner';
import { tireSection } from '../tire/section';
import { rollingMm } from '../tire/loaded-tire';
import { rollingOfRevolutionsMm } from '../tire/rolling';
import { tireOf } from '../tire/tire-shape';
import { radiusCheck, standingRadiusMm } from './loaded-radius';

const section = (size: string, more: object = {}) => tireSection({ size, ...more }, FITTED.wheel.widthIn);
// ISO 4000-1: 265/70R17 is 431.8 + 2 x 186 = 803.8 mm, its section 186 mm high; 285/75R17 is 859.8 mm and 214 mm high.
const FREE = 803.8 / 2;

describe('how flat a tire stands', () => {
  test('nothing measured: the fitted one is 12 % of its section height flat, and another rises by half the change of diameter', () => {
    expect(standingRadiusMm(madeCorner(), section('265/70R17'))).toBeCloseTo(FREE - 0.12 * 186, 9);
    expect(standingRadiusMm(madeCorner(), section('285/75R17'))).toBeCloseTo(859.8 / 2 - 0.12 * 186, 9);
  });

  test('ground to lip less hub to lip is the fitted tire’s; the tried one is pressed flat as much', () => {
    const corner = { ...madeCorner(), hubToLipMm: 500, groundToLipMm: 500 + FREE - 15 };
    expect(standingRadiusMm(corner, section('265/70R17'))).toBeCloseTo(FREE - 15, 9);
    expect(standingRadiusMm(corner, section('285/75R17'))).toBeCloseTo(859.8 / 2 - 15, 9);
  });

  test('a radius measured on the tire goes before both, on the fitted and on the tried one', () => {
    const fitted = { ...FITTED, tire: { ...FITTED.tire, loadedRadiusMm: FREE - 18.6 } };
    const corner = { ...madeCorner(), fitted, hubToLipMm: 500, groundToLipMm: 500 + FREE - 15 };
    expect(standingRadiusMm(corner, section('285/75R17'))).toBeCloseTo(859.8 / 2 - 18.6, 9);
    expect(standingRadiusMm(corner, section('285/75R17', { loadedRadiusMm: 401 }))).toBe(401);
  });

  test('heights that no tire of that size leaves between them are said and not used', () => {
    const corner = { ...madeCorner(), hubToLipMm: 500, groundToLipMm: 500 + FREE + 25 };
    expect(radiusCheck(corner)?.verdict).toBe('tooTall');
    expect(standingRadiusMm(corner, section('265/70R17'))).toBeCloseTo(FREE - 0.12 * 186, 9);
  });
});

test('one turn rolls 3.05 free diameters of a radial tire (ETRTO, from memory), or what was measured', () => {
  expect(rollingMm(section('265/70R17'))).toBeCloseTo(3.05 * 803.8, 9);
  expect(rollingMm(section('265/70R17', { rollingMm: 2440 }))).toBe(2440);
  // 410 turns in a kilometre.
  expect(rollingOfRevolutionsMm(410)).toBeCloseTo(2439.02, 2);
  expect(tireOf({ size: '265/70R17', revolutionsPerKm: 410 }).rollingMm).toBeCloseTo(2439.02, 2);
  expect(tireOf({ size: '265/70R17', revolutionsPerKm: 410, rollingMm: 2450 }).rollingMm).toBe(2450);
});
