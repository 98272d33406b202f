import { expect, test } from '@jest/globals';
import { asCase } from '@/contracts/as-case';
import { lowgapFileSchema } from '@/contracts/lowgap-file';
import { setupForCorner } from '@/core/clearance/description';
import { demoJobs } from '@/demo/demo-jobs';
import { axleParts, setAxleParts, type AxlePart } from './axle-parts';

const pickup = () => structuredClone(demoJobs().find(({ title }) => title.startsWith('Patrol'))!.document);

const LIFT: AxlePart = { part: { kind: 'ride', liftMm: 40 }, side: 'both' };
const SHIM: AxlePart = { part: { kind: 'springSpacer', thicknessMm: 5, motionRatio: 0.6 }, side: 'left' };

test('parts of an axle go to its corners, and come back as they were put', () => {
  const file = pickup();
  setAxleParts(file, 'front', [LIFT, SHIM]);
  expect(lowgapFileSchema.parse(file)).toEqual(file);
  expect(axleParts(file, 'front')).toEqual([LIFT, SHIM]);
  expect(setupForCorner(asCase(file), 'frontRight').parts).toEqual([LIFT.part]);
  expect(setupForCorner(asCase(file), 'frontLeft').parts).toHaveLength(2);
  expect(axleParts(file, 'rear')).toEqual([]);
  setAxleParts(file, 'front', []);
  expect(axleParts(file, 'front')).toEqual([]);
});

test('where nothing is tried yet it begins with what is fitted', () => {
  const { setup: _, ...file } = pickup();
  setAxleParts(file, 'rear', [LIFT]);
  expect(file).toMatchObject({ setup: { tire: file.corners.frontLeft!.fitted.tire } });
});
