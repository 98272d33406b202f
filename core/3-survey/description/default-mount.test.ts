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
    ['arm', SWING, 'axle'],
    ['arm', WISHBONE, 'upperArm'],
    ['spring', STRUT, 'knuckle'],
    ['hose', STRUT, 'knuckle'],
    ['hose', WISHBONE, 'frame'],
    ['swayBar', WISHBONE, 'lowerArm'],
    ['swayBar', BEAM, 'axle'],
    ['liner', BEAM, 'body'],
  ] as const)('%s', (material, motion, mount) => expect(defaultMount(material, motion)).toBe(mount));

  test('an arm’s end goes up with the wheel though its arms were not measured', () => {
    const { side, motion, steering, staticCamberDeg, staticToeDeg } = {
      side: 'left' as const,
      ...madeCorner({ motion: SWING }),
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
    const rises = (mount: ReturnType<typeof defaultMount>): number =>
      place(moves.mountPose(mount, { travel: 60, steer: 0 }), [0, -150, 350])[2] - 350;
    expect(rises(defaultMount('arm', SWING))).toBeGreaterThan(40);
    expect(rises('frame')).toBe(0);
  });
});

test('under another suspension a thing goes to its usual place, unless somebody put it elsewhere', () => {
  const arm = { material: 'arm', mount: defaultMount('arm', SWING) } as const;
  expect(mountUnder(arm, SWING, WISHBONE)).toBe('upperArm');
  expect(mountUnder({ material: 'arm', mount: 'upperArm' }, WISHBONE, BEAM)).toBe('axle');
  expect(mountUnder({ material: 'hose', mount: 'knuckle' }, SWING, WISHBONE)).toBe('knuckle');
});
