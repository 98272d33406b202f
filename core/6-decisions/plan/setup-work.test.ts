import { describe, expect, test } from '@jest/globals';
import { FITTED, madeCase, madeCorner } from '../../fixtures/made-corner';
import { SHOP } from '../../fixtures/plan-wells';
import type { LiftPart } from '../../2-vehicle/setup/lift-part';
import { fittedAsSetup, type SetupDescription } from '../../2-vehicle/setup/setup';
import { planOf } from './plan-step';
import { NO_CHANGE } from './setup-changes';
import { cautionsOf, setupWork } from './setup-work';
import { workOrder } from './work-order';

const LINER = { id: 'liner', label: 'Liner', mount: 'body', material: 'liner', removable: true } as const;
const caseOf = (setup: Partial<SetupDescription>, corners: object = {}) =>
  madeCase({
    corners: {
      frontLeft: madeCorner({ obstacles: [LINER] }),
      frontRight: madeCorner(),
      rearLeft: madeCorner({ motion: { type: 'beamAxle', hubSpacingMm: 1600, leaf: true } }),
    },
    setup: { ...fittedAsSetup(FITTED), ...setup, corners },
  });
const kinds = (...of: Parameters<typeof caseOf>) =>
  setupWork(caseOf(...of)).map(({ what, at, sides }) => [what, 'axle' in at ? at.axle : 'elsewhere', sides]);

const SPACER: LiftPart = { kind: 'springSpacer', thicknessMm: 20, motionRatio: 1 };

describe('one account of what a setup asks for', () => {
  test('what is fitted asks for nothing', () => expect(setupWork(caseOf({}))).toEqual([]));

  test('parts on both sides are one piece of work, on one side that side’s', () => {
    expect(kinds({}, { frontLeft: { parts: [SPACER] }, frontRight: { parts: [SPACER] } })).toEqual([
      ['part', 'front', 'both'],
    ]);
    expect(kinds({}, { frontRight: { parts: [SPACER] } })).toEqual([['part', 'front', 'right']]);
    // The other side of the rear was not described: it is taken alike.
    expect(
      kinds(
        {},
        {
          rearLeft: {
            parts: [{ kind: 'block', thicknessMm: 50, replacesMm: 0, stopBearsOn: 'axle', droopSetBy: 'spring' }],
          },
        },
      ),
    ).toEqual([['part', 'rear', 'both']]);
  });

  test('an axle moved, lift by number, stops set, things taken off, spacers, wheels: none is missing', () => {
    const found = kinds(
      {
        spacerMm: 30,
        spacerType: 'boltOn',
        tire: { size: '285/70R17' },
        suspensionLiftMm: 40,
        bumpStopMm: 20,
        bodyLiftMm: 50,
      },
      { rearLeft: { axleShiftMm: 15 }, frontLeft: { removed: ['liner'] } },
    ).map(([what, axle]) => `${what} ${axle}`);
    expect(found).toEqual([
      'rideHeight front',
      'bumpStop front',
      'rideHeight rear',
      'bumpStop rear',
      'axleMove rear',
      'bodyLift elsewhere',
      'takeOff elsewhere',
      'spacer front',
      'wheelsAndTires front',
      'spacer rear',
      'wheelsAndTires rear',
    ]);
  });

  test('spacers that come off, or are changed for the other kind, are work; those that stay are not', () => {
    const rear = (more: Partial<SetupDescription>, fitted: object) =>
      setupWork(
        madeCase({
          corners: { rearLeft: madeCorner({ fitted: { ...FITTED, ...fitted } }) },
          setup: { ...fittedAsSetup(FITTED), ...more },
        }),
      ).map(({ what, spacerType }) => [what, spacerType]);
    expect(rear({ spacerMm: 0 }, { spacerMm: 25 })).toEqual([['spacersOff', null]]);
    expect(rear({ spacerMm: 25, spacerType: 'boltOn' }, { spacerMm: 25 })).toEqual([['spacer', 'boltOn']]);
    expect(rear({ spacerMm: 25 }, { spacerMm: 25, spacerType: 'slipOn' })).toEqual([]);
  });

  test('a spacer under the sway bar wants nothing that a wheel spacer wants', () => {
    const parts: LiftPart[] = [{ kind: 'swayBarDrop', dropMm: 40 }];
    const [bar] = setupWork(caseOf({}, { frontLeft: { parts }, frontRight: { parts } }));
    expect(cautionsOf(bar!)).not.toContain('spacerLaw');
    expect(cautionsOf(bar!)).not.toContain('cleanBareFaces');
  });

  test('every kind of part is work but a load', () => {
    const parts: LiftPart[] = [
      SPACER,
      { kind: 'ride', liftMm: 30 },
      { kind: 'upperArm', casterDeg: 2 },
      { kind: 'longerShock', extraMm: 30, motionRatio: 1 },
      { kind: 'load', weightKg: 80, share: 0.5, rateNPerMm: 40, motionRatio: 1 },
    ];
    const found = setupWork(caseOf({}, { frontLeft: { parts }, frontRight: { parts } }));
    expect(found.map(({ part }) => part?.kind)).toEqual(['springSpacer', 'ride', 'upperArm', 'longerShock']);
    // The suspension is taken apart once.
    expect(found.map(({ beside }) => beside)).toEqual([false, true, true, true]);
  });

  test('a work order without a plan is not empty: it stands the vehicle up, fits the parts, aligns and re-torques', () => {
    const description = caseOf(
      { spacerMm: 30, spacerType: 'boltOn' },
      { frontLeft: { parts: [SPACER] }, frontRight: { parts: [SPACER] } },
    );
    const setup = setupWork(description);
    const order = workOrder(planOf(NO_CHANGE, []), SHOP, { setup, description });
    expect(order.lines.map(({ what, work }) => work?.what ?? what)).toEqual([
      'stand',
      'part',
      'spacer',
      'spacer',
      'alignment',
      'reTorque',
    ]);
    expect(order.minutes).toBeGreaterThan(0);
    expect(order.parts.map(({ work, quantity }) => [work?.what, quantity])).toEqual([
      ['part', 2],
      ['spacer', 4],
    ]);
    expect(order.sums.labourMinor).toBe(order.lines.reduce((sum, { labourMinor }) => sum + labourMinor, 0));
  });
});
