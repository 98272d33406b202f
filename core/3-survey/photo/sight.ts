import { CholeskyDecomposition, Matrix, SingularValueDecomposition } from 'ml-matrix';
import { compose, inverse, place, type Pose } from '../../1-base/geometry/pose';
import { add, cross, dot, normalize, scale, subtract, type Vec3 } from '../../1-base/geometry/vec3';
import type { ObstacleDescription } from '../description/obstacle-description';
import { readingScene, type SurveyScene } from '../landing/survey-scene';
import type { HeldAt } from '../reading/reading';
import { onPlane, rayOf, type Ray } from './camera';
import { pixelOf, type PhotoCamera } from './photo-camera';
import { photosRead } from './read-photo';
import type { PhotoPlace, WheelPhoto } from '../description/wheel-photo';

/** An edge was seen along a straight line: what one place of a trace says. Lengths in mm, wheel frame in the photo's posture. */
export interface Sight {
  /** Mount's frame to wheel frame. */
  readonly toWheel: Pose;
  /** A place of the line about where the edge is, and two unit directions across it. */
  readonly at: Vec3;
  readonly across: readonly [Vec3, Vec3];
  readonly sigmaMm: number;
  /** From the camera, unit, and how far along it the edge may be from `at`. */
  readonly along: Vec3;
  readonly depthSigmaMm: number;
  /**
   * By how much the line is off, along both directions, for one standard deviation of each of the camera's errors that all sights of a thing on
   * one photo share. `firstError`: where they begin among the errors of all its photos.
   */
  readonly errors: readonly (readonly [number, number])[];
  readonly firstError: number;
  /** How the wheel was held then. */
  readonly held: HeldAt;
}

/** What the photos of a corner say of one thing. */
export interface Sights {
  readonly sights: readonly Sight[];
  /** Errors of cameras that they share. */
  readonly errorCount: number;
  /** Where each would be on the tire's outer sidewall plane: to begin with. Mount's frame. */
  readonly near: readonly Vec3[];
}

const NOTHING: Sights = { sights: [], errorCount: 0, near: [] };

/** mm of a shared error, in the mean of a thing's sights, under which it does not matter. */
const MATTERS_MM = 0.4;

/** Shares of a deviation of the camera's numbers by which slopes are taken. */
const SLOPE_SHARE = 0.02;

/** mm: what is seen and traced from outside stands about as far out as the tire's outer side. Working value of this project. */
const DEPTH_MM = 90;

/** mm by which an edge that is rounded is seen beside where a tape finds it. Working value of this project. */
const EDGE_SEEN_MM = 1.5;

/** All sights of an obstacle. Photos that cannot be read say nothing, nor do any of what was cut since. */
export function sightsOf({ id, mount, cuts = [] }: ObstacleDescription, survey: SurveyScene): Sights {
  if (cuts.length > 0) return NOTHING;
  const { photos = [] } = survey.corner;
  let all = NOTHING;
  photos.forEach((photo, i) => {
    const along = photo.traces.filter(({ of }) => of === id).flatMap((trace) => trace.along);
    const read = along.length > 0 ? photosRead(survey)[i] : undefined;
    if (read?.status !== 'read') return;
    const { scene, mountPose } = readingScene(photo, mount, survey, `photos[${i}]`);
    const toWheel = compose(inverse(scene.wheelPose), mountPose);
    const lateralMm = survey.rotor.centrePlaneMm + survey.rotor.section.widthMm / 2;
    const found = sightsOfPhoto(photo, read.camera, along, lateralMm, toWheel, all.errorCount);
    const back = inverse(toWheel);
    all = {
      sights: [...all.sights, ...found.sights],
      errorCount: all.errorCount + found.errorCount,
      near: [...all.near, ...found.sights.map(({ at }) => place(back, at))],
    };
  });
  return all;
}

/**
 * The same line of sight under a survey that is off, seen in `before`: the camera stands where it stood before the wheel, whose face is as far out
 * as its offset and spacer say.
 */
