import { ClearSection } from '../clearance/clear-section';
import type { CornerDescription, ObstacleDescription, SetupDescription } from '../clearance/description';
import { cornerVerdicts } from '../clearance/evaluate';
import { surveyScene, type SurveyScene } from '../clearance/landing';
import { prepareCorner } from '../clearance/prepare';
import { nearestOnSolid } from '../clearance/rotor';
import { STANDARDS } from '../clearance/standard';
import { place, unplace } from '../geometry/pose';
import type { Vec3 } from '../geometry/vec3';
import { dice, type Dice } from '../numeric/dice';
import { clockOfPoint, type ReadingDescription, type ReadingPlace } from '../obstacle/reading';
import { toDegrees } from '../units/angle';
import { formatClock } from '../units/clock';
import { HUMP_SHARE, nextReadings, type WalkHeight } from './next-reading';
import type { SyntheticWell } from './synthetic-well';

/** How far off the surveyor is. */
const SURVEYOR = {
  /** mm, standard deviation. */
  tapeMm: 2,
  /** Degrees of clock to which a place is noted: ten minutes. */
  clockStepDeg: 5,
} as const;

/** A number of the walk: at a clock, or where the gap is least. `outboard`: its distance outboard is taken too. */
interface Step {
  readonly clock: string | 'nearest';
  /** `toward`: the lock at which it comes nearer, as anybody sees. */
  readonly steer: 'straight' | 'left' | 'right' | 'toward';
  readonly height?: WalkHeight;
  readonly outboard?: 'taken' | 'before';
}

/** The numbers every walk begins with, the lip's two outboard distances among them. */
const WALK: Readonly<Record<string, { as: ObstacleDescription['readingsAs']; steps: readonly Step[] }>> = {
  'fender-lip': {
    as: 'arch',
    steps: [
      { clock: '12:00', steer: 'straight', outboard: 'taken' },
      { clock: '10:00', steer: 'straight', outboard: 'before' },
      { clock: '2:40', steer: 'straight', outboard: 'taken' },
      { clock: '1:30', steer: 'straight', outboard: 'before' },
    ],
  },
  'bumper-corner': {
    as: 'cornerCurve',
    steps: [
      { clock: '3:20', steer: 'straight' },
      { clock: 'nearest', steer: 'left' },
      { clock: 'nearest', steer: 'right' },
    ],
  },
  'pinch-weld': {
    as: 'uprightEdge',
    steps: [
      { clock: '8:30', steer: 'straight' },
      { clock: 'nearest', steer: 'left' },
      { clock: 'nearest', steer: 'right' },
    ],
  },
  'body-mount': {
    as: 'box',
    steps: [
      { clock: 'nearest', steer: 'straight' },
      { clock: 'nearest', steer: 'left' },
      { clock: 'nearest', steer: 'right' },
    ],
  },
  'frame-rail': {
    as: 'rod',
    steps: [
      { clock: 'nearest', steer: 'straight' },
      { clock: 'nearest', steer: 'left' },
      { clock: 'nearest', steer: 'right' },
    ],
  },
  'sway-bar-link': {
    as: 'rod',
    steps: [
      { clock: 'nearest', steer: 'straight' },
      { clock: 'nearest', steer: 'toward' },
    ],
  },
  'arm-end': {
    as: 'tip',
    steps: [
      { clock: 'nearest', steer: 'straight' },
      { clock: 'nearest', steer: 'left' },
      { clock: 'nearest', steer: 'right' },
    ],
  },
};

/** Numbers a surveyor writes down before the tape is put away. */
const NUMBERS = 25;

/**
 * The well as a person with a tape surveys it: first the usual walk, then what the engine asks for, for `wanted`, until 25
 * numbers are written down. Tape noise, coarse clocks; the walk and the reading of the tape are repeatable by `seed`.
 */
