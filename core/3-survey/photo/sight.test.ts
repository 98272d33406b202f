import { describe, expect, test } from '@jest/globals';
import { hardWell, type HardWell } from '../../fixtures/wells/hard-well';
import { photographed, USUAL_PHOTOGRAPHER, type Photographer } from '../../fixtures/wells/photographer';
import { TWO_PHOTOS } from '../../fixtures/wells/photo-surveyor';
import { distance, type Vec3 } from '../../1-base/geometry/vec3';
import type { CornerDescription } from '../description/corner-description';
import type { ObstacleDescription } from '../description/obstacle-description';
import { preparedUnder, type PreparedObstacle } from '../prepared/prepared-obstacle';
import { surveyedObstacles } from '../prepared/surveyed-obstacles';
import { surveyScene } from '../landing/survey-scene';

const photosOf = ({ truth }: HardWell, seed: number, photographers: readonly Photographer[]) =>
  photographers.map((how, i) => photographed(truth, seed + 1000 * i, how).photo);

const lipOf = ({ truth }: HardWell, more: Partial<ObstacleDescription> = {}): ObstacleDescription => ({
  ...truth.obstacles.find(({ id }) => id === 'fender-lip')!,
  shape: undefined,
  readings: [],
  readingsAs: 'arch',
  ...more,
});

/** The lip by photos alone, against the true tire and motion. */
function seenLip(well: HardWell, seed: number, photographers: readonly Photographer[]): PreparedObstacle {
  const corner: CornerDescription = {
    ...well.truth,
    photos: photosOf(well, seed, photographers),
    obstacles: [lipOf(well)],
  };
  return surveyedObstacles('frontLeft', corner)[0]!;
}

const truePlaces = ({ truth }: HardWell): readonly Vec3[] =>
  (truth.obstacles.find(({ id }) => id === 'fender-lip')!.shape as { points: readonly Vec3[] }).points;

const away = ([x, , z]: Vec3): number => Math.hypot(x, z);
const turn = ([x, , z]: Vec3): number => Math.atan2(x, z);

/** mm by which the edge stands further from the hub's line than the true lip, place by place, and the bound said of it. */
function radialMiss(well: HardWell, lip: PreparedObstacle): { off: number; said: number }[] {
  const truth = truePlaces(well);
  return lip.surveyed.edge!.flatMap(({ at, radialMm }) => {
    const nearest = truth.reduce((a, b) => (Math.abs(turn(b) - turn(at)) < Math.abs(turn(a) - turn(at)) ? b : a));
    return Math.abs(turn(nearest) - turn(at)) < 0.03 ? [{ off: away(at) - away(nearest), said: radialMm }] : [];
  });
}

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1]!;

describe('an edge seen on photos', () => {
  test('lies where the true one is: of ten made-up wells, two pictures, within 10 mm in the middle', () => {
    const off = Array.from({ length: 10 }, (_, i) => {
      const well = hardWell(200 + i);
      return radialMiss(well, seenLip(well, 200 + i, TWO_PHOTOS)).map((miss) => Math.abs(miss.off));
    });
    expect(median(off.flat())).toBeLessThan(10);
  });

  test('is known no better than it says: three in four of its places or more within the bounds for nine in ten', () => {
    const found = Array.from({ length: 10 }, (_, i) => {
      const well = hardWell(300 + i);
      return radialMiss(well, seenLip(well, 300 + i, [USUAL_PHOTOGRAPHER]));
    }).flat();
    const within = found.filter(({ off, said }) => Math.abs(off) < said).length / found.length;
    expect(within).toBeGreaterThan(0.75);
  });

  test('one number of the tape across makes it surer than the picture alone does', () => {
    const well = hardWell(7);
    const photos = photosOf(well, 7, [USUAL_PHOTOGRAPHER]);
    const top = truePlaces(well).reduce((a, b) => (Math.abs(turn(b)) < Math.abs(turn(a)) ? b : a));
    const { rotor } = surveyScene('frontLeft', well.truth);
    const reading = {
      clock: '12:00',
      across: 'tread',
      gapMm: away(top) - rotor.section.diameterMm / 2,
      outboardMm: top[1] - rotor.centrePlaneMm - rotor.section.widthMm / 2,
      steer: 'straight',
      travelMm: 0,
    } as const;
    const with_ = (readings: ObstacleDescription['readings']) =>
      surveyedObstacles('frontLeft', { ...well.truth, photos, obstacles: [lipOf(well, { readings })] })[0]!.surveyed;
    const [alone, taped] = [with_([]), with_([reading])];
    const doubt = ({ edge }: typeof alone): number => median(edge!.map(({ radialMm }) => radialMm));
    expect(doubt(taped)).toBeLessThan(0.8 * doubt(alone));
    expect(taped.seen).toHaveLength(photos[0]!.traces[0]!.along.length);
    expect(median(taped.seen.map(({ offMm }) => offMm))).toBeLessThan(6);
  });

  test('a photo that cannot be read says nothing: the thing is as if it were not there', () => {
    const well = hardWell(9);
    const [photo] = photosOf(well, 9, [USUAL_PHOTOGRAPHER]);
    const corner = { ...well.truth, photos: [{ ...photo!, edgeRisePx: 90 }], obstacles: [lipOf(well)] };
    expect(surveyedObstacles('frontLeft', corner)[0]!.edge).toBeNull();
  });

  test('of an edge that was cut since it says nothing', () => {
    const well = hardWell(9);
    const photos = photosOf(well, 9, [USUAL_PHOTOGRAPHER]);
    const [before, after] = [[], [{ lipRaisedMm: 12 }]].map((cuts) => {
      const corner = { ...well.truth, photos, obstacles: [lipOf(well, { cuts })] };
      return surveyedObstacles('frontLeft', corner)[0]!.seenCount;
    });
    expect(before).toBeGreaterThan(5);
    expect(after).toBe(0);
  });

  // The camera stood before the wheel: a rim that is 6 mm further out than was believed takes what was seen 6 mm out with it.
  test('moves out with the wheel it was seen beside', () => {
    const well = hardWell(12);
    const lip = seenLip(well, 12, TWO_PHOTOS);
    const { corner } = lip.survey;
    const offsetMm = well.truth.fitted.wheel.offsetMm! - 6;
    const moved = { ...corner, fitted: { ...corner.fitted, wheel: { ...corner.fitted.wheel, offsetMm } } };
    const under = preparedUnder(lip, surveyScene('frontLeft', moved));
    const lateral = under.surveyed.edge!.map(({ at }, i) => at[1] - lip.surveyed.edge![i]!.at[1]);
    expect(median(lateral)).toBeCloseTo(6, 0);
    expect(distance(under.surveyed.seen[0]!.at, lip.surveyed.seen[0]!.at)).toBeGreaterThan(4);
  });
});
