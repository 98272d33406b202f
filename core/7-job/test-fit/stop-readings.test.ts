import { describe, expect, test } from '@jest/globals';
import { FITTED, madeCorner } from '../../fixtures/made-corner';
import { countParts, fittedAsSetup } from '../../2-vehicle/setup/setup';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { TriedPosture } from './postures';
import { stopReadings } from './stop-readings';

const said = (
  tried: Partial<TriedPosture>,
  more: { readonly bumpStopMm?: number; readonly corner?: Partial<CornerDescription> } = {},
) =>
  stopReadings({
    key: 'frontLeft',
    corner: madeCorner({ travel: { bumpMm: 90, droopMm: 100 }, hubToLipMm: 520, ...more.corner }),
    setup: countParts({ ...fittedAsSetup(FITTED), suspensionLiftMm: 30, bumpStopMm: more.bumpStopMm ?? 0 }),
    postures: [{ kind: 'humpFrontLeft', done: true, ...tried }],
    trimmedMm: new Map(),
  });

describe('where the stop is, by what was read on a hump', () => {
  test('closed 15 mm sooner than surveyed: that much less bump', () => {
    expect(said({ hubToLipMm: 445, stopGapMm: 0 })).toEqual([
      { posture: 'humpFrontLeft', is: 'reached', thoughtMm: 90, foundMm: 75, bumpMm: 75 },
    ]);
  });
  test('a longer stop of the setup is none of the baseline', () => {
    expect(said({ hubToLipMm: 465, stopGapMm: 0 }, { bumpStopMm: 20 })).toEqual([
      { posture: 'humpFrontLeft', is: 'reached', thoughtMm: 70, foundMm: 55, bumpMm: 75 },
    ]);
  });
  test('still open beyond where it should close: it lets the wheel go further, which is the unsafe side', () => {
    expect(said({ hubToLipMm: 435, stopGapMm: 18 })).toMatchObject([{ is: 'further', foundMm: 103, bumpMm: 103 }]);
  });
  test.each([
    ['as surveyed', { hubToLipMm: 433, stopGapMm: 0 }],
    ['not reached, which says nothing', { hubToLipMm: 460, stopGapMm: 20 }],
    ['another wheel’s hump', { kind: 'humpFrontRight', hubToLipMm: 445, stopGapMm: 0 }],
    ['not done', { done: false, hubToLipMm: 445, stopGapMm: 0 }],
    ['no height', { stopGapMm: 0 }],
  ] as const)('nothing to learn: %s', (_, tried) => expect(said(tried)).toEqual([]));
  test('one wheel of a beam axle tells nothing of both', () => {
    expect(
      said({ hubToLipMm: 445, stopGapMm: 0 }, { corner: { motion: { type: 'beamAxle', hubSpacingMm: 1600 } } }),
    ).toEqual([]);
  });
});