export function sightUnder(
  sight: Sight,
  { mount }: ObstacleDescription,
  before: SurveyScene,
  survey: SurveyScene,
): Sight {
  const { scene, mountPose } = readingScene(sight.held, mount, survey, 'photos');
  const out = survey.rotor.centrePlaneMm - before.rotor.centrePlaneMm;
  const [x, y, z] = sight.at;
  return { ...sight, toWheel: compose(inverse(scene.wheelPose), mountPose), at: [x, y + out, z] };
}

function sightsOfPhoto(
  photo: WheelPhoto,
  read: PhotoCamera,
  marks: readonly PhotoPlace[],
  lateralMm: number,
  toWheel: Pose,
  firstError: number,
): { readonly sights: Sight[]; readonly errorCount: number } {
  const lines = marks.flatMap((mark) => {
    const ray = rayOf(read.camera, pixelOf(photo, mark));
    const met = onPlane(ray, lateralMm);
    return met ? [{ mark, at: met.at, awayMm: met.awayMm, along: ray.along, across: acrossOf(ray) }] : [];
  });
  const slopes = cameraSlopes(photo, read, lines);
  const errors = sharedErrors(slopes, lines.length);
  return {
    errorCount: errors.columns,
    sights: lines.map(({ at, awayMm, along, across }, i) => ({
      toWheel,
      at,
      across,
      sigmaMm: Math.hypot((read.markSigmaPx * awayMm) / read.camera.focalPx, EDGE_SEEN_MM),
      along,
      // One belief, shared out among all that hold it.
      depthSigmaMm: DEPTH_MM * Math.sqrt(lines.length),
      errors: Array.from(
        { length: errors.columns },
        (_, k) => [errors.get(2 * i, k), errors.get(2 * i + 1, k)] as const,
      ),
      firstError,
      held: { steer: photo.steer, travelMm: photo.travelMm, hubToLipMm: photo.hubToLipMm },
    })),
  };
}

function acrossOf({ along }: Ray): readonly [Vec3, Vec3] {
  const first = normalize(cross(along, [0, 0, 1]));
  return [first, cross(first, along)];
}

interface Line {
  readonly mark: PhotoPlace;
  readonly at: Vec3;
  readonly across: readonly [Vec3, Vec3];
}

/** Two rows a line: mm by which it moves across itself for one standard deviation of each independent error of the camera. */
function cameraSlopes(
  photo: WheelPhoto,
  { numbers, covariance, cameraOf }: PhotoCamera,
  lines: readonly Line[],
): Matrix {
  const factor = new CholeskyDecomposition(covariance).lowerTriangularMatrix;
  const slopes = Matrix.zeros(2 * lines.length, numbers.length);
  for (let k = 0; k < numbers.length; k++) {
    const camera = cameraOf(numbers.map((v, j) => v + SLOPE_SHARE * factor.get(j, k)));
    lines.forEach(({ mark, at, across }, i) => {
      const { from, along } = rayOf(camera, pixelOf(photo, mark));
      const beside = subtract(add(from, scale(along, dot(subtract(at, from), along))), at);
      across.forEach((direction, c) => slopes.set(2 * i + c, k, dot(beside, direction) / SLOPE_SHARE));
    });
  }
  return slopes;
}

/** The few errors that matter of all a camera's, as columns (singular value decomposition). */
function sharedErrors(slopes: Matrix, count: number): Matrix {
  if (count === 0) return Matrix.zeros(0, 0);
  const { leftSingularVectors, diagonal } = new SingularValueDecomposition(slopes, { autoTranspose: true });
  const kept = diagonal.flatMap((size, k) => (size / Math.sqrt(2 * count) > MATTERS_MM / Math.SQRT2 ? [k] : []));
  const errors = Matrix.zeros(slopes.rows, kept.length);
  kept.forEach((from, k) => {
    for (let r = 0; r < slopes.rows; r++) errors.set(r, k, leftSingularVectors.get(r, from) * diagonal[from]!);
  });
  return errors;
}
