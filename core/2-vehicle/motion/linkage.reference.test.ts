import { describe, expect, test } from '@jest/globals';
import { Matrix, solve } from 'ml-matrix';
import { place, type Pose } from '../../1-base/geometry/pose';
import { distance, type Vec3 } from '../../1-base/geometry/vec3';
import { attempt } from '../../1-base/problem';
import { toDegrees } from '../../1-base/units/angle';
import { cornerMotion, type CornerMotionInput } from './corner-motion';
import type { DoubleWishbonePoints } from './double-wishbone';
import type { MacphersonStrutPoints } from './macpherson-strut';
import type { MotionDescription } from './motion-description';

const WISHBONE: DoubleWishbonePoints = {
  ucaFrontPivot: [120, -330, 150],
  ucaRearPivot: [-140, -318, 138],
  upperBallJoint: [-8, -105, 165],
  lcaFrontPivot: [160, -450, -95],
  lcaRearPivot: [-220, -436, -108],
  lowerBallJoint: [6, -55, -120],
  tieRodInner: [-130, -420, -40],
  tieRodOuter: [-142, -70, -62],
};
const STRUT: MacphersonStrutPoints = {
  strutTop: [-32, -205, 545],
  strutLower: [-4, -120, 60],
  lcaFrontPivot: [10, -400, -110],
  lcaRearPivot: [-290, -385, -100],
  lowerBallJoint: [8, -48, -128],
  tieRodInner: [-120, -390, -30],
  tieRodOuter: [-138, -62, -48],
};

const base = (motion: MotionDescription, more: Partial<CornerMotionInput> = {}): CornerMotionInput => ({
  path: 'corners.frontLeft',
  side: 'left',
  motion,
  steering: { lockLeftDeg: 36, lockRightDeg: 31 },
  camberDeg: -0.4,
  toeDeg: 0.15,
  casterChangeDeg: 0,
  axleShiftMm: 0,
  linkageDropMm: 0,
  bodyLiftMm: 0,
  ...more,
});

/** Places fixed in the knuckle, and what must hold of them once the knuckle stands somewhere else. */
type Constraint = (at: (home: Vec3) => Vec3) => number;

/**
 * Independent solve: the knuckle as a quaternion and an origin, every joint an equation, Newton's method with a
 * numerical Jacobian (linear algebra from ml-matrix). Shares nothing with the closed forms it checks.
 */
function solveKnuckle(constraints: readonly Constraint[], travel: number): (home: Vec3) => Vec3 {
  const carry =
    (v: readonly number[]) =>
    (home: Vec3): Vec3 => {
      const [w, x, y, z, ox, oy, oz] = v as unknown as [number, number, number, number, number, number, number];
      const [a, b, c] = home;
      return [
        ox + (1 - 2 * (y * y + z * z)) * a + 2 * (x * y - w * z) * b + 2 * (x * z + w * y) * c,
        oy + 2 * (x * y + w * z) * a + (1 - 2 * (x * x + z * z)) * b + 2 * (y * z - w * x) * c,
        oz + 2 * (x * z - w * y) * a + 2 * (y * z + w * x) * b + (1 - 2 * (x * x + y * y)) * c,
      ];
    };
  const residual = (v: readonly number[]): number[] => [
    v[0]! ** 2 + v[1]! ** 2 + v[2]! ** 2 + v[3]! ** 2 - 1,
    ...constraints.map((c) => c(carry(v))),
  ];
  let v = [1, 0, 0, 0, 0, 0, 0];
  // In small steps of travel, so that the assembly stays the one that was surveyed.
  for (let part = 1; part <= 20; part++) {
    const at = (v: readonly number[]): number[] => [...residual(v), v[6]! - (travel * part) / 20];
    for (let i = 0; i < 20; i++) {
      const f = at(v);
      if (Math.max(...f.map(Math.abs)) < 1e-10) break;
      const jacobian = Matrix.zeros(7, 7);
      for (let k = 0; k < 7; k++) {
        const h = k < 4 ? 1e-6 : 1e-4;
        const up = at(v.map((x, j) => (j === k ? x + h : x)));
        const down = at(v.map((x, j) => (j === k ? x - h : x)));
        up.forEach((value, row) => jacobian.set(row, k, (value - down[row]!) / (2 * h)));
      }
      const step = solve(jacobian, Matrix.columnVector(f));
      v = v.map((x, k) => x - step.get(k, 0));
    }
  }
  return carry(v);
}

const keeps = (home: Vec3, fixed: Vec3): Constraint => {
  const length = distance(home, fixed);
  return (at) => distance(at(home), fixed) - length;
};

