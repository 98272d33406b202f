import { describe, expect, test } from '@jest/globals';
import type { CaseDescription } from '../../4-clearance/case/case-description';
import type { Learned } from '../../3-survey/description/obstacle-description';
import { gapInPosture } from '../../4-clearance/oracle/plain-sweep';
import { prepareCorner } from '../../4-clearance/case/prepared-corner';
import { fittedAsSetup, fittedSetup } from '../../2-vehicle/setup/setup';
import { FITTED, LEANING_AXIS, madeCase, madeCorner, SWINGING } from '../../fixtures/made-corner';
import { nextReadingsOf } from './next-case';

/** A rail inboard of the tire, read twice, and a lip far off that was read well. */
const described = (learned?: Learned): CaseDescription =>
  madeCase({
    corners: {
      frontLeft: madeCorner({
        motion: SWINGING,
        steering: LEANING_AXIS,
        hubToLipMm: 520,
        obstacles: [
          {
            id: 'rail',
            mount: 'frame',
            material: 'frame',
            readingsAs: 'rod',
            form: { runs: 'foreAft' },
            readings: [
              { clock: '11:00', across: 'innerSidewall', gapMm: 60, steer: 'straight', travelMm: 0 },
              { clock: '9:30', across: 'innerSidewall', gapMm: 30, steer: 'left', travelMm: 0, nearest: true },
            ],
            ...(learned ? { learned } : {}),
          },
        ],
      }),
    },
    setup: {
      ...fittedAsSetup(FITTED),
      tire: { size: '285/70R17' },
      wheel: { ...FITTED.wheel, widthIn: 9, offsetMm: 0 },
    },
  });

describe('the next reading', () => {
  test('is one not taken yet, best first, each worth something, none where the tire stands on the ground', () => {
    const next = nextReadingsOf(described(), 'frontLeft');
    expect(next.length).toBeGreaterThan(2);
    const worth = next.map(({ worthMm }) => worthMm);
    expect(worth).toEqual([...worth].sort((a, b) => b - a));
    for (const one of next) {
      if (!one.isUnread) expect(one.worthMm).toBeGreaterThan(0.2);
      expect(one.doubtLeft).toBeGreaterThan(0);
      expect(one.doubtLeft).toBeLessThan(1);
      expect(one).not.toMatchObject({ steer: 'left', height: 'ride' });
      const hour = Number(one.clock.split(':')[0]);
      expect([5, 6]).not.toContain(hour);
    }
  });

  test('foretells what the tape will show: the fitted rod walked piece by piece in that posture, by the fitted tire', () => {
    const atRightLock = (description: CaseDescription): number =>
      nextReadingsOf(description, 'frontLeft').find(({ steer, height }) => steer === 'right' && height === 'ride')!
        .expectedMm;
    const moved = described({ shiftMm: [0, 6, 0] });
    const still = prepareCorner('frontLeft', moved.corners.frontLeft!, fittedSetup(FITTED), 'trail');
    const steer = -still.motion.locksAt(still.motion.carrierAt(0, 0)).right;
    const { gapMm } = gapInPosture(still, still.obstacles[0]!, { travel: 0, steer, cross: 0 });
    // Looked for among places a few degrees apart along the rod: never below, and hardly above.
    expect(atRightLock(moved)).toBeGreaterThan(gapMm - 1e-6);
    expect(atRightLock(moved)).toBeLessThan(gapMm + 1);
    // Six millimeters outboard, learned, bring a rail beside the inner sidewall nearer by about as much.
    expect(atRightLock(described()) - atRightLock(moved)).toBeGreaterThan(3);
    expect(atRightLock(described()) - atRightLock(moved)).toBeLessThan(6.5);
  });

  test('the lock at which the least gap falls is asked for where nothing was read at it, whatever it is worth', () => {
    const unread = (steers: readonly ('straight' | 'left' | 'right')[]) => {
      const file = described();
      const [rail] = file.corners.frontLeft!.obstacles;
      const readings = steers.map((steer, i) => ({ ...rail!.readings![i % 2]!, steer }));
      const corner = { ...file.corners.frontLeft!, obstacles: [{ ...rail!, readings }] };
      return nextReadingsOf({ ...file, corners: { frontLeft: corner } }, 'frontLeft').filter(
        ({ isUnread }) => isUnread,
      );
    };
    const [asked] = unread(['straight', 'straight']);
    expect(asked).toMatchObject({ id: 'rail', height: 'ride' });
    // A tire turned in comes nearer to what stands inboard (common practice, no source).
    expect(['left', 'right']).toContain(asked!.steer);
    expect(unread(['straight', 'left', 'right'])).toEqual([]);
  });

  test('nothing more is asked of a thing whose place a test fit has settled', () => {
    expect(nextReadingsOf(described({ shiftMm: [0, 0, 0], sdMm: [2, 2, 2] }), 'frontLeft')).toEqual([]);
  });
});
