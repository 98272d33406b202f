import { FITTED, LEANING_AXIS, madeCase, madeCorner } from '../../fixtures/made-corner';
import { describe, expect, test } from '@jest/globals';
import { type CaseDescription } from '../../4-clearance/case/case-description';
import { fittedAsSetup } from '../../2-vehicle/setup/setup';
import type { MotionDescription } from '../../2-vehicle/motion/motion-description';
import { setupWork } from '../../6-decisions/plan/setup-work';
import { workOrder } from '../../6-decisions/plan/work-order';
import { planOf, stepOf, type Plan } from '../../6-decisions/plan/plan-step';
import { SHOP } from '../../fixtures/plan-wells';
import { NO_AXLE_CHANGE, NO_CHANGE } from '../../6-decisions/plan/setup-changes';
import type { LiftPart } from '../../2-vehicle/setup/lift-part';
import type { InstallKind } from './install-kind';
import { installSheet } from './install-sheet';
import { jobJoints } from './joints';
import { holds, type Piece } from './receiving';

const fitted = (parts: readonly LiftPart[], motion: MotionDescription): CaseDescription =>
  madeCase({
    corners: {
      rearLeft: madeCorner({
        motion,
        travel: { bumpMm: 80, droopMm: 90 },
        fitted: FITTED,
      }),
    },
    setup: { ...fittedAsSetup(FITTED), parts },
  });
const ARM: MotionDescription = { type: 'swingArm', frontView: null, sideView: null };
const BEAM: MotionDescription = { type: 'beamAxle', hubSpacingMm: 1600, leaf: true };
const BLOCK: LiftPart = {
  kind: 'block',
  thicknessMm: 50,
  replacesMm: 0,
  stopBearsOn: 'axle',
  droopSetBy: 'spring',
};

const sheet = (description: CaseDescription, plan: Plan | null = null) =>
  installSheet(
    description,
    plan,
    workOrder(plan ?? planOf(NO_CHANGE, []), SHOP, { setup: setupWork(description), description }),
  );
const kinds = (description: CaseDescription): InstallKind[] => sheet(description).map(({ kind }) => kind);
const inOrder = (all: readonly InstallKind[], ...wanted: InstallKind[]): void => {
  const places = wanted.map((kind) => all.indexOf(kind));
  expect(places.every((at) => at >= 0)).toBe(true);
  expect(places).toEqual([...places].sort((a, b) => a - b));
};

describe('the sheet follows the order of the trade (common practice, no source)', () => {
  test('support before loosening, lines off before it hangs, bushings tightened at ride height', () => {
    const all = kinds(fitted([{ kind: 'ride', liftMm: 40 }], ARM));
    inOrder(
      all,
      'soakBolts',
      'layOutParts',
      'supportAxle',
      'linesOff',
      'markOrientation',
      'unloadSpring',
      'fitPattern',
      'fitMirror',
      'looseUntilLoaded',
      'wheelsOn',
      'onItsWheels',
      'torqueAtHeight',
      'heightsAfter',
      'alignment',
    );
    expect(all).not.toContain('fitTogether');
  });

  test('a beam axle is done on both sides together, with its U-bolts; blocks need no spring compressor', () => {
    const all = kinds(fitted([BLOCK], BEAM));
    inOrder(all, 'supportAxle', 'linesOff', 'fitTogether', 'uBoltsLoose', 'torqueAtHeight');
    expect(all).not.toContain('unloadSpring');
    expect(all).not.toContain('fitPattern');
  });

  test('wheels alone take nothing apart: no soaking, no bushings', () => {
    const all = kinds(fitted([], ARM));
    expect(all).toEqual([
      'layOutParts',
      'heightsBefore',
      'liftVehicle',
      'wheelsOn',
      'brakeCheck',
      'onItsWheels',
      'heightsAfter',
    ]);
  });

  test('what the plan cuts comes after the vehicle stood on its wheels, what it unbolts before; cautions go with the step', () => {
    const at = { corner: 'rearLeft', obstacle: 'flap', label: 'Flap' } as const;
    const plan = planOf(NO_CHANGE, [
      stepOf(SHOP, 'cutSheetMetal', { ...at, obstacle: 'lip', label: 'Lip' }, 12),
      stepOf(SHOP, 'unbolt', at, 0),
    ]);
    const all = sheet(fitted([], ARM), plan);
    const index = (kind: string): number => all.findIndex(({ planned }) => planned?.kind === kind);
    const onWheels = all.findIndex(({ kind }) => kind === 'onItsWheels');
    expect(index('unbolt')).toBeLessThan(onWheels);
    expect(index('cutSheetMetal')).toBeGreaterThan(onWheels);
    expect(all[index('cutSheetMetal')]!.cautions).toContain('eyeProtection');
  });
});