/** The spin axis keeps its heading in plan. */
const heading =
  (spin: Vec3): Constraint =>
  (at) => {
    const [ox, oy] = at([0, 0, 0]);
    const [sx, sy] = at(spin);
    return (sx - ox) * spin[1] - (sy - oy) * spin[0];
  };

/** Unit spin axis of the static camber and toe above. */
const SPIN: Vec3 = (() => {
  const camber = (-0.4 * Math.PI) / 180;
  const toe = (0.15 * Math.PI) / 180;
  return [Math.sin(toe) * Math.cos(camber), Math.cos(toe) * Math.cos(camber), -Math.sin(camber)];
})();

const PROBES: readonly Vec3[] = [
  [0, 0, 0],
  [100, 30, 80],
  [-200, 10, 150],
  [0, 120, -250],
];

function expectSame(pose: Pose, solved: (home: Vec3) => Vec3): void {
  for (const probe of PROBES) expect(distance(place(pose, probe), solved(probe))).toBeLessThan(1e-6);
}

const TRAVELS = [-95, -40, 12, 60, 88];

describe('against an independent constraint solve (Newton on a quaternion, ml-matrix)', () => {
  test.each(TRAVELS)('double wishbone, travel %s mm', (t) => {
    const { ucaFrontPivot, ucaRearPivot, upperBallJoint, lcaFrontPivot, lcaRearPivot, lowerBallJoint } = WISHBONE;
    const solved = solveKnuckle(
      [
        keeps(upperBallJoint, ucaFrontPivot),
        keeps(upperBallJoint, ucaRearPivot),
        keeps(lowerBallJoint, lcaFrontPivot),
        keeps(lowerBallJoint, lcaRearPivot),
        heading(SPIN),
      ],
      t,
    );
    const motion = cornerMotion(base({ type: 'doubleWishbone', points: WISHBONE }));
    expectSame(motion.mountPose('knuckle', { travel: t, steer: 0 }), solved);
  });

  test.each(TRAVELS)('strut with an offset sliding axis, travel %s mm', (t) => {
    const { strutTop, strutLower, lcaFrontPivot, lcaRearPivot, lowerBallJoint } = STRUT;
    // The mount lies on the line through the two places of the strut: both cross products across it vanish.
    const onSlide =
      (axis: 0 | 1): Constraint =>
      (at) => {
        const a = at(strutLower!);
        const b = at(strutTop);
        const u = [b[0] - a[0], b[1] - a[1], b[2] - a[2]] as const;
        const w = [strutTop[0] - a[0], strutTop[1] - a[1], strutTop[2] - a[2]] as const;
        return (axis === 0 ? u[1] * w[2] - u[2] * w[1] : u[2] * w[0] - u[0] * w[2]) / 500;
      };
    const solved = solveKnuckle(
      [
        keeps(lowerBallJoint, lcaFrontPivot),
        keeps(lowerBallJoint, lcaRearPivot),
        onSlide(0),
        onSlide(1),
        heading(SPIN),
      ],
      t,
    );
    const motion = cornerMotion(base({ type: 'macphersonStrut', points: STRUT }));
    expectSame(motion.mountPose('knuckle', { travel: t, steer: 0 }), solved);
  });
});

