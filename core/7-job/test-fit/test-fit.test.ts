import { FITTED, LEANING_AXIS, madeCorner } from '../../fixtures/made-corner';
import { describe, expect, test } from '@jest/globals';
import { LOCK_TO_LOCK } from '../../5-consequences/calibration/fit-run';
import { fittedSetup, type Setup } from '../../2-vehicle/setup/setup';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import { fitObservations, type Finding, type FittedCorner } from './fit-observations';
import { heightVerdict } from './height-check';
import type { TriedPosture } from './postures';
import { runOf, travelAt, untried } from './tried';

const CORNER: CornerDescription = madeCorner({
  steering: LEANING_AXIS,
  travel: { bumpMm: 90, droopMm: 100 },
  hubToLipMm: 520,
  fitted: FITTED,
  obstacles: [{ id: 'lip', mount: 'body', material: 'sheetMetal', shape: { type: 'points', points: [[0, 90, 560]] } }],
});
const LIFTED: Setup = { ...fittedSetup(FITTED), suspensionLiftMm: 40 };
const posture = (kind: TriedPosture['kind'], more: Partial<TriedPosture> = {}): TriedPosture => ({
  kind,
  done: true,
  ...more,
});

describe('how far it really went', () => {
  test('travel is what the hub stands nearer the lip than at the survey; a body lift moves the lip, not the hub', () => {
    expect(travelAt(CORNER, LIFTED, 560)).toBe(-40);
    expect(travelAt(CORNER, { ...LIFTED, bodyLiftMm: 50 }, 610)).toBe(-40);
    const { hubToLipMm: _, ...unread } = CORNER;
    expect(travelAt(unread, LIFTED, 560)).toBeNull();
  });

  test('a hump takes the wheel from where it is parked to where it was read; at the stop it is where the stop is', () => {
    const hump = posture('humpFrontLeft', { hubToLipMm: 470 });
    expect(runOf(CORNER, LIFTED, hump)).toEqual({ lowMm: -40, highMm: 50, ...LOCK_TO_LOCK });
    expect(runOf(CORNER, LIFTED, { ...hump, stopGapMm: 0 })).toMatchObject({ highMm: 90 });
    expect(runOf(CORNER, LIFTED, posture('humpFrontLeft'))).toBeNull();
    expect(runOf(CORNER, LIFTED, posture('rideReverse'))).toMatchObject({ lowMm: -40, highMm: -40 });
  });

  test('a flex that did not reach the stop is not taken for a pass: what was not reached is named', () => {
    const done = [posture('rideForward'), posture('humpFrontLeft', { hubToLipMm: 470 })];
    expect(untried('frontLeft', CORNER, LIFTED, done)).toEqual([
      { what: 'rideReverse' },
      { what: 'loaded' },
      { what: 'bump', reachedMm: 50, limitMm: 90 },
      { what: 'droop', reachedMm: -40, limitMm: -100 },
    ]);
    const all = [
      ...done,
      posture('rideReverse'),
      posture('loaded', { hubToLipMm: 540 }),
      posture('humpFrontLeft', { stopGapMm: 0 }),
      // Flexed the other way the wheel hangs.
      posture('humpFrontRight', { hubToLipMm: 618 }),
    ];
    expect(untried('frontLeft', CORNER, LIFTED, all)).toEqual([]);
    expect(untried('frontLeft', CORNER, LIFTED, [posture('humpFrontLeft')])).toContainEqual({
      what: 'notMeasured',
      posture: 'humpFrontLeft',
    });
  });
});

test('findings become evidence in the postures they were found in; what cannot be used says why', () => {
  const at: FittedCorner = {
    key: 'frontLeft',
    corner: CORNER,
    setup: LIFTED,
    postures: [posture('rideForward'), posture('humpFrontLeft')],
    hubToLipMm: 563,
    trimmedMm: new Map([['lip', 12]]),
  };
  const found = (more: Partial<Finding>): Finding => ({
    corner: 'frontLeft',
    obstacle: 'lip',
    posture: 'rideForward',
    seen: 'mark',
    ...more,
  });
  const usable = fitObservations(at, [
    found({}),
    found({ posture: 'humpFrontLeft' }),
    found({ obstacle: 'arm' }),
    found({ seen: 'gap' }),
    found({ corner: 'frontRight' }),
  ]);
  expect(usable).toHaveLength(4);
  expect(usable[0]).toMatchObject({
    observation: { obstacle: 'lip', seen: { kind: 'mark' }, gainedMm: 12, run: { lowMm: -43, highMm: -43 } },
  });
  expect(usable.slice(1).map((one) => ('why' in one ? one.why : null))).toEqual([
    'postureNotMeasured',
    'notSurveyed',
    'noGap',
  ]);
});

describe('heights against the expected band', () => {
  const expected = { mm: 560, lowMm: 552, highMm: 566 };
  test.each([
    [558, { is: 'within' }],
    [540, { is: 'below', byMm: 12 }],
    [570, { is: 'above', byMm: 4 }],
    [5600, { is: 'cannotBe', meantMm: 560 }],
    [56, { is: 'cannotBe', meantMm: 560 }],
    [22, { is: 'cannotBe', meantMm: expect.closeTo(558.8, 6) }],
    [300, { is: 'cannotBe', meantMm: null }],
  ] as const)('%d mm', (mm, verdict) => expect(heightVerdict(expected, mm)).toEqual(verdict));
});
