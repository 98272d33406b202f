import { expect, test } from '@jest/globals';
import { clockFromAngle, clockFromTapes } from './clock-finder';

test.each([
  [0, 'front', '12:00'],
  [30, 'front', '1:00'],
  [90, 'front', '3:00'],
  [90, 'rear', '9:00'],
  [52.5, 'rear', '10:15'],
] as const)('%s degrees from up in the %s half is %s', (degrees, half, clock) => {
  expect(clockFromAngle(degrees, half)).toBe(clock);
});

test('two tapes: a 3-4-5 triangle has 53.13 degrees, and level with the hub is 3:00 or 9:00', () => {
  // acos(300 / 500) = 53.13 degrees; 53 degrees on the clock of half degrees.
  expect(clockFromTapes(500, 300, 'front')).toBe('1:46');
  expect(clockFromTapes(500, 0, 'front')).toBe('3:00');
  expect(clockFromTapes(500, 0, 'rear')).toBe('9:00');
  expect(clockFromTapes(500, -500, 'rear')).toBe('6:00');
});

test('a place cannot stand higher above the hub than it is away from it', () => {
  expect(() => clockFromTapes(400, 410, 'front')).toThrow(/at most 400 mm/);
});