describe("Freudenstein's equation for a planar four-bar (F. Freudenstein, 1954; from memory)", () => {
  // All pivots parallel to x: seen from the front the linkage is planar.
  const lowerPivot = [-420, -90] as const;
  const upperPivot = [-310, 140] as const;
  const lowerJoint = [-60, -120] as const;
  const upperJoint = [-100, 165] as const;
  const at = (x: number, [y, z]: readonly [number, number]): Vec3 => [x, y, z];
  const planar: DoubleWishbonePoints = {
    ucaFrontPivot: at(100, upperPivot),
    ucaRearPivot: at(-100, upperPivot),
    upperBallJoint: at(0, upperJoint),
    lcaFrontPivot: at(150, lowerPivot),
    lcaRearPivot: at(-150, lowerPivot),
    lowerBallJoint: at(0, lowerJoint),
  };
  const motion = cornerMotion(base({ type: 'doubleWishbone', points: planar }, { camberDeg: 0, toeDeg: 0 }));

  test.each([-90, -30, 25, 80])('travel %s mm: output angle to 1e-9 rad', (t) => {
    const state = motion.carrierAt(t, 0);
    const flat = (a: readonly [number, number], b: readonly [number, number]): number =>
      Math.hypot(b[0] - a[0], b[1] - a[1]);
    const [ground, input, coupler, output] = [
      flat(lowerPivot, upperPivot),
      flat(lowerPivot, lowerJoint),
      flat(lowerJoint, upperJoint),
      flat(upperPivot, upperJoint),
    ];
    const groundAngle = Math.atan2(upperPivot[1] - lowerPivot[1], upperPivot[0] - lowerPivot[0]);
    const angleOf = (arm: Pose, pivot: readonly [number, number], joint: readonly [number, number]): number => {
      const [, y, z] = place(arm, at(0, joint));
      return Math.atan2(z - pivot[1], y - pivot[0]) - groundAngle;
    };
    const theta2 = angleOf(state.lowerArm!, lowerPivot, lowerJoint);
    const theta4 = angleOf(state.upperArm!, upperPivot, upperJoint);
    // K1 cos(theta4) - K2 cos(theta2) + K3 = cos(theta2 - theta4), solved for theta4 by its half-angle form.
    const k1 = ground / input;
    const k2 = ground / output;
    const k3 = (input ** 2 - coupler ** 2 + output ** 2 + ground ** 2) / (2 * input * output);
    const a = Math.cos(theta2) - k1 - k2 * Math.cos(theta2) + k3;
    const b = -2 * Math.sin(theta2);
    const c = k1 - (k2 + 1) * Math.cos(theta2) + k3;
    const roots = [1, -1].map((sign) => 2 * Math.atan2(-b + sign * Math.sqrt(b * b - 4 * a * c), 2 * a));
    const off = Math.min(
      ...roots.map((root) => Math.abs(Math.atan2(Math.sin(root - theta4), Math.cos(root - theta4)))),
    );
    expect(off).toBeLessThan(1e-9);
  });
});

describe('rods and arms keep their lengths, hubs their heights', () => {
  test.each([
    ['double wishbone', { type: 'doubleWishbone', points: WISHBONE } as const, WISHBONE],
    ['strut', { type: 'macphersonStrut', points: STRUT } as const, STRUT],
  ])('%s', (_name, description, points) => {
    const motion = cornerMotion(base(description));
    const rod = distance(points.tieRodInner!, points.tieRodOuter!);
    for (const travel of TRAVELS) {
      const state = motion.carrierAt(travel, 0);
      const { left, right } = motion.locksAt(state);
      for (const steer of [-right, -0.2, 0, 0.3, left]) {
        const knuckle = motion.mountFrom(state, 'knuckle', steer);
        const tie = motion.mountFrom(state, 'tieRod', steer);
        const outer = place(knuckle, points.tieRodOuter!);
        const inner = place(tie, points.tieRodInner!);
        expect(distance(outer, place(tie, points.tieRodOuter!))).toBeLessThan(1e-9);
        expect(distance(outer, inner)).toBeCloseTo(rod, 9);
        // The rack slides straight across.
        expect(inner[0]).toBeCloseTo(points.tieRodInner![0], 9);
        expect(inner[2]).toBeCloseTo(points.tieRodInner![2], 9);
        const joint = place(motion.mountFrom(state, 'lowerArm', steer), points.lowerBallJoint);
        expect(distance(joint, place(knuckle, points.lowerBallJoint))).toBeLessThan(1e-9);
      }
      expect(place(state.knuckle, [0, 0, 0])[2]).toBeCloseTo(travel, 8);
    }
  });

  test("the locks are the rack's ends: entered at ride height, bump steer elsewhere", () => {
    const motion = cornerMotion(base({ type: 'doubleWishbone', points: WISHBONE }));
    const atRide = motion.locksAt(motion.carrierAt(0, 0));
    expect(toDegrees(atRide.left)).toBeCloseTo(36, 9);
    expect(toDegrees(atRide.right)).toBeCloseTo(31, 9);
    const up = motion.locksAt(motion.carrierAt(80, 0));
    expect(Math.abs(up.left - atRide.left)).toBeGreaterThan(1e-3);
  });

  test('a tie rod that is the lower arm moved forward gives no bump steer (parallelogram; geometry)', () => {
    const parallel: DoubleWishbonePoints = {
      lcaFrontPivot: [100, -400, -100],
      lcaRearPivot: [-100, -400, -100],
      lowerBallJoint: [0, -60, -110],
      ucaFrontPivot: [100, -420, 120],
      ucaRearPivot: [-100, -420, 120],
      upperBallJoint: [0, -80, 110],
      tieRodInner: [-140, -400, -100],
      tieRodOuter: [-140, -60, -110],
    };
    const motion = cornerMotion(base({ type: 'doubleWishbone', points: parallel }, { camberDeg: 0, toeDeg: 0 }));
    // Straight ahead the rack stays where it was, whatever the travel.
    for (const travel of [-80, -15, 40, 70]) {
      const rod = motion.mountFrom(motion.carrierAt(travel, 0), 'tieRod', 0);
      expect(place(rod, parallel.tieRodInner!)[1]).toBeCloseTo(-400, 9);
    }
    const shorter = { ...parallel, tieRodInner: [-140, -330, -100] as const };
    const other = cornerMotion(base({ type: 'doubleWishbone', points: shorter }, { camberDeg: 0, toeDeg: 0 }));
    const rod = other.mountFrom(other.carrierAt(70, 0), 'tieRod', 0);
    expect(Math.abs(place(rod, shorter.tieRodInner)[1] + 330)).toBeGreaterThan(0.3);
  });
});

