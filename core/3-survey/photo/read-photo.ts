import { rotate, transpose } from '../../1-base/geometry/pose';
import { attempt, joinPath, type Problem } from '../../1-base/problem';
import { MM_PER_IN } from '../../1-base/units/length';
import { readingScene, type SurveyScene } from '../landing/survey-scene';
import { photoCamera, rimEdgeRadiusMm, rimRadiusPx, type PhotoCamera } from './photo-camera';
import { PHOTO_MARKS, type WheelPhoto } from '../description/wheel-photo';

/** What a photo still needs, in the order in which it is marked. */
export type PhotoWant = 'hub' | 'rim' | 'outline';

/** A photo as far as it can be read: what is missing, why it cannot be, or where it was taken from. */
export type PhotoRead =
  | { readonly status: 'unfinished'; readonly wants: PhotoWant }
  | { readonly status: 'refused'; readonly problems: readonly Problem[] }
  | { readonly status: 'read'; readonly camera: PhotoCamera };

/** Within what a photo is read. Working values of this project, no published source. */
export const PHOTO_LIMITS = {
  /** Degrees from square. */
  tiltDeg: 35,
  /** Pixels of the rim's radius. */
  leastRimPx: 50,
  /** A rim's edge is one circle: standard deviations of a mark that its marks may be off in the mean, and one of them alone. */
  rimMean: 2.5,
  rimWorst: 5,
  /** Standard deviations by which the tire may look larger or smaller than it is beside the rim. */
  tire: 3,
  /** Share of the rim's radius over which its edge may be smeared. */
  riseShare: 0.06,
  /** Share of the rim's marks at which there must be an edge. */
  edgeShare: 0.5,
} as const;

/** Reads a photo of a corner against the wheel and tire it was surveyed with. `path` names it in problems. */
export function readPhoto(photo: WheelPhoto, survey: SurveyScene, path: string): PhotoRead {
  if (!photo.hub) return { status: 'unfinished', wants: 'hub' };
  if (photo.rim.length < PHOTO_MARKS.rim.least) return { status: 'unfinished', wants: 'rim' };
  if (photo.outline.length < PHOTO_MARKS.outline.least) return { status: 'unfinished', wants: 'outline' };
  const posed = attempt(() => readingScene(photo, 'body', survey, path));
  if (!posed.ok) return { status: 'refused', problems: posed.problems };
  const up = rotate(transpose(posed.value.scene.wheelPose.rotation), [0, 0, 1]);
  const found = attempt(() => photoCamera(photo, { rotor: survey.rotor, up, mirrored: survey.side === 'right' }));
  if (!found.ok) return { status: 'refused', problems: found.problems };
  const camera = found.value!;
  const flaw = flawOf(photo, camera, survey, path);
  return flaw ? { status: 'refused', problems: [flaw] } : { status: 'read', camera };
}

/** The first thing that keeps a photo from being read. */
function flawOf(photo: WheelPhoto, camera: PhotoCamera, { rotor }: SurveyScene, path: string): Problem | null {
  const { rimOffPx, markSigmaPx, tiltDeg, tireLargerMm, tireSigmaMm } = camera;
  const radiusPx = rimRadiusPx(photo, photo.hub!);
  const at = (key: string): string => joinPath(path, key);
  if (!(radiusPx >= PHOTO_LIMITS.leastRimPx)) {
    return {
      code: 'outOfRange',
      path: at('rim'),
      expected: `a wheel whose rim is at least ${2 * PHOTO_LIMITS.leastRimPx} pixels across in the picture`,
      found: `${(2 * radiusPx).toFixed(0)} pixels`,
    };
  }
  if ((photo.edgeShare ?? 1) < PHOTO_LIMITS.edgeShare) {
    return {
      code: 'missing',
      path: at('rim'),
      expected: 'the edge of a rim under the marks',
      found: `a change from dark to light at ${(100 * photo.edgeShare!).toFixed(0)} % of them`,
    };
  }
  const rise = photo.edgeRisePx ?? 0;
  if (rise > PHOTO_LIMITS.riseShare * radiusPx) {
    return {
      code: 'outOfRange',
      path: at('edgeRisePx'),
      expected: `a sharp picture: the edge of the rim within ${(PHOTO_LIMITS.riseShare * radiusPx).toFixed(0)} pixels`,
      found: `an edge smeared over ${rise.toFixed(0)} pixels`,
    };
  }
  const sizes = rimOffPx.map(Math.abs);
  const mean = Math.sqrt(sizes.reduce((sum, px) => sum + px * px, 0) / sizes.length);
  const worst = sizes.reduce((best, px, i) => (px > sizes[best]! ? i : best), 0);
  const isOneRim = mean <= PHOTO_LIMITS.rimMean * markSigmaPx && sizes[worst]! <= PHOTO_LIMITS.rimWorst * markSigmaPx;
  if (!isOneRim) {
    return {
      code: 'contradiction',
      path: joinPath(at('rim'), worst),
      expected: `marks on the edge of one rim, to ${(PHOTO_LIMITS.rimMean * markSigmaPx).toFixed(0)} pixels`,
      found: `${sizes[worst]!.toFixed(0)} pixels off it`,
    };
  }
  if (!(tiltDeg <= PHOTO_LIMITS.tiltDeg)) {
    return {
      code: 'outOfRange',
      path: at('rim'),
      expected: `a picture taken within ${PHOTO_LIMITS.tiltDeg} degrees of square to the wheel`,
      found: `${tiltDeg.toFixed(0)} degrees`,
    };
  }
  if (Math.abs(tireLargerMm) > PHOTO_LIMITS.tire * tireSigmaMm) {
    const radius = rotor.section.diameterMm / 2;
    const rimLike = (2 * rimEdgeRadiusMm(photo, rotor) * radius) / (radius + tireLargerMm) / MM_PER_IN;
    const rimIn = (2 * rimEdgeRadiusMm(photo, rotor)) / MM_PER_IN;
    return {
      code: 'contradiction',
      path: at('outline'),
      expected: `an outline as large as the fitted tire beside its rim (${(2 * radius).toFixed(0)} mm, rim's edge ${rimIn.toFixed(1)} in across)`,
      found: `a tire ${Math.abs(2 * tireLargerMm).toFixed(0)} mm ${tireLargerMm > 0 ? 'larger' : 'smaller'}, or a rim's edge ${rimLike.toFixed(1)} in across`,
    };
  }
  return null;
}

const known = new WeakMap<SurveyScene, readonly PhotoRead[]>();

/** The photos of a corner, each read once for all that ask; in the corner's order. */
export function photosRead(survey: SurveyScene): readonly PhotoRead[] {
  const before = known.get(survey);
  if (before) return before;
  const made = (survey.corner.photos ?? []).map((photo, i) => readPhoto(photo, survey, `photos[${i}]`));
  known.set(survey, made);
  return made;
}