describe('one account of the job', () => {
  const SPACER: LiftPart = { kind: 'springSpacer', thicknessMm: 20, motionRatio: 1 };
  const STOP: LiftPart = { kind: 'bumpStop', lengthMm: 20, motionRatio: 1 };
  const whole = madeCase({
    corners: {
      frontLeft: madeCorner({ motion: ARM, fitted: FITTED, steering: LEANING_AXIS }),
      frontRight: madeCorner({ motion: ARM, fitted: FITTED, steering: LEANING_AXIS }),
      rearLeft: madeCorner({ motion: BEAM, fitted: FITTED }),
    },
    setup: {
      ...fittedAsSetup(FITTED),
      tire: { size: '285/70R17' },
      spacerMm: 30,
      spacerType: 'boltOn',
      bodyLiftMm: 50,
      steerStopLeftDeg: 30,
      parts: [SPACER, STOP],
      corners: { rearLeft: { parts: [BLOCK], axleShiftMm: 15 } },
    },
  });
  const plan = planOf({ ...NO_CHANGE, front: { ...NO_AXLE_CHANGE, armAdjustDeg: 2 } }, [
    stepOf(SHOP, 'armAdjust', { axle: 'front' }, 2),
    stepOf(SHOP, 'trimPlastic', { corner: 'frontLeft', obstacle: 'cap', label: 'Cap' }, 12),
    stepOf(SHOP, 'tuckLiner', { corner: 'frontLeft', obstacle: 'liner', label: 'Liner' }, 10),
  ]);
  const setup = setupWork(whole);
  const order = workOrder(plan, SHOP, {
    setup,
    description: whole,
    prescribed: [{ text: 'Cut the pinch weld', source: 'page 4', minutes: 20 }],
  });
  const steps = installSheet(whole, plan, order);

  test('the sheet takes as long as the work order says, and no line of it is missing', () => {
    expect(steps.reduce((sum, { minutes }) => sum + minutes, 0)).toBe(order.minutes);
    const done = new Set(steps.flatMap(({ works }) => works.map((work) => JSON.stringify(work))));
    for (const work of setup) expect(done).toContain(JSON.stringify(work));
    for (const one of plan.steps)
      expect(
        steps.some(
          ({ planned, works }) => planned === one || works.some(({ as, at }) => as === one.kind && at === one.at),
        ),
      ).toBe(true);
    expect(steps.filter(({ kind }) => kind === 'prescribed')).toHaveLength(1);
  });

  test('a caution stands once for each axle, where its risk begins', () => {
    for (const axle of ['front', 'rear', null]) {
      const said = steps.filter((one) => one.axle === axle).flatMap(({ cautions }) => cautions);
      expect(said).toEqual([...new Set(said)]);
    }
    expect(steps.find(({ kind }) => kind === 'liftVehicle')!.cautions).toEqual([]);
    expect(steps.find(({ kind, axle }) => kind === 'supportAxle' && axle === 'rear')!.cautions).toEqual([
      'supportAxle',
    ]);
  });

  test('joints: two for a bolt-on spacer, U-bolts on leaves alone, bushings at ride height, the body’s own', () => {
    const joints = jobJoints(whole, plan).map(({ joint, axle }) => `${axle ?? 'body'} ${joint}`);
    expect(joints).toEqual([
      'body bodyMountBolts',
      'front springMounts',
      'front armBushings',
      'front bumpStopBolts',
      'front steeringStopNuts',
      'front tieRodLockNuts',
      'front spacerToHub',
      'front wheelToSpacer',
      'rear uBolts',
      'rear armBushings',
      'rear spacerToHub',
      'rear wheelToSpacer',
    ]);
    const coils = { ...whole, corners: { rearLeft: madeCorner({ motion: { type: 'beamAxle', hubSpacingMm: 1600 } }) } };
    expect(jobJoints(coils, null).map(({ joint }) => joint)).not.toContain('uBolts');
    expect(jobJoints(madeCase({ corners: { frontLeft: madeCorner() } }), null)).toEqual([]);
  });

  test('what an earlier job put on is not done again; what it put on and comes off is', () => {
    const again = { ...whole, installed: whole.setup };
    expect(setupWork(again)).toEqual([]);
    const higher = {
      ...again,
      setup: { ...whole.setup!, parts: [SPACER, STOP, { kind: 'ride', liftMm: 12.7 } as const] },
    };
    expect(setupWork(higher).map(({ what, part, sides }) => [what, part, sides])).toEqual([
      ['part', { kind: 'ride', liftMm: 12.7 }, 'both'],
    ]);
    const without = { ...again, setup: { ...whole.setup!, parts: [STOP], bodyLiftMm: 0, spacerMm: 0 } };
    expect(setupWork(without).map(({ what }) => what)).toEqual(['partOff', 'bodyLift', 'spacersOff', 'spacersOff']);
    // What comes off is bought by nobody, and its joints are opened all the same.
    const removal = workOrder(planOf(NO_CHANGE, []), SHOP, { setup: setupWork(without), description: without });
    expect(removal.parts.map(({ work }) => work?.what)).toEqual(['bodyLift']);
    expect(jobJoints(without, null)).toContainEqual({ joint: 'springMounts', axle: 'front' });
  });
});

