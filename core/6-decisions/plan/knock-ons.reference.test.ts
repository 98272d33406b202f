/**
 * What a plan does beside what it is made for, against definitions: turning circle by low-speed (Ackermann) steering,
 * scrub radius as in ISO 8855:2011 (definition from memory), travel and track by subtraction.
 */
import { describe, expect, test } from '@jest/globals';
import type { CaseDescription } from '../../4-clearance/case/case-description';
import { evaluateCase } from '../../4-clearance/verdict/evaluate';
import { fittedAsSetup } from '../../2-vehicle/setup/setup';
import { FITTED, madeCase, madeCorner } from '../../fixtures/made-corner';
import { knockOns, type KnockOn, type VehicleFacts } from './knock-ons';
import { NO_AXLE_CHANGE, NO_CHANGE, withChanges, type AxleChanges, type VehicleChanges } from './setup-changes';

/** Upright steering axis 60 mm inboard of the mounting face: the scrub radius is 60 less the offset. */
const STEERING = { inclinationDeg: 0, casterDeg: 0, kingpinOffsetMm: 60, lockLeftDeg: 35, lockRightDeg: 30 };

const vehicle: CaseDescription = madeCase({
  corners: {
    frontLeft: madeCorner({
      steering: STEERING,
      obstacles: [
        {
          id: 'lip',
          label: 'Lip',
          mount: 'body',
          material: 'sheetMetal',
          shape: { type: 'points', points: [[0, 60, 530]] },
        },
        {
          id: 'rail',
          label: 'Rail',
          mount: 'frame',
          material: 'frame',
          shape: { type: 'points', points: [[0, -200, 100]] },
        },
      ],
    }),
    rearLeft: madeCorner(),
  },
  setup: fittedAsSetup(FITTED),
});

const after = (
  front: Partial<AxleChanges>,
  more: Partial<VehicleChanges> = {},
  facts: VehicleFacts = {},
): KnockOn[] => {
  const changes: VehicleChanges = { ...NO_CHANGE, ...more, front: { ...NO_AXLE_CHANGE, ...front } };
  const changed = withChanges(vehicle, changes);
  return knockOns(vehicle, changed, changes, { before: evaluateCase(vehicle), after: evaluateCase(changed) }, facts);
};
const of = <K extends KnockOn['kind']>(all: readonly KnockOn[], kind: K) =>
  all.filter((one): one is Extract<KnockOn, { kind: K }> => one.kind === kind);

test('nothing changed, nothing follows', () => {
  expect(after({})).toEqual([]);
});

describe('less lock', () => {
  test('the outer wheel of a right turn is the left one: its right lock, and the circle it then runs on', () => {
    const [circle] = of(after({ steeringStopDeg: 5 }, {}, { wheelbaseMm: 3000 }), 'turningCircle');
    expect(circle).toMatchObject({ turn: 'right', lessLockDeg: 5 });
    const expected = (lockDeg: number): number => 2 * (3000 / Math.sin((lockDeg * Math.PI) / 180) + (60 - 30));
    expect(circle!.circle!.beforeMm).toBeCloseTo(expected(30), 6);
    expect(circle!.circle!.afterMm).toBeCloseTo(expected(25), 6);
  });

  test('without a wheelbase the circle is not known, and is not said', () => {
    expect(of(after({ steeringStopDeg: 5 }), 'turningCircle')[0]!.circle).toBeNull();
  });
});

describe('wheels further out', () => {
  test('a spacer widens the track by twice its thickness and the scrub radius by it', () => {
    const all = after({ spacerMm: 12 });
    expect(of(all, 'track')).toEqual([{ kind: 'track', axle: 'front', widerMm: 24 }]);
    const [scrub] = of(all, 'scrubRadius');
    expect(scrub!.beforeMm).toBeCloseTo(60 - 30, 9);
    expect(scrub!.afterMm).toBeCloseTo(60 - 30 + 12, 9);
  });

  test('more offset does the opposite', () => {
    const all = after({ otherWheelMm: 8 });
    expect(of(all, 'track')[0]!.widerMm).toBeCloseTo(-16, 9);
    expect(of(all, 'scrubRadius')[0]!.afterMm).toBeCloseTo(60 - 38, 9);
  });
});

