import { madeCorner, madeCase } from '../../fixtures/made-corner';
import { describe, expect, test } from '@jest/globals';
import { type CaseDescription } from '../../4-clearance/case/case-description';
import { fittedAsSetup, type SetupDescription } from '../../2-vehicle/setup/setup';
import type { Vec3 } from '../../1-base/geometry/vec3';
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
