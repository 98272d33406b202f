import { madeCorner, madeCase } from '../../fixtures/made-corner';
import { describe, expect, test } from '@jest/globals';
import { type CaseDescription } from '../../4-clearance/case/case-description';
import { fittedAsSetup, type SetupDescription } from '../../2-vehicle/setup/setup';
import type { Vec3 } from '../../1-base/geometry/vec3';
import { tireSection } from '../../2-vehicle/tire/section';
import { outerAt, outerSide, type OuterSide } from './fender-edge';
import { fenderStand } from './poke';

const FITTED = {
  tire: { size: '265/70R17', measuredWidthMm: 270 },
  wheel: { diameterIn: 17, widthIn: 8, offsetMm: 25 },
  spacerMm: 0,
};
/** An arch of 450 mm about the hub, its edge 120 mm outboard of the hub face. */
const arch = (from: number, to: number): Vec3[] =>
  Array.from({ length: (to - from) / 2 + 1 }, (_, i) => {
    const angle = ((from + 2 * i) * Math.PI) / 180;
    return [450 * Math.sin(angle), 120, 450 * Math.cos(angle)];
  });

const stood = (more: Partial<SetupDescription>, from = -52, to = 34): CaseDescription =>
  madeCase({
    corners: {
      frontLeft: madeCorner({
        fitted: FITTED,
        obstacles: [
          { id: 'lip', mount: 'body', material: 'sheetMetal', shape: { type: 'polyline', points: arch(from, to) } },
        ],
      }),
    },
    setup: { ...fittedAsSetup(FITTED), ...more },
  });

describe('tire and fender', () => {
  test('poke is the outboard edge beyond the fender’s: half the width less the offset (common practice, no source)', () => {
    expect(fenderStand(stood({}), 'frontLeft')).toEqual({ pokeMm: expect.closeTo(135 - 25 - 120, 6), covered: true });
    expect(fenderStand(stood({ spacerMm: 30 }), 'frontLeft')).toEqual({
      pokeMm: expect.closeTo(20, 6),
      covered: false,
    });
  });

  test('an arch surveyed too short leaves the cover unknown, unless a stretch already fails', () => {
    expect(fenderStand(stood({}, -20, 34), 'frontLeft').covered).toBeNull();
    expect(fenderStand(stood({ spacerMm: 30 }, -20, 34), 'frontLeft').covered).toBe(false);
  });

  test('a lifted fender stands further up and so covers less about the hub', () => {
    // Its front end lies at 22 degrees of 450 mm; raised by 100 at atan(169 / 517) = 18, short of the last stretch asked for.
    expect(fenderStand(stood({}, -52, 22), 'frontLeft').covered).toBe(true);
    expect(fenderStand(stood({ bodyLiftMm: 100 }, -52, 22), 'frontLeft').covered).toBeNull();
  });
});

describe('camber in the fender', () => {
  // 225/45R17 on 7.5 in at -3 degrees: its widest place, 266 mm from the axis, stands 266 sin 3 = 14 mm further in at the top (by hand).
  const section = tireSection({ size: '225/45R17' }, 7.5);

  test('takes the outer sidewall in at the top, and out again at the bottom', () => {
    const [upright, leaning] = [0, -3].map((camberDeg) => outerSide(section, -45, camberDeg)) as [OuterSide, OuterSide];
    expect(outerAt(upright) - outerAt(leaning)).toBeCloseTo(14, 0);
    expect(outerAt(leaning, Math.PI) - outerAt(upright, Math.PI)).toBeCloseTo(14, 0);
    expect(outerAt(leaning, Math.PI / 2) - outerAt(upright, Math.PI / 2)).toBeCloseTo(0, 0);
  });

  test('counts in poke and cover of a parked wheel', () => {
    const leaning = (camberDeg: number) => fenderStand(stood({ camberChangeDeg: camberDeg }), 'frontLeft');
    const [upright, out] = [leaning(0), leaning(1)];
    const widest = tireSection(FITTED.tire, 8).widestRadiusMm;
    expect(out.pokeMm! - upright.pokeMm!).toBeCloseTo(widest * Math.sin(Math.PI / 180), 0);
    // 10 mm of room and 5 mm of lean: still covered; at 6 degrees no more.
    expect([upright.covered, out.covered, leaning(6).covered]).toEqual([true, true, false]);
  });
});
