import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { ObstacleDescription } from '../../3-survey/description/obstacle-description';
import { type SetupDescription, fittedAsSetup, fittedSetup } from '../../2-vehicle/setup/setup';
import { ClearSection } from '../../4-clearance/search/clear-section';
import { prepareCorner } from '../../4-clearance/case/prepared-corner';
import type { Vec3 } from '../../1-base/geometry/vec3';
import type { MotionDescription } from '../../2-vehicle/motion/motion-description';
import { dice, type Dice } from '../../1-base/numeric/dice';
import type { ShapeDescription } from '../../3-survey/shape/shape';

/**
 * A made-up wheel well whose shape is known to the last millimeter, for tests and benchmarks: what readings of it lead to is
 * compared with the truth. Shapes are not of the fitted families.
 */
export interface SyntheticWell {
  /** As it is: exact linkage, locks and dense shapes. */
  readonly truth: CornerDescription;
  /** Its baseline as taken, hard points and locks a little off; nothing surveyed yet. */
  readonly blank: CornerDescription;
  /** Other setups, by which the two are compared. */
  readonly setups: readonly SetupDescription[];
}

/** How far off, evenly spread either way, the baseline is: hard points (mm) and locks (degrees). */
const BASELINE = { hardPointMm: 4, lockDeg: 1 } as const;

/** What a made-up well came with. */
export const FITTED = {
  tire: { size: '265/70R17' },
  wheel: { diameterIn: 17, widthIn: 8, offsetMm: 30 },
  spacerMm: 0,
} as const;

export function syntheticWell(seed: number): SyntheticWell {
  const d = dice(seed);
  const wishbones = seed % 2 === 0;
  const lockLeftDeg = d.between(30, 36);
  const lockRightDeg = d.between(28, 34);
  const bare: CornerDescription = {
    ...bareCorner(d, wishbones ? wishbonePoints(d) : swingCentres(d), { lockLeftDeg, lockRightDeg }),
    obstacles: trueObstacles(d, wishbones),
  };
  const truth: CornerDescription = {
    ...bare,
    obstacles: bare.obstacles.map((o) => pushedClear(bare, o, d.between(8, 55))),
  };
  const off = (value: number, by: number): number => value + d.between(-by, by);
  const blank: CornerDescription = {
    ...truth,
    motion: movedMotion(truth.motion, () => d.between(-BASELINE.hardPointMm, BASELINE.hardPointMm)),
    steering: {
      ...truth.steering!,
      lockLeftDeg: off(lockLeftDeg, BASELINE.lockDeg),
      lockRightDeg: off(lockRightDeg, BASELINE.lockDeg),
    },
    obstacles: [],
  };
  return { truth, blank, setups: otherSetups(d) };
}

/** A made-up steered corner without anything near its tire. */
export const bareCorner = (
  d: Dice,
  motion: MotionDescription,
  locks: { readonly lockLeftDeg: number; readonly lockRightDeg: number },
): CornerDescription => ({
  motion,
  steering: {
    inclinationDeg: d.between(8, 14),
    casterDeg: d.between(1, 5),
    kingpinOffsetMm: d.between(80, 110),
    casterTrailMm: 0,
    ...locks,
  },
  staticCamberDeg: d.between(-0.8, 0.4),
  staticToeDeg: 0.1,
  travel: { bumpMm: d.between(70, 100), droopMm: d.between(80, 110) },
  hubToLipMm: 520,
  fitted: FITTED,
  obstacles: [],
});

export function wishbonePoints(d: Dice): MotionDescription {
  const near = (at: Vec3): Vec3 => [at[0] + d.between(-20, 20), at[1] + d.between(-20, 20), at[2] + d.between(-15, 15)];
  return {
    type: 'doubleWishbone',
    points: {
      ucaFrontPivot: near([120, -330, 150]),
      ucaRearPivot: near([-140, -320, 140]),
      upperBallJoint: near([-8, -105, 165]),
      lcaFrontPivot: near([160, -450, -95]),
      lcaRearPivot: near([-220, -440, -100]),
      lowerBallJoint: near([6, -55, -120]),
    },
  };
}

export const swingCentres = (d: Dice): MotionDescription => ({
  type: 'swingArm',
  frontView: { y: d.between(-2000, -800), z: d.between(-80, 20) },
  sideView: { x: d.between(-2400, -1300), z: d.between(-20, 120) },
});

