import { FITTED, madeCase, madeCorner } from '../../fixtures/made-corner';
import { describe, expect, test } from '@jest/globals';
import { type CaseDescription } from '../../4-clearance/case/case-description';
import { fittedAsSetup } from '../../2-vehicle/setup/setup';
import type { MotionDescription } from '../../2-vehicle/motion/motion-description';
import { planOf, stepOf } from '../../6-decisions/plan/plan-step';
import { SHOP } from '../../fixtures/plan-wells';
import { NO_CHANGE } from '../../6-decisions/plan/setup-changes';
import type { LiftPart } from '../../2-vehicle/setup/lift-part';
import { installSheet, type InstallKind } from './install-sheet';
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

const kinds = (description: CaseDescription): InstallKind[] => installSheet(description, null).map(({ kind }) => kind);
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
    const sheet = installSheet(fitted([], ARM), plan);
    const index = (kind: string): number => sheet.findIndex(({ planned }) => planned?.kind === kind);
    const onWheels = sheet.findIndex(({ kind }) => kind === 'onItsWheels');
    expect(index('unbolt')).toBeLessThan(onWheels);
    expect(index('cutSheetMetal')).toBeGreaterThan(onWheels);
    expect(sheet[index('cutSheetMetal')]!.cautions).toContain('eyeProtection');
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
    installSheet(
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
      null,
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