describe('beam axle', () => {
  const points = { linkPivot: [-950, 0, 70], panhardFrame: [60, -1420, 130], panhardAxle: [60, -260, 40] } as const;
  const axle = cornerMotion(base({ type: 'beamAxle', hubSpacingMm: 1480, points }, { steering: undefined }));

  test.each([
    [0, 0],
    [70, 0],
    [-80, 90],
    [60, -150],
  ])('travel %s, cross %s: both hubs stand as high as they should, the rods keep their lengths', (travel, cross) => {
    const pose = axle.carrierAt(travel, cross).axle;
    expect(place(pose, [0, 0, 0])[2]).toBeCloseTo(travel, 9);
    expect(place(pose, [0, -1480, 0])[2]).toBeCloseTo(travel + cross, 9);
    expect(distance(place(pose, points.panhardAxle), points.panhardFrame)).toBeCloseTo(
      distance(points.panhardAxle, points.panhardFrame),
      9,
    );
  });

  test('a panhard rod moves the axle sideways along its arc; by hand for both wheels together', () => {
    const [, y] = place(axle.carrierAt(70, 0).axle, [0, 0, 0]);
    // Both hubs up by 70: the axle end goes to z = 40 + 70 (its own pitch aside), the rod keeps its length.
    const rod = Math.hypot(1160, 90);
    const pitched = place(axle.carrierAt(70, 0).axle, points.panhardAxle);
    const across = Math.sqrt(rod ** 2 - (pitched[2] - 130) ** 2 - (pitched[0] - 60) ** 2);
    expect(y).toBeCloseTo(-1420 + across + 260, 9);
    expect(y).toBeGreaterThan(0);
  });

  test('held by leaves, its middle keeps its place across; roll turns it in plan when the links are not level', () => {
    const leaf = cornerMotion(
      base(
        { type: 'beamAxle', hubSpacingMm: 1480, points: { linkPivot: [900, 0, 150] }, leaf: true },
        { steering: undefined },
      ),
    );
    const pose = leaf.carrierAt(40, -120).axle;
    expect(place(pose, [0, -740, 0])[1]).toBeCloseTo(-740, 9);
    const yaw = Math.atan2(pose.rotation[3], pose.rotation[0]);
    expect(Math.abs(yaw)).toBeGreaterThan(1e-4);
    // A leaf's seat swings about a place a quarter of the way from the eye: a tighter arc than the eye's own.
    const eye = cornerMotion(
      base({ type: 'beamAxle', hubSpacingMm: 1480, points: { linkPivot: [900, 0, 150] } }, { steering: undefined }),
    );
    const forward = (motion: typeof leaf): number => place(motion.carrierAt(90, 0).axle, [0, 0, 0])[0];
    expect(Math.abs(forward(leaf) - forward(eye))).toBeGreaterThan(1);
  });

  test('without a link it goes straight up', () => {
    const bare = cornerMotion(base({ type: 'beamAxle', hubSpacingMm: 1480 }, { steering: undefined }));
    const [x, y, z] = place(bare.carrierAt(50, 0).axle, [0, 0, 0]);
    expect([x, y, z]).toEqual([expect.closeTo(0, 12), expect.closeTo(0, 12), 50]);
  });
});

test('a trailing arm keeps every place at its distance from the pivot line, and the hub at its height', () => {
  const points = { pivotInner: [420, -300, 30], pivotOuter: [480, 40, 20] } as const;
  const arm = cornerMotion(base({ type: 'trailingArm', points }, { steering: undefined }));
  for (const travel of [-90, 35, 80]) {
    const pose = arm.carrierAt(travel, 0).axle;
    expect(place(pose, [0, 0, 0])[2]).toBeCloseTo(travel, 8);
    for (const pivot of [points.pivotInner, points.pivotOuter]) {
      expect(distance(place(pose, pivot), pivot)).toBeLessThan(1e-9);
    }
  }
});