export function surveyedWell(
  { truth, blank }: SyntheticWell,
  wanted: SetupDescription,
  seed: number,
): CornerDescription {
  const d = dice(seed + 104729);
  const scene = surveyScene('frontLeft', truth);
  const taken = new Map<string, ReadingDescription[]>(truth.obstacles.map(({ id }) => [id, []]));
  let numbers = 0;
  const take = (obstacle: ObstacleDescription, step: Step): void => {
    const readings = taken.get(obstacle.id)!;
    const steers = step.steer === 'toward' ? (['left', 'right'] as const) : ([step.steer] as const);
    const before = readings.at(-1);
    const found = steers.map((steer) => readOff(obstacle, scene, { ...step, steer }, d, before));
    readings.push(found.reduce((least, next) => (next.gapMm < least.gapMm ? next : least)));
    numbers += 1 + (step.outboard === 'taken' ? 1 : 0);
  };
  for (const obstacle of truth.obstacles) for (const step of WALK[obstacle.id]!.steps) take(obstacle, step);
  const corner = (): CornerDescription => ({
    ...blank,
    obstacles: truth.obstacles.map((o) => ({
      id: o.id,
      mount: o.mount,
      material: o.material,
      readingsAs: WALK[o.id]!.as,
      readings: taken.get(o.id)!,
      ...formOf(o),
    })),
  });
  let height: WalkHeight = 'ride';
  while (numbers < NUMBERS) {
    const now = corner();
    const prepared = prepareCorner('frontLeft', now, wanted, 'trail');
    const verdicts = cornerVerdicts(
      prepared,
      STANDARDS.neverRub,
      {},
      new ClearSection(prepared.motion, prepared.envelope),
    );
    // Another height is a number of its own: hub to lip.
    const [next] = nextReadings(prepared, verdicts, surveyScene('frontLeft', now)).filter(
      (n) => n.height === 'ride' || n.height === height || numbers + 2 <= NUMBERS,
    );
    if (!next) break;
    if (next.height !== 'ride' && next.height !== height) numbers++;
    height = next.height;
    take(
      truth.obstacles.find(({ id }) => id === next.id)!,
      { clock: 'nearest', steer: next.steer, height: next.height },
    );
  }
  return corner();
}

/** What the surveyor says of the form beside the readings. */
function formOf({ id, shape }: ObstacleDescription): Pick<ObstacleDescription, 'form'> {
  const radius = shape?.type === 'capsule' ? shape.radiusMm : 0;
  if (id === 'frame-rail') return { form: { runs: 'foreAft', rodDiameterMm: Math.round(2 * radius) } };
  if (id === 'sway-bar-link') return { form: { runs: 'upright', rodDiameterMm: Math.round(2 * radius) } };
  if (id === 'arm-end') return { form: { rodDiameterMm: Math.round(2 * radius) } };
  return {};
}