/** The motion with every hard point off; instant centres by the share that hard points at arm's length shift them. */
export function movedMotion(motion: MotionDescription, by: () => number): MotionDescription {
  if (motion.type === 'doubleWishbone' && 'points' in motion && motion.points) {
    const points = Object.fromEntries(
      Object.entries(motion.points).map(([name, at]) => [name, (at as Vec3).map((v) => v + by()) as unknown as Vec3]),
    );
    return { ...motion, points } as unknown as MotionDescription;
  }
  if (motion.type !== 'swingArm') return motion;
  const { frontView, sideView } = motion;
  return {
    ...motion,
    frontView: frontView ? { y: frontView.y * (1 + by() / 100), z: frontView.z + 3 * by() } : null,
    sideView: sideView ? { x: sideView.x * (1 + by() / 100), z: sideView.z + 3 * by() } : null,
  };
}

/** The obstacle moved away from the fitted tire until it is never nearer than about `wantedMm`: real wells fit their tire. */
export function pushedClear(
  corner: CornerDescription,
  obstacle: ObstacleDescription,
  wantedMm: number,
): ObstacleDescription {
  let now = obstacle;
  for (let round = 0; round < 25; round++) {
    const alone = prepareCorner('frontLeft', { ...corner, obstacles: [now] }, fittedSetup(corner.fitted), 'trail');
    const [least] = new ClearSection(alone.motion, alone.envelope).leastGaps(alone);
    const short = wantedMm - least!.gapMm;
    if (Math.abs(short) < 3) break;
    const [x, , z] = least!.at;
    const away = Math.hypot(x, z);
    const sideways = obstacle.id === 'frame-rail' || obstacle.id === 'sway-bar-link' || obstacle.id === 'arm-end';
    const by = sideways ? [0, -short, 0] : [(x / away) * short, 0, (z / away) * short];
    const points = now.shape!.points.map((p) => p.map((v, k) => v + 0.8 * by[k]!) as unknown as Vec3);
    now = { ...now, shape: { ...now.shape!, points } as ShapeDescription };
  }
  return now;
}

/** Places round the hub's line at `turn` (rad from up, toward the front). */
const round = (turn: number, r: number, y: number): Vec3 => [r * Math.sin(turn), y, r * Math.cos(turn)];

/** `count` places along a curve. */
export const polyline = (count: number, at: (share: number) => Vec3): { type: 'polyline'; points: Vec3[] } => ({
  type: 'polyline',
  points: Array.from({ length: count }, (_, i) => at(i / (count - 1))),
});

const deg = Math.PI / 180;

