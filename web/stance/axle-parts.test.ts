import { expect, test } from '@jest/globals';
import { asCase } from '@/contracts/as-case';
import { lowgapFileSchema } from '@/contracts/lowgap-file';
import { enteredSetupFor } from '@/core/4-clearance/case/case-description';
import { demoJobs } from '@/demo/demo-jobs';
import { addRide, axleParts, setAxleOffset, setAxleParts, type AxlePart } from './axle-parts';

const pickup = () => structuredClone(demoJobs().find(({ title }) => title.startsWith('Patrol'))!.document);

const LIFT: AxlePart = { part: { kind: 'ride', liftMm: 40 }, side: 'both' };
const SHIM: AxlePart = { part: { kind: 'springSpacer', thicknessMm: 5, motionRatio: 0.6 }, side: 'left' };

test('parts of an axle go to its corners, and come back as they were put', () => {
  const file = pickup();
  setAxleParts(file, 'front', [LIFT, SHIM]);
  expect(lowgapFileSchema.parse(file)).toEqual(file);
  expect(axleParts(file, 'front')).toEqual([LIFT, SHIM]);
  expect(enteredSetupFor(asCase(file), 'frontRight').parts).toEqual([LIFT.part]);
  expect(enteredSetupFor(asCase(file), 'frontLeft').parts).toHaveLength(2);
  expect(axleParts(file, 'rear')).toEqual([]);
  setAxleParts(file, 'front', []);
  expect(axleParts(file, 'front')).toEqual([]);
});

test('where nothing is tried yet it begins with what is fitted', () => {
  const { setup: _, ...file } = pickup();
  setAxleParts(file, 'rear', [LIFT]);
  expect(file).toMatchObject({ setup: { tire: file.corners.frontLeft!.fitted.tire } });
});

test('lift is added to what an axle has, shimmed on one side, and a lift of nothing is no part', () => {
  const file = pickup();
  addRide(file, 'front', 'both', 30);
  addRide(file, 'front', 'both', 10.04);
  addRide(file, 'front', 'right', 5);
  expect(axleParts(file, 'front')).toEqual([
    { part: { kind: 'ride', liftMm: 40 }, side: 'both' },
    { part: { kind: 'ride', liftMm: 5 }, side: 'right' },
  ]);
  addRide(file, 'front', 'right', -5);
  addRide(file, 'front', 'both', 0.01);
  expect(axleParts(file, 'front')).toEqual([{ part: { kind: 'ride', liftMm: 40 }, side: 'both' }]);
});

test('an axle’s wheels get another offset, whatever said where the pad was; the other axle keeps its own', () => {
  const file = pickup();
  file.setup!.wheel = { diameterIn: 17, widthIn: 8, backspacingMm: 140, backspacingSchool: 'lipToPad' };
  setAxleOffset(file, 'front', 18);
  expect(lowgapFileSchema.parse(file)).toEqual(file);
  expect(enteredSetupFor(asCase(file), 'frontRight').wheel).toEqual({ diameterIn: 17, widthIn: 8, offsetMm: 18 });
  expect(enteredSetupFor(asCase(file), 'rearLeft').wheel.backspacingMm).toBe(140);
});
