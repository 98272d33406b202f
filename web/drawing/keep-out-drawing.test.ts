import { describe, expect, test } from '@jest/globals';
import type { KeepOut, KeepOutField } from '@/core/4-clearance/pictures/keep-out';
import { keepOutDrawing } from './keep-out-drawing';

const window = { fromAMm: -100, fromRMm: 200, stepMm: 2, columns: 100, rows: 80 };
const placeOf = (i: number): readonly [number, number] => [
  window.fromAMm + ((i % window.columns) + 0.5) * window.stepMm,
  window.fromRMm + (Math.floor(i / window.columns) + 0.5) * window.stepMm,
];

/** Two half planes meeting at a = 0: above r = 300 on the left, above 320 on the right. */
function field(): KeepOutField {
  const count = window.columns * window.rows;
  const touch = (i: number): number => {
    const [a, r] = placeOf(i);
    return (a < 0 ? 300 : 320) - r;
  };
  return {
    touchMm: Float32Array.from({ length: count }, (_, i) => touch(i)),
    wantedMm: Float32Array.from({ length: count }, (_, i) => touch(i) - 8),
    obstacle: Int16Array.from({ length: count }, (_, i) => (placeOf(i)[0] < 0 ? 0 : 1)),
    posture: Int32Array.from({ length: count }, (_, i) => (placeOf(i)[0] < 0 ? 0 : 1)),
  };
}
const picture: KeepOut = {
  window,
  zones: { free: field(), ground: null, inside: null },
  obstacles: ['lip', 'cap'],
  postures: [
    { travel: 40, steer: 0 },
    { travel: -20, steer: 0.5 },
  ],
  thinnedBy: 1,
};

describe('the keep-out region as lines', () => {
  const { zones, strands } = keepOutDrawing(picture);

  test('its edge lies where nothing is left, and the wanted room is that much outside it', () => {
    const level = (rings: (typeof zones)[number]['region'], a: number): number =>
      Math.min(...rings.flat().flatMap(([x, r]) => (Math.abs(x - a) < 3 ? [r] : [])));
    expect(level(zones[0]!.region, -50)).toBeCloseTo(300, 4);
    expect(level(zones[0]!.wanted, -50)).toBeCloseTo(292, 4);
    expect(level(zones[0]!.region, 50)).toBeCloseTo(320, 4);
  });

  test('each stretch of the edge names its obstacle and posture; the window itself is no edge', () => {
    expect(strands.map(({ obstacle }) => obstacle).sort()).toEqual(['cap', 'lip']);
    const lip = strands.find(({ obstacle }) => obstacle === 'lip')!;
    for (const [a, r] of lip.places) {
      expect(a).toBeLessThan(2);
      expect(r).toBeLessThan(322);
    }
    expect(lip.postures[0]).toEqual([0, 40]);
    expect(strands.find(({ obstacle }) => obstacle === 'cap')!.postures[0]![0]).toBeCloseTo(28.6, 1);
  });
});
