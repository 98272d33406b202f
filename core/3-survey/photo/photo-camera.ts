import type { Matrix } from 'ml-matrix';
import { rotate } from '../../1-base/geometry/pose';
import { cross, dot, length, type Vec3 } from '../../1-base/geometry/vec3';
import { gaussNewton, type Minimum } from '../../1-base/numeric/gauss-newton';
import { toDegrees, toRadians } from '../../1-base/units/angle';
import { inToMm } from '../../1-base/units/length';
import { solidDistance, type Rotor } from '../../2-vehicle/setup/rotor';
import { FLANGE_HEIGHT_MM, FLANGE_THICKNESS_MM } from '../../2-vehicle/wheel/rim';
import { USUAL } from '../reading/usual-errors';
import { onPlane, rayOf, seenAt, turnedFromSquare, type Camera, type Pixel, type Ray } from './camera';
import type { PhotoPlace, WheelPhoto } from '../description/wheel-photo';

/** What a photo is looked at with: the fitted wheel and tire, and which way is up (wheel frame, unit). */
export interface PhotoScene {
  readonly rotor: Rotor;
  readonly up: Vec3;
  /** Right side of the vehicle. */
  readonly mirrored: boolean;
}

/** Where a photo was taken from, as its marks say. */
export interface PhotoCamera {
  readonly camera: Camera;
  /** The numbers it was solved by, their covariance, and the camera of other such numbers. */
  readonly numbers: Float64Array;
  readonly covariance: Matrix;
  readonly cameraOf: (numbers: Float64Array) => Camera;
  /** Pixels a mark may be off, standard deviation. */
  readonly markSigmaPx: number;
  /** Degrees from square to the wheel. */
  readonly tiltDeg: number;
  readonly awayMm: number;
  /** By mark, pixels off the rim's edge (+ = outside) and the tire's outline. */
  readonly rimOffPx: readonly number[];
  readonly tireOffPx: readonly number[];
  /** mm by which the tire's outline looks larger than the tire is, beside this rim, and how sure that is. */
  readonly tireLargerMm: number;
  readonly tireSigmaMm: number;
  readonly status: Minimum['status'];
}

/** Standard deviations of what is not marked. Working values of this project, no published source. */
const PHOTO_USUAL = {
  /** Share of the picture's longer side by which a finger marks beside the edge it means. */
  markShare: 0.0015,
  /** Share of the way from dark to light by which the edge's middle is missed. */
  riseShare: 0.3,
  /** mm: the outline of lugs and lettering about the tire's section. */
  outlineMm: 4,
  /** mm: radius of the flange's edge as painted, rounded and worn. */
  rimEdgeMm: 1.5,
  measuredRimEdgeMm: 0.7,
  /** mm: how far the hub's middle stands inboard of the rim's face. */
  hubInsetMm: 45,
  hubInsetSigmaMm: 40,
  /** Degrees a camera is held off level by hand; a line taken for plumb. */
  levelDeg: 2.5,
  plumbDeg: 0.7,
  /** Shares of the focal length: as the camera wrote it, and of phones and tablets of all kinds about their usual 27 mm. */
  writtenFocal: 0.06,
  anyFocal: 0.3,
  anyFocal35Mm: 27,
  /** Of what a lens bends at the corner, after the camera's own mending. */
  bend: 0.01,
  /** Degrees from square: next to nothing is known of it. */
  tiltDeg: 40,
} as const;

/** mm: diagonal of a 36 x 24 mm picture. */
const FULL_FRAME_MM = Math.hypot(36, 24);

/** The numbers: turns about the camera's axes, its place, logarithm of the focal length, bend, hub's inset, rim's and tire's radius. */
const TURN_X = 0;
const TURN_Y = 1;
const TURN_Z = 2;
const AT_X = 3;
const AT_Y = 4;
const AT_Z = 5;
const LOG_FOCAL = 6;
const BEND = 7;
const INSET = 8;
const RIM = 9;
const TIRE = 10;
const STEPS = [1e-5, 1e-5, 1e-5, 1e-2, 1e-2, 1e-2, 1e-5, 1e-5, 1e-2, 1e-3, 1e-3];

