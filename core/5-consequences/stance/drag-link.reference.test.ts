import { madeCorner, madeCase } from '../../fixtures/made-corner';
import { describe, expect, test } from '@jest/globals';
import { type CaseDescription } from '../../4-clearance/case/case-description';
import { fittedAsSetup } from '../../2-vehicle/setup/setup';
import { dragLinkAt, dragLinkReport, type DragLink } from './drag-link';

const LINK: DragLink = {
  runsTo: 'right',
  acrossMm: 800,
  riseMm: 120,
  armMm: 160,
  armAhead: true,
  steeringRatio: 16,
};
const FITTED = { tire: { size: '265/70R17' }, wheel: { diameterIn: 17, widthIn: 8, offsetMm: 25 }, spacerMm: 0 };

/** A steered beam axle whose track bar runs from the frame at the left to the axle `acrossMm` to its right, sloping down. */
const lifted = (acrossMm: number, riseMm: number, liftMm: number): CaseDescription =>
  madeCase({
    corners: {
      frontLeft: madeCorner({
        motion: {
          type: 'beamAxle',
          hubSpacingMm: 1600,
          // Corner frame of the left wheel: y outboard is the vehicle's left.
          points: { panhardFrame: [0, -300, 100 + riseMm], panhardAxle: [0, -300 - acrossMm, 100] },
        },
        steering: { inclinationDeg: 8, casterDeg: 5, kingpinOffsetMm: 100, lockLeftDeg: 32, lockRightDeg: 30 },
        fitted: FITTED,
      }),
    },
    setup: { ...fittedAsSetup(FITTED), suspensionLiftMm: liftMm },
  });

describe('drag link and track bar, by the geometry of two swinging rods', () => {
  test('rods alike in length and slope run together: no bump steer (a parallelogram)', () => {
    const { after } = dragLinkReport(lifted(800, 120, 60), 'frontLeft', LINK);
    for (const place of ['droop', 'ride', 'bump'] as const) expect(after[place]!.steerDeg).toBeCloseTo(0, 6);
  });

  test('without a track bar the lift draws the arm back toward the box, by the link’s own arc', () => {
    const { before, after } = dragLinkReport(
      {
        ...lifted(800, 120, 60),
        corners: {
          frontLeft: {
            ...lifted(800, 120, 60).corners.frontLeft!,
            motion: { type: 'beamAxle', hubSpacingMm: 1600 },
          },
        },
      },
      'frontLeft',
      LINK,
    );
    expect(before.ride!.steerDeg).toBeCloseTo(0, 12);
    // The link runs right and now drops 180 over its own length: its end comes back left by this much.
    const back = 800 - Math.sqrt(800 ** 2 + 120 ** 2 - 180 ** 2);
    expect(after.ride!.steerDeg).toBeCloseTo((Math.asin(back / 160) * 180) / Math.PI, 6);
    // Driven straight, the steering wheel stands the other way by the steering's ratio.
    expect(after.ride!.steeringWheelDeg).toBeCloseTo(-16 * after.ride!.steerDeg, 9);
  });

  test('an arm behind the axle turns the other way; a link that runs to the left does too', () => {
    const ahead = dragLinkAt(LINK, 60, 0)!.steerDeg;
    expect(dragLinkAt({ ...LINK, armAhead: false }, 60, 0)!.steerDeg).toBeCloseTo(-ahead, 12);
    expect(dragLinkAt({ ...LINK, runsTo: 'left' }, 60, 0)!.steerDeg).toBeCloseTo(-ahead, 12);
  });

  test('further than the link is long it says nothing', () => {
    expect(dragLinkAt(LINK, 900, 0)).toBeNull();
  });
});
