import { expect, test } from '@jest/globals';
import { heightWords } from './height-words';

test('heights are said as a shop would say them', () => {
  expect(
    heightWords({
      is: 'overshoots',
      axle: 'rear',
      byMm: 12.7,
      instead: { kind: 'block', fromMm: 31.75, toMm: 19.05 },
    }),
  ).toBe('Rear: overshoots what is wanted by 12.7 mm (1/2 in); order 3/4 in blocks instead of 1 1/4 in.');
  expect(heightWords({ is: 'fallsShort', axle: 'front', byMm: 25.4, instead: null })).toBe(
    'Front: falls short of what is wanted by 25.4 mm (1 in).',
  );
  expect(heightWords({ is: 'noseHigh', byMm: 6.35 })).toContain('(1/4 in) against the rake wanted');
  expect(heightWords({ is: 'asWanted', axle: 'front' })).toBe('Front: as wanted.');
});