/** Radius (mm) of the outer edge of the rim's flange; its contour is 17.5 mm over the bead seat by ISO 4000-1 (value from memory). */
export const rimEdgeRadiusMm = ({ rimEdgeMm }: Pick<WheelPhoto, 'rimEdgeMm'>, rotor: Rotor): number =>
  rimEdgeMm === undefined ? inToMm(rotor.section.size.rimDiameterIn) / 2 + FLANGE_HEIGHT_MM : rimEdgeMm / 2;

/** Turns (rad) about x and y from which the camera is looked for: square, and from each side. */
const STARTS = [
  [0, 0],
  [0, 0.3],
  [0, -0.3],
  [0.25, 0],
  [-0.25, 0],
] as const;

/** Iterations after which the starts are told apart. */
const FIRST_ITERATIONS = 6;

export const pixelOf = ({ widthPx, heightPx }: WheelPhoto, { x, y }: PhotoPlace): Pixel => [x * widthPx, y * heightPx];

/**
 * The camera that sees the rim's edge, the hub and the tire's outline where they were marked: the likeliest one by least squares, its
 * focal length and lens known as far as cameras are alike. Of the two ways a circle can be tilted the one that the hub and the tire
 * agree with. null: too few marks.
 */
export function photoCamera(photo: WheelPhoto, scene: PhotoScene): PhotoCamera | null {
  const { hub } = photo;
  if (!hub || photo.rim.length < 3) return null;
  const residualsOf = cameraResiduals(photo, scene, hub);
  const solved = gaussNewton(residualsOf, begunAt(photo, scene, hub, residualsOf)[0]!.at, STEPS);
  const cameraOf = (numbers: Float64Array): Camera => cameraFrom(photo, scene, numbers);
  const camera = cameraOf(solved.at);
  const markSigmaPx = markSigma(photo);
  const perMm = camera.focalPx / solved.at[AT_Z]!;
  const axis = rotate(camera.rotation, [0, 1, 0]);
  const tire = tireResidual(photo, scene, camera);
  return {
    camera,
    numbers: solved.at,
    covariance: solved.covariance,
    cameraOf,
    markSigmaPx,
    tiltDeg: toDegrees(Math.acos(Math.min(1, Math.abs(axis[2])))),
    awayMm: length(camera.at),
    rimOffPx: photo.rim.map((place) => offRim(photo, scene, camera, place, solved.at[RIM]!) * perMm),
    tireOffPx: tire.map((mm) => (mm - solved.at[TIRE]!) * perMm),
    ...besideRim(photo, scene, hub),
    status: solved.status,
  };
}

/** Where the starts lead, likeliest first. */
function begunAt(
  photo: WheelPhoto,
  scene: PhotoScene,
  hub: PhotoPlace,
  residualsOf: (numbers: Float64Array) => Float64Array,
): Minimum[] {
  const focal = usualFocal(photo).px;
  const away = (focal * rimEdgeRadiusMm(photo, scene.rotor)) / rimRadiusPx(photo, hub);
  const [hubX, hubY] = pixelOf(photo, hub);
  const side = scene.mirrored ? -1 : 1;
  return STARTS.map(([turnX, turnY]) => {
    const start = new Float64Array(STEPS.length);
    start[TURN_X] = turnX;
    start[TURN_Y] = turnY;
    start[AT_X] = (side * (hubX - photo.widthPx / 2) * away) / focal;
    start[AT_Y] = ((hubY - photo.heightPx / 2) * away) / focal;
    start[AT_Z] = away;
    start[LOG_FOCAL] = Math.log(focal);
    start[INSET] = PHOTO_USUAL.hubInsetMm;
    return gaussNewton(residualsOf, start, STEPS, FIRST_ITERATIONS);
  }).sort((a, b) => a.cost - b.cost);
}

/** Squares by which the other tilt of a rim may fit worse and still be the true one. */
const AS_LIKELY = 9;

/**
 * mm by which the tire's outline is larger than the tire, by a camera that the rim and the hub alone say, and its standard deviation: a
 * tire counted in would bend the camera until both nearly fit. Of tilts that are about as likely the one that the tire speaks for.
 */
function besideRim(
  photo: WheelPhoto,
  scene: PhotoScene,
  hub: PhotoPlace,
): Pick<PhotoCamera, 'tireLargerMm' | 'tireSigmaMm'> {
  const residualsOf = cameraResiduals({ ...photo, outline: [] }, scene, hub);
  const ends = begunAt(photo, scene, hub, residualsOf).map(({ at }) => gaussNewton(residualsOf, at, STEPS));
  const least = Math.min(...ends.map(({ cost }) => cost));
  return ends
    .filter(({ cost }) => cost <= least + AS_LIKELY)
    .map((end) => tireBeside(photo, scene, end))
    .reduce((a, b) => (Math.abs(b.tireLargerMm) / b.tireSigmaMm < Math.abs(a.tireLargerMm) / a.tireSigmaMm ? b : a));
}