function readOff(
  obstacle: ObstacleDescription,
  scene: SurveyScene,
  step: Step & { readonly steer: 'straight' | 'left' | 'right' },
  d: Dice,
  before: ReadingDescription | undefined,
): ReadingDescription {
  const { motion, rotor } = scene;
  const { bumpMm, droopMm } = scene.corner.travel;
  const noise = (): number => SURVEYOR.tapeMm * d.normal();
  const travel = step.height === 'bump' ? HUMP_SHARE * bumpMm : step.height === 'hang' ? -droopMm : 0;
  const state = motion.carrierAt(travel, 0);
  const locks = motion.locksAt(state);
  const steer = step.steer === 'straight' ? 0 : step.steer === 'left' ? locks.left : -locks.right;
  const wheel = motion.wheelFrom(state, steer);
  const mount = motion.mountFrom(state, obstacle.mount, steer);
  const radius = obstacle.shape?.type === 'capsule' ? obstacle.shape.radiusMm : 0;
  // Near the ground no tape goes.
  const within = ({ clock }: { clock: number }): boolean => clock < 147 || clock > 213;
  const all = densePlaces(obstacle).map((point) => {
    const there = place(mount, point);
    const [x, axial, z] = unplace(wheel, there);
    const r = Math.hypot(x, z);
    const near = nearestOnSolid(rotor.filled, axial - rotor.centrePlaneMm, r);
    return { clock: clockOfPoint(wheel, there), gap: near.distance - radius, near, r, a: axial - rotor.centrePlaneMm };
  });
  const seen = all.filter(within);
  const half = SURVEYOR.clockStepDeg / 2;
  let chosen = seen[0]!;
  let clockDeg: number;
  if (step.clock === 'nearest') {
    for (const next of seen) if (next.gap < chosen.gap) chosen = next;
    clockDeg = Math.round(chosen.clock / SURVEYOR.clockStepDeg) * SURVEYOR.clockStepDeg;
  } else {
    const [hour, minute] = step.clock.split(':').map(Number) as [number, number];
    clockDeg = (hour % 12) * 30 + minute / 2;
    const meant = clockDeg + d.between(-half, half);
    const apart = (a: number): number => Math.abs(((a - meant + 540) % 360) - 180);
    const closest = Math.min(...seen.map(({ clock }) => apart(clock)));
    const there = seen.filter(({ clock }) => apart(clock) <= closest + 1);
    for (const next of ((chosen = there[0]!), there)) if (next.gap < chosen.gap) chosen = next;
    if (closest > half) clockDeg = Math.round(chosen.clock / SURVEYOR.clockStepDeg) * SURVEYOR.clockStepDeg;
  }
  const { section } = rotor;
  const common = {
    clock: formatClock(clockDeg),
    steer: step.steer,
    ...(travel === 0
      ? { travelMm: 0 }
      : { hubToLipMm: scene.corner.hubToLipMm! - travel + (step.height === 'hang' ? 0 : noise()) }),
  };
  if (step.outboard) {
    const taken = step.outboard === 'taken';
    return {
      ...common,
      across: 'tread',
      gapMm: Math.max(0, chosen.r - section.diameterMm / 2 + noise()),
      outboardMm: taken ? chosen.a - section.widthMm / 2 + noise() : before!.outboardMm!,
      ...(taken ? {} : { outboardAsBefore: true }),
    };
  }
  const nearest = step.clock === 'nearest' ? { nearest: true } : {};
  return { ...common, ...nearest, across: acrossOf(section, chosen.near), gapMm: Math.max(0, chosen.gap + noise()) };
}

function acrossOf(section: SurveyScene['rotor']['section'], near: { a: number; r: number }): ReadingPlace {
  const { shoulderCentre, widestRadiusMm } = section;
  const da = Math.abs(near.a) - shoulderCentre.a;
  const dr = near.r - shoulderCentre.r;
  const side = near.a < 0 ? 'inner' : 'outer';
  const turn = near.r < widestRadiusMm ? 90 : da <= 0 ? 0 : toDegrees(Math.atan2(da, dr));
  return turn < 22.5 ? 'tread' : turn < 67.5 ? `${side}Shoulder` : `${side}Sidewall`;
}

/** Places all over a true shape, a few mm apart. */
function densePlaces({ shape }: ObstacleDescription): Vec3[] {
  if (!shape) return [];
  if (shape.type === 'panel') {
    return shape.triangles.flatMap(([a, b, c]) => {
      const [p, q, r] = [shape.points[a]!, shape.points[b]!, shape.points[c]!];
      const found: Vec3[] = [];
      for (let i = 0; i <= 16; i++) {
        for (let j = 0; j <= 16 - i; j++) {
          const [s, t] = [i / 16, j / 16];
          found.push([0, 1, 2].map((k) => p[k]! + s * (q[k]! - p[k]!) + t * (r[k]! - p[k]!)) as unknown as Vec3);
        }
      }
      return found;
    });
  }
  if (shape.points.length === 1) return [shape.points[0]!];
  return shape.points.slice(1).flatMap((to, i) => {
    const from = shape.points[i]!;
    const count = Math.ceil(Math.hypot(to[0] - from[0], to[1] - from[1], to[2] - from[2]) / 2);
    return Array.from(
      { length: count + 1 },
      (_, k): Vec3 => [0, 1, 2].map((c) => from[c]! + ((to[c]! - from[c]!) * k) / count) as unknown as Vec3,
    );
  });
}
