import { describe, expect, test } from '@jest/globals';
import { place, rotate } from '../../1-base/geometry/pose';
import { distance } from '../../1-base/geometry/vec3';
import { toDegrees } from '../../1-base/units/angle';
import { madeCase, madeCorner, LEANING_AXIS } from '../../fixtures/made-corner';
import { evaluateCase } from '../../4-clearance/verdict/evaluate';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import { alignmentBack } from './aligned';
import { motionUnder } from './motion-under';
import { countParts, fittedAsSetup, type SetupDescription } from './setup';

const POINTS = {
  ucaFrontPivot: [120, -390, 190],
  ucaRearPivot: [-120, -390, 180],
  upperBallJoint: [-14, -120, 165],
  lcaFrontPivot: [160, -440, -90],
  lcaRearPivot: [-160, -440, -100],
  lowerBallJoint: [10, -65, -125],
  tieRodInner: [-140, -420, -60],
  tieRodOuter: [-130, -85, -70],
} as const;
const wishbone = (said: Partial<CornerDescription> = {}): CornerDescription =>
  madeCorner({
    motion: { type: 'doubleWishbone', points: POINTS },
    steering: LEANING_AXIS,
    staticCamberDeg: -0.4,
    staticToeDeg: 0.1,
    travel: { bumpMm: 90, droopMm: 110 },
    ...said,
  });
const lifted = (corner: CornerDescription, said: Partial<SetupDescription> = {}) =>
  countParts({ ...fittedAsSetup(corner.fitted), suspensionLiftMm: 60, alignment: 'aligned', ...said });

/** Camber and caster of a wheel at a height, degrees, read off its poses: the spin axis, and two places on the steering axis. */
function standing(corner: CornerDescription, setup: ReturnType<typeof lifted>, travel: number) {
  const motion = motionUnder('frontLeft', corner, setup);
  const spin = rotate(motion.wheelPose({ travel, steer: 0 }).rotation, [0, 1, 0]);
  const knuckle = motion.mountPose('knuckle', { travel, steer: 0 });
  // Two places that steering leaves where they are: found from the pose steered by a little, as the turn's own axis.
  const turned = motion.mountPose('knuckle', { travel, steer: 0.2 });
  const places = [place(knuckle, [0, 0, 0]), place(knuckle, [0, 0, 200])] as const;
  const moved = [place(turned, [0, 0, 0]), place(turned, [0, 0, 200])] as const;
  const r = turned.rotation.map((_, i) => {
    const [row, column] = [Math.floor(i / 3), i % 3];
    return [0, 1, 2].reduce((sum, k) => sum + turned.rotation[3 * row + k]! * knuckle.rotation[3 * column + k]!, 0);
  });
  const axis = [r[7]! - r[5]!, r[2]! - r[6]!, r[3]! - r[1]!];
  expect(distance(places[0], moved[0])).toBeGreaterThan(1);
  return { camberDeg: -toDegrees(Math.asin(spin[2])), casterDeg: toDegrees(Math.atan2(-axis[0]!, axis[2]!)) };
}

