import { madeCorner, madeCase } from '../../fixtures/made-corner';
import { expect, test } from '@jest/globals';
import { evaluateCase } from '../../4-clearance/verdict/evaluate';
import { setupForCorner, type CaseDescription } from '../../4-clearance/case/case-description';
import { fittedAsSetup } from '../../2-vehicle/setup/setup';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import { rotatedCase } from './rotation';

const narrow = { tire: { size: '265/70R17' }, wheel: { diameterIn: 17, widthIn: 8, offsetMm: 30 } };
const wide = { tire: { size: '285/70R17' }, wheel: { diameterIn: 17, widthIn: 9, offsetMm: 0 } };
const corner: CornerDescription = madeCorner({
  travel: { bumpMm: 80, droopMm: 80 },
  fitted: { ...narrow, spacerMm: 0 },
  obstacles: [{ id: 'lip', mount: 'body', material: 'sheetMetal', shape: { type: 'points', points: [[0, 100, 560]] } }],
});
const all = { frontLeft: corner, frontRight: corner, rearLeft: corner, rearRight: corner };
const base: CaseDescription = madeCase({ corners: all });
const common = fittedAsSetup(corner.fitted);

test('the same all round: a rotation changes nothing', () => {
  expect(rotatedCase(base)).toBeNull();
  expect(rotatedCase({ ...base, setup: { ...common, corners: { rearLeft: { spacerMm: 20 } } } })).toBeNull();
});

test('a staggered setup: the wide rear wheels come to the front, spacers and heights stay', () => {
  const rear = { ...wide, spacerMm: 12, suspensionLiftMm: 20 };
  const rotated = rotatedCase({ ...base, setup: { ...common, corners: { rearLeft: rear, rearRight: rear } } })!;
  expect(setupForCorner(rotated, 'frontLeft')).toMatchObject({ ...wide, spacerMm: 0, suspensionLiftMm: 0 });
  expect(setupForCorner(rotated, 'rearRight')).toMatchObject({ ...narrow, spacerMm: 12, suspensionLiftMm: 20 });
  // The wide tire is 14 mm taller and stands 30 mm further out: less is left under the same lip.
  const before = evaluateCase({ ...base, setup: { ...common, corners: { rearLeft: rear, rearRight: rear } } });
  const after = evaluateCase(rotated);
  const gap = (found: typeof before): number => found.obstacles.find((o) => o.corner === 'frontLeft')!.gapMm;
  expect(gap(before) - gap(after)).toBeGreaterThan(13);
});

test('as fitted, with other wheels at the rear: those come to the front', () => {
  const rear: CornerDescription = { ...corner, fitted: { ...wide, spacerMm: 5 } };
  const rotated = rotatedCase({ ...base, corners: { ...all, rearLeft: rear, rearRight: rear } })!;
  expect(setupForCorner(rotated, 'frontRight')).toMatchObject({ ...wide, spacerMm: 0 });
  expect(setupForCorner(rotated, 'rearLeft')).toMatchObject({ ...narrow, spacerMm: 5 });
});

test('one end known: the common setup stands for the other', () => {
  const one: CaseDescription = { ...base, corners: { frontLeft: corner } };
  expect(rotatedCase({ ...one, setup: common })).toBeNull();
  const rotated = rotatedCase({ ...one, setup: { ...common, corners: { frontLeft: wide } } })!;
  expect(setupForCorner(rotated, 'frontLeft')).toMatchObject(narrow);
});
