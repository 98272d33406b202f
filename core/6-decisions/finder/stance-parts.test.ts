import { FITTED, madeCase, madeCorner } from '../../fixtures/made-corner';
import { expect, test } from '@jest/globals';
import { type CaseDescription } from '../../4-clearance/case/case-description';
import { fittedAsSetup, countParts } from '../../2-vehicle/setup/setup';
import { stanceSetup } from './candidates';

const STANDS = { liftKind: null, liftMm: 0, bumpStopMm: 0, steeringStopDeg: 0, axleShiftMm: 0 } as const;

test('a lift put into the stance counts in the finder, and what the finder tries comes on top of it', () => {
  const description: CaseDescription = madeCase({
    corners: {
      frontLeft: madeCorner({
        travel: { bumpMm: 90, droopMm: 100 },
        fitted: FITTED,
      }),
    },
    setup: {
      ...fittedAsSetup(FITTED),
      corners: { frontLeft: { parts: [{ kind: 'strutTopSpacer', thicknessMm: 20, motionRatio: 0.5 }] } },
    },
  });
  const counted = (stance: Parameters<typeof stanceSetup>[2]) =>
    countParts(stanceSetup(description, 'frontLeft', stance));
  expect(counted(STANDS)).toMatchObject({ suspensionLiftMm: 40, bumpLimitShiftMm: -40, droopLimitShiftMm: -40 });
  expect(counted({ ...STANDS, liftKind: 'spring', liftMm: 25 })).toMatchObject({
    suspensionLiftMm: 65,
    bumpLimitShiftMm: -40,
  });
});
