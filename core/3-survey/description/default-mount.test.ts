import { describe, expect, test } from '@jest/globals';
import { madeCorner } from '../../fixtures/made-corner';
import { usualWalk } from '../walk/usual-walk';
import { cornerMotion } from '../../2-vehicle/motion/corner-motion';
import { mountsOf, type MotionDescription } from '../../2-vehicle/motion/motion-description';
import { place } from '../../1-base/geometry/pose';
import { MATERIALS } from '../shape/material';
import { defaultMount, mountUnder } from './default-mount';

const SWING: MotionDescription = { type: 'swingArm', frontView: { y: -900, z: -40 } };
const WISHBONE: MotionDescription = { type: 'doubleWishbone', tape: { lowerArmMm: 380 } };
const STRUT: MotionDescription = { type: 'macphersonStrut', tape: { lowerArmMm: 380 } };
const BEAM: MotionDescription = { type: 'beamAxle', hubSpacingMm: 1500 };
const TRAILING: MotionDescription = { type: 'trailingArm', tape: { armMm: 500 } };
const ALL = [SWING, WISHBONE, STRUT, BEAM, TRAILING];

describe('what a thing moves with where nobody said', () => {
  test('is something that the suspension has, for every material and of every stop of its walk', () => {
    for (const motion of ALL) {
      for (const material of MATERIALS) expect(mountsOf(motion)).toContain(defaultMount(material, motion));
      for (const { mounts } of usualWalk({ motion, steering: {} }))
        expect(mounts.some((mount) => mountsOf(motion).includes(mount))).toBe(true);
    }
  });

  // The outer end of an upper arm rises with the wheel; what turns with a strut is on it (common practice, no source).
  test.each([
    ['arm', SWING, 'upperArm'],
    ['swayBar', SWING, 'lowerArm'],
    ['arm', WISHBONE, 'upperArm'],
    ['spring', STRUT, 'knuckle'],
    ['hose', STRUT, 'knuckle'],
    ['hose', WISHBONE, 'frame'],
    ['swayBar', WISHBONE, 'lowerArm'],
    ['swayBar', BEAM, 'axle'],
    ['liner', BEAM, 'body'],
  ] as const)('%s', (material, motion, mount) => expect(defaultMount(material, motion)).toBe(mount));

  test('a thing on an arm that nobody measured rises by its share of the way from pivot to joint', () => {
    const { side, motion, steering, staticCamberDeg, staticToeDeg } = {
      side: 'left' as const,
      ...madeCorner({ motion: { ...SWING, upperPivotYMm: -340 } }),
    };
    const moves = cornerMotion({
      side,
      motion,
      steering,
      camberDeg: staticCamberDeg ?? 0,
      toeDeg: staticToeDeg ?? 0,
      casterChangeDeg: 0,
      axleShiftMm: 0,
      linkageDropMm: 0,
      bodyLiftMm: 0,
      path: '',
    } as Parameters<typeof cornerMotion>[0]);
    const rises = (mount: ReturnType<typeof defaultMount>, y: number): number =>
      place(moves.mountPose(mount, { travel: 12, steer: 0 }), [0, y, 150])[2] - 150;
    // By hand: the joint, 100 inboard of the hub, rises by 800/900 of 12; half way to the pivot half of that.
    const joint = (12 * 800) / 900;
    expect(Math.abs(rises('upperArm', -100) - joint)).toBeLessThan(0.5);
    expect(Math.abs(rises('upperArm', -220) - joint / 2)).toBeLessThan(0.5);
    expect(Math.abs(rises('upperArm', -340))).toBeLessThan(0.1);
    expect(rises('frame', -220)).toBe(0);
  });
});

test('under another suspension a thing goes to its usual place, unless somebody put it elsewhere', () => {
  const arm = { material: 'arm', mount: defaultMount('arm', SWING) } as const;
  expect(mountUnder(arm, SWING, WISHBONE)).toBe('upperArm');
  expect(mountUnder({ material: 'arm', mount: 'upperArm' }, WISHBONE, BEAM)).toBe('axle');
  // As a job of before the arms of a swing arm were counted has it.
  expect(mountUnder({ material: 'arm', mount: 'axle' }, SWING, WISHBONE)).toBe('upperArm');
  expect(mountUnder({ material: 'frame', mount: 'axle' }, SWING, WISHBONE)).toBe('axle');
  expect(mountUnder({ material: 'hose', mount: 'knuckle' }, SWING, WISHBONE)).toBe('knuckle');
});