function trueObstacles(d: Dice, wishbones: boolean): ObstacleDescription[] {
  const crown = 401.4;
  const inner = -30 - 136;
  const arch = { r: crown + d.between(95, 135), x: d.between(-25, 25), z: d.between(-20, 20), flat: d.between(-8, 8) };
  const lipY = d.between(75, 120);
  const lean = d.between(-25, 25);
  const corner = {
    r: crown + d.between(45, 95),
    turn: d.between(92, 104) * deg,
    span: d.between(22, 32) * deg,
    y: d.between(60, 105),
    in: d.between(60, 130),
    bulge: d.between(-14, 14),
  };
  const weld = {
    x: -(crown + d.between(35, 80)),
    y: d.between(20, 90),
    z: d.between(-230, -150),
    up: d.between(180, 260),
  };
  const weldLean = [d.between(-12, 12), d.between(-15, 15), d.between(-4, 4)] as const;
  const mount = { x: -(crown + d.between(25, 65)), y: d.between(-150, -60), z: d.between(-190, -130) };
  const mountSize = [d.between(60, 100), d.between(70, 120), d.between(50, 80)] as const;
  const rail = {
    y: inner - d.between(60, 110),
    z: d.between(40, 170),
    r: d.between(8, 20),
    slope: d.between(-0.06, 0.06),
  };
  const link = {
    x: d.between(150, 260) * (d.between(-1, 1) < 0 ? -1 : 1),
    y: inner - d.between(45, 90),
    lean: d.between(-0.15, 0.15),
  };
  const tip = { x: d.between(-60, 60), y: inner - d.between(30, 70), z: d.between(240, 320) };
  const turned = d.between(-6, 6) * deg;
  return [
    {
      id: 'fender-lip',
      mount: 'body',
      material: 'sheetMetal',
      shape: polyline(60, (s) => {
        const turn = (-82 + 164 * s) * deg;
        const [x, y, z] = round(
          turn,
          arch.r + arch.flat * Math.cos(3 * turn),
          lipY - lean * (1 - Math.cos(turn)) + 10 * Math.sin(turn),
        );
        return [x + arch.x, y, z + arch.z];
      }),
    },
    {
      id: 'bumper-corner',
      mount: 'body',
      material: 'plastic',
      shape: polyline(30, (s) =>
        round(
          corner.turn + corner.span * s,
          corner.r + corner.bulge * Math.sin(Math.PI * s),
          corner.y - corner.in * s * s * s,
        ),
      ),
    },
    {
      id: 'pinch-weld',
      mount: 'body',
      material: 'sheetMetal',
      shape: polyline(16, (s) => [
        weld.x + weldLean[0] * s + weldLean[2] * Math.sin(Math.PI * s),
        weld.y + weldLean[1] * s,
        weld.z + weld.up * s,
      ]),
    },
    {
      id: 'body-mount',
      mount: 'frame',
      material: 'bodyMount',
      shape: turnedBlock([mount.x, mount.y, mount.z], mountSize, turned),
    },
    {
      id: 'frame-rail',
      mount: 'frame',
      material: 'frame',
      shape: {
        type: 'capsule',
        radiusMm: rail.r,
        points: [-500, 0, 500].map((x): Vec3 => [x, rail.y + rail.slope * x, rail.z + 0.02 * x]),
      },
    },
    {
      id: 'sway-bar-link',
      mount: 'frame',
      material: 'swayBar',
      shape: {
        type: 'capsule',
        radiusMm: 8,
        points: [-60, 200].map((z): Vec3 => [link.x + link.lean * z, link.y, z]),
      },
    },
    {
      id: 'arm-end',
      mount: wishbones ? 'upperArm' : 'frame',
      material: 'arm',
      shape: { type: 'capsule', radiusMm: 14, points: [[tip.x, tip.y, tip.z]] },
    },
  ];
}

/** A block turned about the upright and tipped forward (rad), the middle of its front side at a place. */
export function turnedBlock(
  at: Vec3,
  size: readonly [number, number, number],
  turned: number,
  tipped = 0,
): { type: 'panel'; points: Vec3[]; triangles: [number, number, number][] } {
  const points = [0, 1, 2, 3, 4, 5, 6, 7].map((bits): Vec3 => {
    const [x0, y, z0] = [0, 1, 2].map((axis) => (bits & (1 << axis) ? 0.5 : -0.5) * size[axis]!) as [
      number,
      number,
      number,
    ];
    const [x, z] = [x0 * Math.cos(tipped) + z0 * Math.sin(tipped), z0 * Math.cos(tipped) - x0 * Math.sin(tipped)];
    return [
      at[0] - size[0] / 2 + x * Math.cos(turned) - y * Math.sin(turned),
      at[1] + x * Math.sin(turned) + y * Math.cos(turned),
      at[2] + z,
    ];
  });
  const quads = [
    [0, 2, 6, 4],
    [1, 3, 7, 5],
    [0, 1, 5, 4],
    [2, 3, 7, 6],
    [0, 1, 3, 2],
    [4, 5, 7, 6],
  ] as const;
  return {
    type: 'panel',
    points,
    triangles: quads.flatMap(([a, b, c, e]): [number, number, number][] => [
      [a, b, c],
      [a, c, e],
    ]),
  };
}

const TIRES = [
  ['255/75R17', 7.5],
  ['275/70R17', 8],
  ['285/70R17', 8.5],
  ['33x10.50R17LT', 8.5],
  ['295/70R17', 8.5],
  ['35x12.50R17LT', 9],
] as const;

const otherSetups = (d: Dice): SetupDescription[] =>
  TIRES.map(([size, widthIn]) => ({
    ...fittedAsSetup(FITTED),
    tire: { size },
    wheel: { diameterIn: 17, widthIn, offsetMm: Math.round(d.between(-12, 38)) },
    suspensionLiftMm: Math.round(d.between(0, 45)),
  }));
