import { describe, expect, test } from '@jest/globals';
import { hardWell } from '../../fixtures/wells/hard-well';
import { photographed, USUAL_PHOTOGRAPHER } from '../../fixtures/wells/photographer';
import type { CornerDescription } from '../description/corner-description';
import type { PhotoPlace } from '../description/wheel-photo';
import { photosSaid, type PhotoSaid } from './photos-said';
import { surveyedObstacles } from './surveyed-obstacles';

const { truth } = hardWell(4);
const { photo } = photographed(truth, 4, USUAL_PHOTOGRAPHER);
const trueLip = truth.obstacles.find(({ id }) => id === 'fender-lip')!;
const lip = { ...trueLip, shape: undefined, readings: [], readingsAs: 'arch' as const };
/** The lip's true height straight over the hub. */
const overHub = trueLip.shape!.points.reduce((a, b) => (Math.abs(b[0]) < Math.abs(a[0]) ? b : a))[2];

function said(more: Partial<CornerDescription> = {}): PhotoSaid {
  const corner = { ...truth, hubToLipMm: overHub, photos: [photo], obstacles: [lip], ...more };
  return photosSaid('frontLeft', corner, surveyedObstacles('frontLeft', corner))[0]!;
}
const read = (found: PhotoSaid) => {
  if (found.status !== 'read') throw new Error(JSON.stringify(found));
  return found;
};
const px = (a: PhotoPlace, b: PhotoPlace): number =>
  Math.hypot((a.x - b.x) * photo.widthPx, (a.y - b.y) * photo.heightPx);
const nearest = (to: PhotoPlace, places: readonly PhotoPlace[]): number =>
  Math.min(...places.map((one) => px(one, to)));

describe('what a photo is said to show', () => {
  test('rim, outline and traced edge are drawn where they were marked', () => {
    const { rim, outline, edges, rimOff, outlineOff } = read(said());
    // Places of an outline are 5 degrees apart: a mark is at most half of that and a finger off it.
    for (const mark of photo.rim) expect(nearest(mark, rim)).toBeLessThan(25);
    for (const mark of photo.outline) expect(nearest(mark, outline)).toBeLessThan(35);
    expect(edges.map(({ id }) => id)).toEqual(['fender-lip']);
    for (const mark of photo.traces.find(({ of }) => of === 'fender-lip')!.along)
      expect(nearest(mark, edges[0]!.along)).toBeLessThan(25);
    expect([rimOff, outlineOff]).toEqual([[], []]);
  });

  test('the mark that lies off the others is named', () => {
    const rim = photo.rim.map((place, i) =>
      i === 2 ? { x: photo.hub!.x + 1.055 * (place.x - photo.hub!.x), y: place.y } : place,
    );
    expect(read(said({ photos: [{ ...photo, rim }] })).rimOff).toContain(2);
  });

  test('a tape that puts the lip elsewhere contradicts it, one that does not does not', () => {
    expect(read(said()).lip).toBeNull();
    const other = read(said({ hubToLipMm: overHub - 90 })).lip!;
    expect(other.tapedMm).toBe(overHub - 90);
    expect(other.saidMm - other.tapedMm).toBeGreaterThan(45);
    expect(read(said({ hubToLipMm: undefined })).lip).toBeNull();
  });

  test('without a part yet it is read all the same, and a photo that cannot be is said with why', () => {
    expect(read(said({ obstacles: [] })).edges).toEqual([]);
    expect(said({ photos: [{ ...photo, outline: [] }] })).toEqual({
      photoId: photo.photoId,
      status: 'unfinished',
      wants: 'outline',
    });
    expect(said({ photos: [{ ...photo, edgeShare: 0.2 }] })).toMatchObject({
      status: 'refused',
      problems: [{ code: 'missing', path: 'photos[0].rim' }],
    });
    const none = { ...truth, obstacles: [] };
    expect(photosSaid('frontLeft', none, [])).toEqual([]);
  });
});