function tireBeside(
  photo: WheelPhoto,
  scene: PhotoScene,
  { at, covariance }: Minimum,
): Pick<PhotoCamera, 'tireLargerMm' | 'tireSigmaMm'> {
  const meanAt = (numbers: Float64Array): number => {
    const off = tireResidual(photo, scene, cameraFrom(photo, scene, numbers));
    return off.reduce((sum, mm) => sum + mm, 0) / Math.max(1, off.length);
  };
  const tireLargerMm = meanAt(at);
  const slopes = STEPS.map((step, k) => {
    const moved = at.slice();
    moved[k] = at[k]! + step;
    return (meanAt(moved) - tireLargerMm) / step;
  });
  let variance = 0;
  slopes.forEach((a, j) => slopes.forEach((b, k) => (variance += a * covariance.get(j, k) * b)));
  return { tireLargerMm, tireSigmaMm: Math.hypot(Math.sqrt(variance), tireSpread(scene.rotor), PHOTO_USUAL.outlineMm) };
}

/** Pixels from the hub's mark to the rim's, in the mean; at least one. */
export const rimRadiusPx = (photo: WheelPhoto, hub: PhotoPlace): number => {
  const [hubX, hubY] = pixelOf(photo, hub);
  const sum = photo.rim.reduce((total, place) => {
    const [x, y] = pixelOf(photo, place);
    return total + Math.hypot(x - hubX, y - hubY);
  }, 0);
  return Math.max(1, sum / photo.rim.length);
};

const markSigma = ({ widthPx, heightPx, edgeRisePx = 0 }: WheelPhoto): number =>
  Math.hypot(PHOTO_USUAL.markShare * Math.max(widthPx, heightPx), PHOTO_USUAL.riseShare * edgeRisePx);

function usualFocal({ widthPx, heightPx, focal35Mm }: WheelPhoto): { readonly px: number; readonly share: number } {
  const { writtenFocal, anyFocal, anyFocal35Mm } = PHOTO_USUAL;
  const px = ((focal35Mm ?? anyFocal35Mm) * Math.hypot(widthPx, heightPx)) / FULL_FRAME_MM;
  return { px, share: focal35Mm === undefined ? anyFocal : writtenFocal };
}

/** y (wheel frame, mm) of the outer face of the rim's outer flange. */
const rimFaceMm = ({ rimWidthIn, centrePlaneMm }: Rotor): number =>
  centrePlaneMm + inToMm(rimWidthIn) / 2 + FLANGE_THICKNESS_MM;

/** mm by which a tire's radius lies beside its print. */
const tireSpread = ({ section }: Rotor): number => (USUAL.diameterShare * section.diameterMm) / 2;

const cameraFrom = (
  { widthPx, heightPx }: WheelPhoto,
  { rotor, mirrored }: PhotoScene,
  numbers: Float64Array,
): Camera => ({
  widthPx,
  heightPx,
  rotation: turnedFromSquare(numbers[TURN_X]!, numbers[TURN_Y]!, numbers[TURN_Z]!),
  at: [numbers[AT_X]!, numbers[AT_Y]!, numbers[AT_Z]!],
  about: [0, rimFaceMm(rotor), 0],
  focalPx: Math.exp(numbers[LOG_FOCAL]!),
  bend: numbers[BEND]!,
  mirrored,
});

/** mm outside the rim's edge, in its plane. */
function offRim(photo: WheelPhoto, { rotor }: PhotoScene, camera: Camera, place: PhotoPlace, rimMm: number): number {
  const met = onPlane(rayOf(camera, pixelOf(photo, place)), rimFaceMm(rotor));
  return met === null ? NaN : Math.hypot(met.at[0], met.at[2]) - rimEdgeRadiusMm(photo, rotor) - rimMm;
}

/** By tire mark, mm by which its line of sight passes outside the tire; inside: -. */
const tireResidual = (photo: WheelPhoto, { rotor }: PhotoScene, camera: Camera): number[] =>
  photo.outline.map((place) => passesBy(rayOf(camera, pixelOf(photo, place)), rotor));

