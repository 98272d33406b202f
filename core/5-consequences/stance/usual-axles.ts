import type { CaseDescription } from '../../4-clearance/case/case-description';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { AxleMeasured } from './findings';

/** The two kinds of front axle whose lifts differ most. */
export type AxleKind = 'independent' | 'beam';

/** A front axle that nobody owns, and what a tape would find below it. */
export interface UsualAxle {
  readonly description: CaseDescription;
  readonly measured: AxleMeasured;
}

const CORNER = {
  staticCamberDeg: 0,
  staticToeDeg: 0,
  fitted: {
    tire: { size: '265/70R17' },
    wheel: { diameterIn: 17, widthIn: 8, offsetMm: 30 },
    spacerMm: 0,
  },
  obstacles: [],
} as const;

const caseOf = (corner: CornerDescription): CaseDescription => ({
  corners: { frontLeft: corner },
  envelope: 'trail',
  standard: 'neverRub',
});

/**
 * Usual front axles of light trucks, to show somebody new what heights ask for before anything is measured: working values of this project, set so that what
 * they call for is the trade's (common practice, no source). They stand for no vehicle.
 */
export const USUAL_AXLES: Readonly<Record<AxleKind, UsualAxle>> = {
  independent: {
    description: caseOf({
      ...CORNER,
      motion: {
        type: 'doubleWishbone',
        tape: { lowerArmMm: 430, lowerArmRiseMm: 25, upperArmMm: 320, upperArmRiseMm: 20, upperJointUpMm: 190 },
      },
      steering: { lockLeftDeg: 37, lockRightDeg: 32 },
      travel: { bumpMm: 85, droopMm: 90 },
    }),
    measured: {
      underside: {
        shockOpenMm: 570,
        shockClosedMm: 430,
        shockNowMm: 500,
        brakeHoseSpareMm: 80,
        sensorWireSpareMm: 90,
      },
      ability: {
        camberByDeg: 1.5,
        casterByDeg: 2,
        jointMostDeg: 31,
        upperJointMostDeg: 44,
        shaftMostDeg: 26,
        shockRatio: 0.62,
      },
      halfShaft: { innerInboardMm: 560, innerRiseMm: 20, outerInboardMm: 70 },
      swayBar: { armMm: 260, armRiseMm: 0, linkMm: 120, linkLeanMm: 10, linkRunsUp: false, linkRatio: 0.6 },
    },
  },
  beam: {
    description: caseOf({
      ...CORNER,
      motion: {
        type: 'beamAxle',
        hubSpacingMm: 1600,
        stopSpacingMm: 900,
        shockSpacingMm: 1020,
        points: { linkPivot: [-900, -140, -20], panhardFrame: [70, -330, 110], panhardAxle: [70, -1330, 60] },
      },
      steering: { inclinationDeg: 8, casterDeg: 5, kingpinOffsetMm: 110, lockLeftDeg: 37, lockRightDeg: 32 },
      travel: { bumpMm: 90, droopMm: 110 },
    }),
    measured: {
      underside: {
        shockOpenMm: 610,
        shockClosedMm: 390,
        shockNowMm: 500,
        brakeHoseSpareMm: 60,
        sensorWireSpareMm: 70,
      },
      ability: { camberByDeg: 0, casterByDeg: 4, shaftMostDeg: 13, shockRatio: 1 },
      driveshaft: {
        axle: 'front',
        lengthMm: 800,
        riseMm: 80,
        outputDeg: 3,
        pinionDeg: 5,
        pinionReachMm: 250,
        pinionRiseMm: 0,
        engagedMm: 64,
        leastMm: 50,
      },
      slipJointLeastMm: 50,
      swayBar: { armMm: 260, armRiseMm: 0, linkMm: 330, linkLeanMm: 10, linkRunsUp: false, linkRatio: 1 },
      dragLink: { runsTo: 'right', acrossMm: 960, riseMm: 52, armMm: 160, armAhead: true, steeringRatio: 16 },
    },
  },
};
