import { compose, inverse } from '../../1-base/geometry/pose';
import type { Problem } from '../../1-base/problem';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { CornerDescription } from '../description/corner-description';
import type { PhotoPlace, WheelPhoto } from '../description/wheel-photo';
import { readingScene, surveyScene, type SurveyScene } from '../landing/survey-scene';
import { placesSeen, rimSeen, tireSeen } from '../photo/outlines';
import { photosRead, type PhotoRead, type PhotoWant } from '../photo/read-photo';
import type { PreparedObstacle } from './prepared-obstacle';

/** What came of a photo: what it still wants, why it cannot be read, or what it shows. */
export type PhotoSaid = { readonly photoId: string } & (
  | { readonly status: 'unfinished'; readonly wants: PhotoWant }
  | { readonly status: 'refused'; readonly problems: readonly Problem[] }
  | ({ readonly status: 'read' } & PhotoShown)
);

/** A photo that was read. Outlines and edges as shares of its width and height; to be drawn over it. */
export interface PhotoShown {
  /** From square to the wheel, and from the rim. */
  readonly tiltDeg: number;
  readonly awayMm: number;
  readonly rim: readonly PhotoPlace[];
  readonly outline: readonly PhotoPlace[];
  /** Marks of the rim and of the tire that lie further off than a finger is. */
  readonly rimOff: readonly number[];
  readonly outlineOff: readonly number[];
  /** The fitted edges of the things that were traced on it. */
  readonly edges: readonly { readonly id: string; readonly along: readonly PhotoPlace[] }[];
  /** Where the fender's lip that was traced stands straight over the hub, against the tape's hub to lip; null: they agree, or one is missing. */
  readonly lip: LipBeside | null;
}

/** mm. */
export interface LipBeside {
  readonly saidMm: number;
  readonly tapedMm: number;
}

/** mm, and standard deviations, by which a lip on a photo may stand elsewhere than the tape says. Working values of this project. */
const LIP_MM = 15;
const LIP_SD = 2.5;

/** Standard deviations either way that hold 90 of 100. */
const NINETY = 1.645;

/** Standard deviations beyond which a mark is shown as off. */
const OFF_SD = 2.5;

/** mm by which a tire's outline is rough, in pixels counted with the mark's own error. Working value of this project. */
const ROUGH_MM = 6;

/** What came of the photos of a corner, in their order; `obstacles` as they were prepared. */
export function photosSaid(
  key: CornerKey,
  corner: CornerDescription,
  obstacles: readonly PreparedObstacle[],
): PhotoSaid[] {
  const { photos = [] } = corner;
  if (photos.length === 0) return [];
  const survey = obstacles[0]?.survey ?? surveyScene(key, corner);
  const read = photosRead(survey);
  return photos.map((photo, i) => ({ photoId: photo.photoId, ...said(photo, read[i]!, survey, obstacles) }));
}

function said(
  photo: WheelPhoto,
  read: PhotoRead,
  survey: SurveyScene,
  obstacles: readonly PreparedObstacle[],
):
  | { status: 'unfinished'; wants: PhotoWant }
  | { status: 'refused'; problems: readonly Problem[] }
  | ({ status: 'read' } & PhotoShown) {
  if (read.status !== 'read') return read;
  const { camera, markSigmaPx, rimOffPx, tireOffPx, tiltDeg, awayMm } = read.camera;
  const off = (px: readonly number[], sigma: number): number[] =>
    px.flatMap((value, i) => (Math.abs(value) > OFF_SD * sigma ? [i] : []));
  const lip = lipBeside(survey, obstacles, photo);
  const traced = obstacles.filter(({ id, edge }) => edge && photo.traces.some(({ of }) => of === id));
  return {
    status: 'read',
    tiltDeg,
    awayMm,
    rim: rimSeen(photo, camera, survey.rotor),
    outline: tireSeen(camera, survey.rotor),
    rimOff: off(rimOffPx, markSigmaPx),
    outlineOff: off(tireOffPx, Math.hypot(markSigmaPx, (ROUGH_MM * camera.focalPx) / awayMm)),
    edges: traced.map(({ id, mount, surveyed }) => {
      const { scene, mountPose } = readingScene(photo, mount === 'hub' ? 'knuckle' : mount, survey, '');
      const toWheel = compose(inverse(scene.wheelPose), mountPose);
      return {
        id,
        along: placesSeen(
          camera,
          toWheel,
          (surveyed.edge ?? []).map(({ at }) => at),
        ),
      };
    }),
    lip,
  };
}

function lipBeside(
  { corner }: SurveyScene,
  obstacles: readonly PreparedObstacle[],
  { traces }: WheelPhoto,
): LipBeside | null {
  const tapedMm = corner.hubToLipMm;
  const lip = obstacles.find(
    ({ id, mount, description, edge }) =>
      edge && mount === 'body' && description.readingsAs === 'arch' && traces.some(({ of }) => of === id),
  );
  const over = (lip?.surveyed.edge ?? []).filter(({ at }) => at[2] > 0);
  if (tapedMm === undefined || over.length === 0) return null;
  const top = over.reduce((a, b) => (Math.abs(b.at[0]) < Math.abs(a.at[0]) ? b : a));
  const saidMm = top.at[2];
  return Math.abs(saidMm - tapedMm) > LIP_MM + (LIP_SD / NINETY) * top.radialMm ? { saidMm, tapedMm } : null;
}