const GOLDEN = (Math.sqrt(5) - 1) / 2;

/** Rounds of a golden-section search: to a thousandth of a tire's width. */
const ROUNDS = 16;

/** Least distance (mm) of a line of sight to the tire, - inside; the distance is convex along it where the tire is. */
function passesBy(ray: Ray, { filled, section, centrePlaneMm }: Rotor): number {
  const near = onPlane(ray, centrePlaneMm + section.widthMm);
  const far = onPlane(ray, centrePlaneMm - section.widthMm);
  if (!near || !far) return NaN;
  const gapAt = (t: number): number => {
    const [x, y, z] = [0, 1, 2].map((k) => ray.from[k]! + t * ray.along[k]!) as [number, number, number];
    return solidDistance(filled, y - centrePlaneMm, Math.hypot(x, z));
  };
  let [low, high] = [near.awayMm, far.awayMm];
  let [a, b] = [high - GOLDEN * (high - low), low + GOLDEN * (high - low)];
  let [gapA, gapB] = [gapAt(a), gapAt(b)];
  for (let round = 0; round < ROUNDS; round++) {
    if (gapA < gapB) {
      [high, b, gapB] = [b, a, gapA];
      a = high - GOLDEN * (high - low);
      gapA = gapAt(a);
    } else {
      [low, a, gapA] = [a, b, gapB];
      b = low + GOLDEN * (high - low);
      gapB = gapAt(b);
    }
  }
  return Math.min(gapA, gapB);
}

/** How level the picture is, in standard deviations: by how much up is turned from the picture's up, or from the plane of the plumb line. */
function levelMiss(photo: WheelPhoto, { up }: PhotoScene, camera: Camera): number {
  if (!photo.plumb) {
    const [x, y] = rotate(camera.rotation, up);
    return Math.atan2(x, -y) / toRadians(PHOTO_USUAL.levelDeg);
  }
  const [a, b] = photo.plumb.map((place) => rayOf(camera, pixelOf(photo, place)).along) as [Vec3, Vec3];
  const plane = cross(a, b);
  return Math.asin(dot(up, plane) / (length(plane) || 1)) / toRadians(PHOTO_USUAL.plumbDeg);
}

function cameraResiduals(
  photo: WheelPhoto,
  scene: PhotoScene,
  hub: PhotoPlace,
): (numbers: Float64Array) => Float64Array {
  const markPx = markSigma(photo);
  const focal = usualFocal(photo);
  const { rotor } = scene;
  const rimSigma = photo.rimEdgeMm === undefined ? PHOTO_USUAL.rimEdgeMm : PHOTO_USUAL.measuredRimEdgeMm;
  const tireSigma = Math.hypot(tireSpread(rotor), PHOTO_USUAL.outlineMm / 2);
  const hubAt = pixelOf(photo, hub);
  return (numbers) => {
    const camera = cameraFrom(photo, scene, numbers);
    const perMm = camera.focalPx / numbers[AT_Z]!;
    const outlinePx = Math.hypot(markPx, PHOTO_USUAL.outlineMm * Math.abs(perMm));
    const hubSeen = seenAt(camera, [0, camera.about[1] - numbers[INSET]!, 0]);
    return Float64Array.from([
      ...[0, 1].map((k) => ((hubSeen?.[k] ?? NaN) - hubAt[k]!) / (2 * markPx)),
      ...photo.rim.map((place) => (offRim(photo, scene, camera, place, numbers[RIM]!) * perMm) / markPx),
      ...tireResidual(photo, scene, camera).map((mm) => ((mm - numbers[TIRE]!) * perMm) / outlinePx),
      levelMiss(photo, scene, camera),
      numbers[TURN_X]! / toRadians(PHOTO_USUAL.tiltDeg),
      numbers[TURN_Y]! / toRadians(PHOTO_USUAL.tiltDeg),
      (numbers[LOG_FOCAL]! - Math.log(focal.px)) / focal.share,
      numbers[BEND]! / PHOTO_USUAL.bend,
      (numbers[INSET]! - PHOTO_USUAL.hubInsetMm) / PHOTO_USUAL.hubInsetSigmaMm,
      numbers[RIM]! / rimSigma,
      numbers[TIRE]! / tireSigma,
    ]);
  };
}