describe('a lifted vehicle aligned back', () => {
  const corner = wishbone();
  const stock = standing(corner, lifted(corner, { suspensionLiftMm: 0, alignment: 'asStands' }), 0);

  test('stands as it did, at its new height', () => {
    const raw = standing(corner, lifted(corner, { alignment: 'asStands' }), -60);
    // A lift of 60 mm moves both by enough to matter.
    expect(Math.abs(raw.camberDeg - stock.camberDeg)).toBeGreaterThan(0.3);
    const back = standing(corner, lifted(corner), -60);
    expect(back.camberDeg).toBeCloseTo(-0.4, 5);
    expect(back.casterDeg).toBeCloseTo(stock.casterDeg, 5);
  });

  test('as far as its adjusters reach: what is left is said', () => {
    const short = wishbone({ adjusters: { camberByDeg: 0.2, casterByDeg: 0 } });
    const raw = standing(short, lifted(short, { alignment: 'asStands' }), -60);
    const found = alignmentBack('frontLeft', short, lifted(short));
    expect(Math.abs(found.camberDeg)).toBeCloseTo(0.2, 9);
    expect(found.casterDeg).toBe(0);
    const back = standing(short, lifted(short), -60);
    expect(back.camberDeg - raw.camberDeg).toBeCloseTo(found.camberDeg, 2);
    expect(found.offCamberDeg).toBeCloseTo(back.camberDeg - -0.4, 5);
    expect(found.offCasterDeg).toBeCloseTo(back.casterDeg - stock.casterDeg, 4);
  });

  test('to other targets where they are entered, and with what the setup itself changes', () => {
    const other = wishbone({ alignTo: { camberDeg: 0.25, casterDeg: 5 } });
    const back = standing(other, lifted(other, { camberChangeDeg: -1, casterChangeDeg: 0.5 }), -60);
    expect(back.camberDeg).toBeCloseTo(-0.75, 5);
    expect(back.casterDeg).toBeCloseTo(5.5, 5);
  });

  test('sets the tie rod so that the wheel is straight with the rack in its middle; the rack’s ends stay', () => {
    const setup = lifted(corner);
    const motion = motionUnder('frontLeft', corner, setup);
    const state = motion.carrierAt(-60, 0);
    expect(motion.straightSteer(state)).toBeCloseTo(0, 9);
    // Before, the rod of the surveyed length turned it.
    const raw = motionUnder('frontLeft', corner, { ...setup, alignment: 'asStands' });
    const turned = raw.straightSteer(raw.carrierAt(-60, 0));
    expect(Math.abs(toDegrees(turned))).toBeGreaterThan(0.2);
    expect(alignmentBack('frontLeft', corner, setup).toeDeg).toBeCloseTo(toDegrees(turned), 6);
    // From lock to lock the rack still goes as far: both locks move the same way.
    const [was, is] = [raw.locksAt(raw.carrierAt(-60, 0)), motion.locksAt(state)];
    expect(Math.sign(is.left - was.left)).toBe(-Math.sign(is.right - was.right));
  });

  test('of a beam axle nothing is set but what is entered', () => {
    const beam = madeCorner({
      motion: { type: 'beamAxle', hubSpacingMm: 1500, points: { linkPivot: [-800, 0, 0] } },
      steering: LEANING_AXIS,
    });
    expect(alignmentBack('frontLeft', beam, lifted(beam))).toMatchObject({ camberDeg: 0, casterDeg: 0 });
    const cams = { ...beam, adjusters: { casterByDeg: 2 } };
    // Arms 800 long that hang 60 mm lower take asin(60/800) = 4.3 degrees of caster.
    const found = alignmentBack('frontLeft', cams, lifted(cams));
    expect(found.casterDeg).toBe(2);
    expect(found.offCasterDeg).toBeCloseTo(2 - toDegrees(Math.asin(60 / 800)), 1);
  });
});

describe('the verdict', () => {
  const corner = wishbone({
    obstacles: [
      { id: 'f', mount: 'body', material: 'sheetMetal', shape: { type: 'points', points: [[60, 60, 520]] } },
      { id: 'a', mount: 'frame', material: 'frame', shape: { type: 'points', points: [[-330, -190, -60]] } },
    ],
  });
  const judged = (alignment?: 'aligned' | 'asStands') =>
    evaluateCase(
      madeCase({
        corners: { frontLeft: corner },
        setup: { ...fittedAsSetup(corner.fitted), suspensionLiftMm: 60, ...(alignment ? { alignment } : {}) },
      }),
    );

  test('is for the aligned vehicle, with the low gap before it beside; a file that does not say means as it stands', () => {
    const aligned = judged('aligned');
    const raw = judged('asStands');
    expect(judged().obstacles).toEqual(raw.obstacles);
    expect(raw.beforeAlignment).toBeNull();
    expect(aligned.beforeAlignment!.lowGap).toMatchObject({ obstacle: raw.lowGap!.obstacle });
    expect(aligned.beforeAlignment!.lowGap!.gapMm).toBeCloseTo(raw.lowGap!.gapMm, 9);
    expect(aligned.beforeAlignment!.corners.map(({ corner: key }) => key)).toEqual(['frontLeft']);
    const gap = ({ obstacles }: typeof raw) => obstacles.map(({ gapMm }) => gapMm);
    expect(Math.abs(gap(aligned)[0]! - gap(raw)[0]!)).toBeGreaterThan(0.3);
  });

  test('at the surveyed height an alignment moves nothing', () => {
    const still = evaluateCase(
      madeCase({ corners: { frontLeft: corner }, setup: { ...fittedAsSetup(corner.fitted), alignment: 'aligned' } }),
    );
    expect(still.beforeAlignment).toBeNull();
    const fitted = evaluateCase(madeCase({ corners: { frontLeft: corner } }));
    expect(still.lowGap!.gapMm).toBeCloseTo(fitted.lowGap!.gapMm, 6);
  });
});