test('the scrub radius is that at the height it is then parked at: a leaning axis meets the ground elsewhere', () => {
  const INCLINATION = (12 * Math.PI) / 180;
  const ARM_MM = 400;
  const LIFT_MM = 90;
  const leaning = madeCase({
    corners: {
      frontLeft: madeCorner({
        steering: { ...STEERING, inclinationDeg: 12 },
        motion: { type: 'swingArm', frontView: { y: -ARM_MM, z: 0 } },
      }),
    },
    setup: fittedAsSetup(FITTED),
  });
  const changes = { ...NO_CHANGE, front: { ...NO_AXLE_CHANGE, liftMm: LIFT_MM } };
  const changed = withChanges(leaning, changes);
  const evaluations = { before: evaluateCase(leaning), after: evaluateCase(changed) };
  const [scrub] = of(knockOns(leaning, changed, changes, evaluations, {}), 'scrubRadius');
  // Hanging lower the knuckle leans its top outboard by the arm's angle. About the contact the ground turns by as much, and
  // meets the inclined axis nearer: the sine rule in the triangle of contact, axis and both grounds.
  const lean = Math.asin(LIFT_MM / ARM_MM);
  const nearer = 1 / (Math.cos(lean) + Math.sin(lean) * Math.tan(INCLINATION));
  expect(scrub!.afterMm / scrub!.beforeMm).toBeCloseTo(nearer, 6);
});

describe('travel', () => {
  test('a longer stop takes its length of bump travel', () => {
    expect(of(after({ bumpStopMm: 20 }), 'bumpTravel')).toEqual([
      { kind: 'bumpTravel', corner: 'frontLeft', beforeMm: 80, afterMm: 60 },
    ]);
  });

  test('a lift by the spring gives more of it, which is no loss', () => {
    expect(of(after({ liftMm: 25 }), 'bumpTravel')).toEqual([]);
  });
});

describe('an axle moved', () => {
  test('a front axle forward pulls the slip joint apart, a rear axle forward pushes it together', () => {
    const facts = { slipJointEngagedMm: 80, slipJointLeastMm: 50 };
    expect(of(after({ axleMoveMm: 25 }, {}, facts), 'axleMoved')[0]!.slipJoint).toEqual({ leftMm: 55, leastMm: 50 });
    const rear = after({}, { rear: { ...NO_AXLE_CHANGE, axleMoveMm: 25 } }, facts);
    expect(of(rear, 'axleMoved')[0]).toMatchObject({ axle: 'rear', slipJoint: { leftMm: 105 } });
  });

  test('nothing measured, nothing said of the joint', () => {
    expect(of(after({ axleMoveMm: 25 }), 'axleMoved')[0]!.slipJoint).toBeNull();
  });
});

test('a body lift names what stays where it was and still is near', () => {
  const near = madeCase({
    ...vehicle,
    corners: {
      frontLeft: madeCorner({
        steering: STEERING,
        obstacles: [
          {
            id: 'mount',
            label: 'Body mount',
            mount: 'frame',
            material: 'bodyMount',
            shape: { type: 'points', points: [[-405, -20, 0]] },
          },
          {
            id: 'lip',
            label: 'Lip',
            mount: 'body',
            material: 'sheetMetal',
            shape: { type: 'points', points: [[0, 60, 480]] },
          },
        ],
      }),
    },
  });
  const changes = { ...NO_CHANGE, bodyLiftMm: 75 };
  const changed = withChanges(near, changes);
  const all = knockOns(near, changed, changes, { before: evaluateCase(near), after: evaluateCase(changed) }, {});
  expect(of(all, 'bodyLift')).toEqual([{ kind: 'bodyLift', liftMm: 75, stay: ['Body mount'] }]);
});
