import { describe, expect, test } from '@jest/globals';
import { FITTED, LEANING_AXIS, madeCase, madeCorner } from '../../fixtures/made-corner';
import { prepareCorner } from '../../4-clearance/case/prepared-corner';
import { fittedAsSetup, fittedSetup } from '../../2-vehicle/setup/setup';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { ObstacleDescription } from '../../3-survey/description/obstacle-description';
import type { ReadingDescription } from '../../3-survey/reading/reading';
import { evaluateCase } from '../../4-clearance/verdict/evaluate';
import { doubtsOfToday } from './fitted-today';

const at = (clock: string, gapMm: number): ReadingDescription => ({
  clock,
  across: 'tread',
  outboardMm: -130,
  gapMm,
  steer: 'straight',
  travelMm: 0,
});
/** A lip 100 mm off the tread, well above 80 mm of bump. */
const lip = (said: Partial<ObstacleDescription> = {}): ObstacleDescription => ({
  id: 'lip',
  label: 'Fender lip',
  mount: 'body',
  material: 'sheetMetal',
  readingsAs: 'arch',
  readings: ['10:30', '11:15', '12:00', '12:45', '1:30'].map((clock) => at(clock, 100)),
  ...said,
});
const withLip = (said: Partial<ObstacleDescription>, corner: Partial<CornerDescription> = {}) =>
  madeCase({ corners: { frontLeft: madeCorner({ obstacles: [lip(said)], ...corner }) } });
const slip = (gapMm: number): readonly ReadingDescription[] =>
  lip().readings!.map((reading, i) => (i === 2 ? { ...reading, gapMm, confirmed: true } : reading));

describe('the fitted tire as the judge', () => {
  test('where nothing rubs and nobody says so, nothing is asked', () => {
    expect(doubtsOfToday(withLip({}))).toEqual([]);
    // The setup tried does not matter: it is what stands on the vehicle.
    const asked = { ...withLip({}), setup: fittedAsSetup({ ...FITTED, tire: { size: '40x15.50R17' } }) };
    expect(evaluateCase(asked).lowGap!.verdict).toBe('rubs');
    expect(doubtsOfToday(asked)).toEqual([]);
  });

  test('a reading of 10 mm that was 100 has the tire rub, and is the likeliest to be wrong', () => {
    const [doubt, ...others] = doubtsOfToday(withLip({ readings: slip(10) }));
    expect(others).toEqual([]);
    expect(doubt).toMatchObject({ id: 'lip', label: 'Fender lip', kind: 'rubsUnseen', corner: 'frontLeft' });
    expect(doubt!.gapMm).toBeLessThan(0);
    // Up to the bump stop: there it touches first.
    expect(doubt!.travelMm).toBeGreaterThan(40);
    expect(doubt!.suspects[0]).toMatchObject({ kind: 'reading', index: 2 });
    expect(doubt!.suspects[0]!.evidence).toBeGreaterThan(4);
  });

  test('once somebody saw it rub, nothing is asked', () => {
    const rubs = [{ seen: 'mark', steer: 'straight', height: 'bump' }] as const;
    const low = lip().readings!.map((reading) => ({ ...reading, gapMm: 60 }));
    expect(doubtsOfToday(withLip({ readings: low }))).toMatchObject([{ kind: 'rubsUnseen' }]);
    expect(doubtsOfToday(withLip({ readings: low, rubs }))).toEqual([]);
  });

  test('a travel that nobody measured is named before readings that agree', () => {
    const low = lip().readings!.map((reading) => ({ ...reading, gapMm: 60 }));
    const [doubt] = doubtsOfToday(withLip({ readings: low }, { starting: ['bumpMm', 'lockLeftDeg', 'staticToeDeg'] }));
    expect(doubt!.suspects[0]).toMatchObject({ kind: 'starting', value: 'bumpMm' });
    // Straight ahead no lock, and never a toe of a tenth, decides.
    expect(doubt!.suspects.filter(({ kind }) => kind === 'starting')).toHaveLength(1);
  });

  test('an arm’s end said to be fixed to the frame is named with what it usually moves with', () => {
    const arm = lip({
      id: 'arm-end',
      material: 'arm',
      mount: 'frame',
      readingsAs: 'points',
      readings: [at('12:00', 40), at('11:30', 41)],
    });
    const [doubt] = doubtsOfToday(madeCase({ corners: { frontLeft: madeCorner({ obstacles: [arm] }) } }));
    expect(doubt!.suspects).toContainEqual(expect.objectContaining({ kind: 'mount', mount: 'upperArm' }));
    const fixed = { ...arm, mount: 'axle' } as const;
    expect(doubtsOfToday(madeCase({ corners: { frontLeft: madeCorner({ obstacles: [fixed] }) } }))).toEqual([]);
  });

  test('a rub that the numbers never come to is asked about', () => {
    const rubs = [{ seen: 'driver', steer: 'straight', height: 'ride' }] as const;
    const [doubt] = doubtsOfToday(withLip({ rubs, readingsAs: 'points' }));
    expect(doubt).toMatchObject({ kind: 'rubUnfound', steerDeg: 0, travelMm: 0 });
    expect(doubt!.gapMm).toBeGreaterThan(50);
  });

  test('readings one by one: the one where the tire meets the thing is named', () => {
    const readings = [at('12:00', 90), at('1:00', 20)];
    const [doubt] = doubtsOfToday(withLip({ readingsAs: 'points', readings }));
    expect(doubt!.suspects[0]).toMatchObject({ kind: 'reading', index: 1 });
  });
});

