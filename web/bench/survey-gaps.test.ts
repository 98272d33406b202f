import { madeCorner } from '@/core/fixtures/made-corner';
import { expect, test } from '@jest/globals';
import type { CornerDescription } from '@/core/3-survey/description/corner-description';
import { surveyGaps } from './survey-gaps';

const corner: CornerDescription = madeCorner({
  travel: { bumpMm: 80, droopMm: 80 },
  fitted: { tire: { size: '265/70R17' }, wheel: { diameterIn: 17, widthIn: 8, offsetMm: 30 }, spacerMm: 0 },
});

test('a bare corner lacks its height and everything around the wheel', () => {
  expect(surveyGaps(corner)).toEqual([
    expect.stringContaining('Hub center to fender lip'),
    expect.stringContaining('Nothing around the wheel'),
  ]);
});

test('a listed thing without a number is named; a measured one is not', () => {
  const listed = { id: 'lip', label: 'Fender lip', mount: 'body', material: 'sheetMetal', readings: [] } as const;
  const known = { ...listed, id: 'cap', label: 'Cap', shape: { type: 'points', points: [[0, 0, 600]] } } as const;
  expect(surveyGaps({ ...corner, hubToLipMm: 520, obstacles: [listed, known] })).toEqual([
    'A gap to Fender lip: it is listed, but not measured.',
  ]);
});
