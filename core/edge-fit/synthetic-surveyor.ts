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
import { clockOfPoint, type ReadingDescription } from '../obstacle/reading';
import { formatClock } from '../units/clock';
import { readingPlaceAt } from './evidence';
import { HUMP_SHARE, nextReadings, type WalkHeight } from './next-reading';
import type { SyntheticWell } from './synthetic-well';
import { STEERED_WALK, type WalkStep, type WalkStop } from './usual-walk';

/** How far off the surveyor is. */
const SURVEYOR = {
  /** mm, standard deviation. */
  tapeMm: 2,
  /** Degrees of clock to which a place is noted: ten minutes. */
  clockStepDeg: 5,
} as const;

/** A gap of the walk, with the lock chosen. */
type Step = Omit<WalkStep, 'steer' | 'across'> & { readonly steer: 'straight' | 'left' | 'right' };

const stopOf = (id: string): WalkStop => STEERED_WALK.find((stop) => stop.id === id)!;

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
  const take = (obstacle: ObstacleDescription, step: Omit<WalkStep, 'across'>): void => {
    const readings = taken.get(obstacle.id)!;
    const steers = step.steer === 'toward' ? (['left', 'right'] as const) : ([step.steer] as const);
    const before = readings.at(-1);
    const found = steers.map((steer) => readOff(obstacle, scene, { ...step, steer }, d, before));
    readings.push(found.reduce((least, next) => (next.gapMm < least.gapMm ? next : least)));
    numbers += 1 + (step.outboard === 'taken' ? 1 : 0);
  };
  for (const obstacle of truth.obstacles) for (const step of stopOf(obstacle.id).steps) take(obstacle, step);
  const corner = (): CornerDescription => ({
    ...blank,
    obstacles: truth.obstacles.map((o) => ({
      id: o.id,
      mount: o.mount,
      material: o.material,
      readingsAs: stopOf(o.id).readingsAs,
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
      { clock: next.clock, nearest: true, steer: next.steer, height: next.height },
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
  step: Step,
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
  if (step.nearest) {
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
  const nearest = step.nearest ? { nearest: true } : {};
  return {
    ...common,
    ...nearest,
    across: readingPlaceAt(section, chosen.near),
    gapMm: Math.max(0, chosen.gap + noise()),
  };
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