describe('that it does not rub is evidence', () => {
  const none = [{ seen: 'mark', touches: false, steer: 'any', height: 'any' }] as const;
  const heightOf = (said: Partial<ObstacleDescription>): number => {
    const corner = madeCorner({ obstacles: [lip(said)], steering: LEANING_AXIS });
    const { gapMm } = evaluateCase(madeCase({ corners: { frontLeft: corner } })).obstacles[0]!;
    return gapMm;
  };

  test('a loosely read thing goes to where the tire does not reach it; one that stands clear stays', () => {
    const loose = { readings: [at('12:00', 70)], readingsAs: 'tip', form: { rodDiameterMm: 10 } } as const;
    expect(heightOf(loose)).toBeLessThan(-4);
    expect(heightOf({ ...loose, rubs: none })).toBeGreaterThan(heightOf(loose) + 1);
    expect(heightOf({ rubs: none })).toBeCloseTo(heightOf({}), 6);
  });

  test('readings that say otherwise outweigh the word, and are asked about as contradicting it', () => {
    const low = lip().readings!.map((reading) => ({ ...reading, gapMm: 40 }));
    const [doubt] = doubtsOfToday(withLip({ readings: low, rubs: none }));
    expect(doubt).toMatchObject({ kind: 'saidNotTo' });
  });

  test('a corner whose rubs are not found where they were seen is not known, and says which thing to settle', () => {
    const knownOf = (said: Partial<ObstacleDescription>) =>
      prepareCorner(
        'frontLeft',
        madeCorner({ obstacles: [lip(said)], skipped: ALL_BUT_LIP }),
        fittedSetup(FITTED),
        'trail',
      ).known;
    expect(knownOf({})).toMatchObject({ isEnough: true, first: null });
    const rubs = [{ seen: 'driver', steer: 'straight', height: 'ride' }] as const;
    const tip = {
      readingsAs: 'tip',
      readings: ['11:50', '12:00', '12:10', '12:00'].map((clock) => at(clock, 100)),
    } as const;
    expect(knownOf(tip)).toMatchObject({ isEnough: true });
    expect(knownOf({ ...tip, rubs })).toMatchObject({ isEnough: false, first: { kind: 'rub', label: 'Fender lip' } });
    // A lip bent to where it rubs leaves readings behind that say otherwise.
    const { isEnough, first } = knownOf({ rubs });
    expect(isEnough).toBe(false);
    expect(['contradiction', 'rub']).toContain(first?.kind);
    // A reading an inch and more off the others, which nobody looked at again.
    const off = lip().readings!.map((reading, i) => (i === 2 ? { ...reading, gapMm: 140 } : reading));
    expect(knownOf({ readings: off })).toMatchObject({
      isEnough: false,
      first: { kind: 'contradiction', label: 'Fender lip' },
    });
    expect(knownOf({ readings: slip(140) })).toMatchObject({ isEnough: true });
  });
});

const ALL_BUT_LIP = ['liner', 'frame-rail', 'shock'];