describe('from a few tape measurements', () => {
  test('the arm has the length that was taken, and the axis its default lean', () => {
    const motion = cornerMotion(base({ type: 'doubleWishbone', tape: { lowerArmMm: 372, lowerArmRiseMm: 25 } }));
    const { axis } = motion.carrierAt(0, 0);
    expect(toDegrees(Math.atan(-axis!.direction[1] / axis!.direction[2]))).toBeCloseTo(12, 9);
    expect(toDegrees(Math.atan(-axis!.direction[0] / axis!.direction[2]))).toBeCloseTo(3, 9);
  });

  test.each<MotionDescription>([
    { type: 'doubleWishbone', tape: { lowerArmMm: 372 } },
    { type: 'macphersonStrut', tape: { lowerArmMm: 330 } },
    { type: 'trailingArm', tape: { armMm: 420, sweepDeg: 12, pivotRiseMm: 40 } },
    { type: 'beamAxle', hubSpacingMm: 1400 },
  ])('%p moves through its travel', (motion) => {
    const steering = { inclinationDeg: 8, casterDeg: 4, kingpinOffsetMm: 90, lockLeftDeg: 30, lockRightDeg: 30 };
    const made = cornerMotion(base(motion, { steering }));
    for (const travel of [-90, 0, 90]) {
      expect(made.wheelPose({ travel, steer: 0.3 }).origin.every(Number.isFinite)).toBe(true);
    }
  });

  test('arms that slope down outboard lean the top in as the wheel rises (common practice, no source)', () => {
    const lean = (motion: MotionDescription, travel: number): number => {
      const { rotation } = cornerMotion(base(motion, { camberDeg: 0, toeDeg: 0 })).wheelPose({ travel, steer: 0 });
      return toDegrees(Math.asin(rotation[7]));
    };
    // A shorter upper arm pulls the top in on bump: negative camber, so the spin axis rises outboard.
    expect(lean({ type: 'doubleWishbone', tape: { lowerArmMm: 380 } }, 80)).toBeGreaterThan(0.5);
    expect(lean({ type: 'doubleWishbone', tape: { lowerArmMm: 380, upperArmMm: 380 } }, 80)).toBeLessThan(0.1);
  });
});

describe('linkages that cannot be', () => {
  test.each<[string, MotionDescription, number, RegExp, string]>([
    [
      'a lower arm too short for the travel says at which travel it locks',
      { type: 'doubleWishbone', tape: { lowerArmMm: 90, upperArmMm: 200 } },
      160,
      /locks at \d+\.\d mm/,
      'motion',
    ],
    ['a trailing arm too short', { type: 'trailingArm', tape: { armMm: 80 } }, 120, /locks at 80\.0 mm/, 'motion'],
    [
      'pivots in one place',
      { type: 'doubleWishbone', points: { ...WISHBONE, lcaRearPivot: [160, -450, -94] } },
      0,
      /1\.0 mm/,
      'motion.points.lcaRearPivot',
    ],
    [
      'one end of a tie rod',
      { type: 'doubleWishbone', points: { ...WISHBONE, tieRodInner: undefined } },
      0,
      /one/,
      'motion.points.tieRodInner',
    ],
    ['neither points nor tape', { type: 'macphersonStrut' }, 0, /neither/, 'motion.points'],
    [
      'points and tape',
      { type: 'doubleWishbone', points: WISHBONE, tape: { lowerArmMm: 300 } },
      0,
      /both/,
      'motion.tape',
    ],
    [
      'a tie rod that cannot reach the locks',
      { type: 'doubleWishbone', points: { ...WISHBONE, tieRodOuter: [-20, -70, -62], tieRodInner: [-130, -110, -40] } },
      0,
      /over center|too short/,
      'steering.lockLeftDeg',
    ],
  ])('%s', (_name, motion, travel, found, field) => {
    const steered = motion.type !== 'trailingArm';
    const input = base(motion, steered ? {} : { steering: undefined });
    const result = attempt(() => cornerMotion(input).wheelPose({ travel, steer: 0 }));
    expect(result).toMatchObject({ ok: false, problems: [{ path: `corners.frontLeft.${field}` }] });
    if (!result.ok) expect(result.problems[0]!.found).toMatch(found);
  });

  test('something mounted on an arm that the motion does not have', () => {
    const motion = cornerMotion(base({ type: 'macphersonStrut', points: STRUT }));
    expect(attempt(() => motion.mountPose('upperArm', { travel: 0, steer: 0 }))).toMatchObject({
      ok: false,
      problems: [{ code: 'missing', path: 'corners.frontLeft.motion' }],
    });
  });
});
