import { describe, expect, test } from '@jest/globals';
import type { Called } from './called-for';
import type { HeightSchool } from './height-schools';
import { heightTable } from './height-table';
import { USUAL_AXLES, type AxleKind } from './usual-axles';

const IN = 25.4;
const tableOf = (kind: AxleKind, school: HeightSchool = 'toTheLimit') =>
  heightTable(
    USUAL_AXLES[kind].description,
    'frontLeft',
    USUAL_AXLES[kind].measured,
    [1, 2, 3, 4].map((n) => n * IN),
    school,
  );
const called = (kind: AxleKind): Called[][] => tableOf(kind).rows.map(({ calls }) => calls.map(({ what }) => what));

/** The trade's list of what heights ask for; common practice, no source. */
describe('what 1 to 4 in call for at usual axles (common practice, no source)', () => {
  test('1 in: spacers on stock shocks, nothing else but an alignment, on both kinds of axle', () => {
    for (const kind of ['independent', 'beam'] as const) expect(called(kind)[0]).toEqual(['alignment']);
  });

  test('2 in: springs and shocks, nothing else strictly needed', () => {
    for (const kind of ['independent', 'beam'] as const) expect(called(kind)[1]).toEqual(['longerShock', 'alignment']);
  });

  test('3 in on a beam axle: longer brake hoses, caster correction, a driveshaft spacer, an adjustable panhard rod', () => {
    expect(called('beam')[2]).toEqual(
      expect.arrayContaining(['longerHose', 'casterCorrection', 'slipJoint', 'panhardCorrection']),
    );
    expect(called('beam')[2]).not.toContain('driveshaftJoint');
  });

  test('4 in on a beam axle: longer hoses and more caster again, and a high-angle driveshaft', () => {
    const [, , three, four] = tableOf('beam').rows;
    expect(four!.calls.map(({ what }) => what)).toContain('driveshaftJoint');
    for (const what of ['longerHose', 'casterCorrection', 'panhardCorrection'] as const) {
      const by = (row: typeof three): number => Math.abs(row!.calls.find((call) => call.what === what)!.by);
      expect(by(four)).toBeGreaterThan(by(three));
    }
  });

  test('4 in on independent suspension wants arms that spare the joints, and a differential drop is a school from 2 in on', () => {
    expect(called('independent')[3]).toEqual(expect.arrayContaining(['jointCorrection', 'differentialDrop']));
    expect(called('independent')[1]).not.toContain('differentialDrop');
    expect(tableOf('independent', 'keepReserve').rows[1]!.calls.map(({ what }) => what)).toContain('differentialDrop');
  });

  test('no answer is made of what was not measured: without measurements only the alignment is called for', () => {
    const { rows, notAnswered } = heightTable(
      USUAL_AXLES.beam.description,
      'frontLeft',
      {},
      [IN, 3 * IN],
      'toTheLimit',
    );
    expect(rows[0]!.calls.map(({ what }) => what)).toEqual(['alignment']);
    expect(notAnswered.map(({ what }) => what)).toEqual(
      expect.arrayContaining(['longerShock', 'longerHose', 'casterCorrection', 'swayLink', 'dragLink', 'slipJoint']),
    );
    expect(tableOf('beam').notAnswered).toEqual([]);
    expect(tableOf('independent').notAnswered).toEqual([]);
  });

  test('a hose’s amount by hand: it had 60 mm hanging, the axle hangs 76.2 lower', () => {
    const hose = tableOf('beam').rows[2]!.calls.find(({ what }) => what === 'longerHose');
    expect(hose!.by).toBeCloseTo(76.2 - 60, 6);
  });

  test('where arms do not reach all of the travel it is said', () => {
    const short = USUAL_AXLES.independent.description;
    const { motion } = short.corners.frontLeft!;
    const tape = { ...(motion as { tape: object }).tape, upperArmMm: 230, upperArmRiseMm: 0 };
    const corner = { ...short.corners.frontLeft!, motion: { type: 'doubleWishbone', tape } as never };
    const { rows } = heightTable(
      { ...short, corners: { frontLeft: corner } },
      'frontLeft',
      {},
      [IN, 4 * IN],
      'toTheLimit',
    );
    expect(rows.map(({ problem }) => problem === null)).toEqual([true, false]);
  });
});
