/** Invented corners for differential tests: obstacles scattered around the wheel, in every shape and on every mount. */
import type { Vec3 } from '../geometry/vec3';
import type { MotionDescription } from '../motion/motion-description';
import type { CornerDescription, ObstacleDescription, SetupDescription } from './description';

/** One of every kind of suspension; invented, lopsided. */
export const MOTIONS: Readonly<Record<string, MotionDescription>> = {
  swingArm: { type: 'swingArm', frontView: { y: -900, z: -40 }, sideView: { x: -1500, z: 60 } },
  doubleWishbone: {
    type: 'doubleWishbone',
    points: {
      ucaFrontPivot: [120, -330, 150],
      ucaRearPivot: [-140, -320, 140],
      upperBallJoint: [-8, -105, 165],
      lcaFrontPivot: [160, -450, -95],
      lcaRearPivot: [-220, -440, -100],
      lowerBallJoint: [6, -55, -120],
      tieRodInner: [-130, -420, -40],
      tieRodOuter: [-140, -70, -60],
    },
  },
  macphersonStrut: { type: 'macphersonStrut', tape: { lowerArmMm: 345, lowerArmRiseMm: 15 } },
  trailingArm: { type: 'trailingArm', tape: { armMm: 460, sweepDeg: 14, pivotRiseMm: 30 } },
  beamAxle: {
    type: 'beamAxle',
    hubSpacingMm: 1500,
    points: { linkPivot: [-900, 0, 60], panhardFrame: [80, -1300, 90], panhardAxle: [80, -250, 40] },
  },
};

export const SETUPS: readonly Partial<SetupDescription>[] = [
  { tire: { size: '285/70R17' }, wheel: { diameterIn: 17, widthIn: 8.5, offsetMm: 10 } },
  { tire: { size: '225/45R17' }, wheel: { diameterIn: 17, widthIn: 7.5, offsetMm: 45 } },
  { tire: { size: '205/40R17' }, wheel: { diameterIn: 17, widthIn: 9.5, offsetMm: 20 }, spacerMm: 5 },
  {
    tire: { size: '35x12.50R17LT' },
    wheel: { diameterIn: 17, widthIn: 9, offsetMm: -12 },
    allowances: { growthMm: 4, chain: { treadMm: 20, sidewallMm: 12 } },
  },
];

/** A corner with obstacles scattered around the wheel, some lopsided, some within it. */
export function scattered(random: () => number, name: string, count: number, pieces: number): CornerDescription {
  const between = (a: number, b: number): number => a + (b - a) * random();
  const near = (): Vec3 => {
    const angle = between(-2.6, 2.6);
    const radius = between(390, 640);
    return [radius * Math.sin(angle), between(-330, 260), radius * Math.cos(angle)];
  };
  const mounts = ['body', 'frame', 'axle', 'knuckle', ...(name === 'doubleWishbone' ? ['upperArm', 'tieRod'] : [])];
  const obstacles = Array.from({ length: count }, (_, i): ObstacleDescription => {
    const start = near();
    const way = [between(-60, 60), between(-60, 60), between(-60, 60)] as const;
    const along = (k: number): Vec3 => [
      start[0] + way[0] * k + between(-8, 8),
      start[1] + way[1] * k + between(-8, 8),
      start[2] + way[2] * k + between(-8, 8),
    ];
    const points = Array.from({ length: pieces + 1 }, (_, k) => along(k));
    const kind = ['points', 'polyline', 'capsule', 'panel'][i % 4]!;
    return {
      id: `o${i}`,
      mount: mounts[Math.floor(random() * mounts.length)] as ObstacleDescription['mount'],
      material: 'frame',
      shape:
        kind === 'capsule'
          ? { type: 'capsule', points, radiusMm: between(2, 20) }
          : kind === 'panel'
            ? {
                type: 'panel',
                points: [start, along(1), [start[0] + 40, start[1] - 70, start[2] + 20]],
                triangles: [[0, 1, 2]],
                thicknessMm: 3,
              }
            : { type: kind as 'points' | 'polyline', points },
    };
  });
  return {
    motion: MOTIONS[name]!,
    steering: {
      inclinationDeg: between(3, 14),
      casterDeg: between(-2, 7),
      kingpinOffsetMm: between(50, 120),
      casterTrailMm: between(-10, 25),
      lockLeftDeg: between(20, 38),
      lockRightDeg: between(20, 38),
    },
    staticCamberDeg: between(-2, 1),
    staticToeDeg: between(-0.3, 0.3),
    travel: { bumpMm: between(40, 100), droopMm: between(40, 110) },
    fitted: { tire: { size: '265/70R17' }, wheel: { diameterIn: 17, widthIn: 8, offsetMm: 30 }, spacerMm: 0 },
    obstacles,
  };
}
