import { expect, test } from '@jest/globals';
import { distanceIn, parseDistance, parseSpeed, speedIn } from './distance';

// NIST SP 811, B.8: 1 mile = 1.609344 km.
test.each([
  ['80 km', 'mi', 80],
  ['50', 'mi', 80.4672],
  ['50', 'km', 50],
  ['50 miles', 'km', 80.4672],
  ['1,5 mi', 'km', 2.414016],
] as const)('%s where %s is usual is %f km', (text, bare, km) => expect(parseDistance(text, bare)).toBeCloseTo(km, 6));

test.each([
  ['70 mph', 'km', 112.65408],
  ['70', 'mi', 112.65408],
  ['110 km/h', 'mi', 110],
] as const)('%s where %s is usual is %f km/h', (text, bare, kmh) => expect(parseSpeed(text, bare)).toBeCloseTo(kmh, 6));

test('anything else is refused with what was found', () => {
  for (const text of ['', 'far', '50 ft', '-3', '1.2.3'])
    expect(() => parseDistance(text, 'km')).toThrow(`found ${text || 'nothing'}`);
  expect(() => parseSpeed('fast', 'km')).toThrow('70 mph');
});

test('written in the unit of the shop', () => {
  expect([distanceIn(80.4672, 'mi'), distanceIn(80.4672, 'km')]).toEqual(['50 mi', '80 km']);
  expect([speedIn(112.654, 'mi'), speedIn(110, 'km')]).toEqual(['70 mph', '110 km/h']);
});