describe('receiving', () => {
  const piece = (more: Partial<Piece>): Piece => ({ name: 'Block', wanted: 2, found: 2, state: 'right', ...more });
  test.each([
    [piece({}), []],
    [piece({ found: 1 }), ['tooFew']],
    [piece({ found: 3 }), ['tooMany']],
    [piece({ found: undefined }), ['notLooked']],
    [piece({ state: 'notLooked' }), ['notLooked']],
    [piece({ state: 'unknown' }), ['unknown']],
    [piece({ state: 'missing', found: 0 }), ['missing']],
    [piece({ besideOld: 'wrong' }), ['wrong']],
    [piece({ besideOld: 'asIntended' }), []],
  ])('%j', (one, why) => expect(holds([one]).map((hold) => hold.why)).toEqual(why));
});

describe('steps by what is really fitted', () => {
  const sheetOf = (setup: object, beam: boolean, leaf = false) =>
    sheet(
      madeCase({
        corners: {
          frontLeft: madeCorner({
            motion: beam
              ? { type: 'beamAxle', hubSpacingMm: 1600, leaf }
              : { type: 'swingArm', frontView: null, sideView: null },
          }),
        },
        setup: { ...fittedAsSetup(FITTED), ...setup },
      }),
    );
  const SPACER = { kind: 'springSpacer', thicknessMm: 20, motionRatio: 1 } as const;
  const BLOCK = { kind: 'block', thicknessMm: 50, replacesMm: 0, stopBearsOn: 'axle', droopSetBy: 'spring' } as const;

  test('bolt-on spacers have a step of their own before the wheels, with their two joints', () => {
    const kinds = sheetOf({ spacerMm: 30, spacerType: 'boltOn' }, false).map(({ kind }) => kind);
    expect(kinds.indexOf('spacersOn')).toBe(kinds.indexOf('wheelsOn') - 1);
    const step = sheetOf({ spacerMm: 30, spacerType: 'boltOn' }, false).find(({ kind }) => kind === 'spacersOn')!;
    expect(step).toMatchObject({ axle: 'front', spacerType: 'boltOn', cautions: ['cleanBareFaces', 'spacerLaw'] });
    expect(sheetOf({}, false).map(({ kind }) => kind)).not.toContain('spacersOn');
  });

  test('U-bolts are for leaf springs: none on coils, whatever the part', () => {
    expect(sheetOf({ parts: [BLOCK] }, true, true).map(({ kind }) => kind)).toContain('uBoltsLoose');
    expect(sheetOf({ parts: [SPACER] }, true).map(({ kind }) => kind)).not.toContain('uBoltsLoose');
    expect(sheetOf({ parts: [SPACER] }, true).find(({ kind }) => kind === 'supportAxle')!.isLeaf).toBe(false);
  });
});
