import { expect, test } from '@jest/globals';
import { heightWords, kitWords } from './height-words';

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

test('what a kit promised and what came of it', () => {
  expect(kitWords({ promisedMm: 40, gotMm: 33 })).toBe('promised 40 mm (1 9/16 in), got 33 mm (1 5/16 in): 7 mm less');
  expect(kitWords({ promisedMm: 40, gotMm: 42 })).toMatch(/: as promised$/);
  expect(kitWords({ promisedMm: -25, gotMm: -31 })).toMatch(/: 6 mm less$/);
});
