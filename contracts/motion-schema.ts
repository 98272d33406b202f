/** How a corner's wheel moves, as Zod schemas: hard points in the corner frame (mm), or tape measurements (mm, degrees). */
import { z } from 'zod';
import { LIMITS, type Range } from '@/core/1-base/limits';

export const within = ({ min, max }: Range) => z.number().min(min).max(max);

const coordinate = within(LIMITS.coordinateMm);

export const pointSchema = z.tuple([coordinate, coordinate, coordinate]);

const centre = within(LIMITS.instantCentreMm);
const joint = within(LIMITS.jointMm).optional();
const rise = within(LIMITS.riseMm).optional();
const arm = within(LIMITS.armMm);
const tieRodEnds = { tieRodInner: pointSchema.optional(), tieRodOuter: pointSchema.optional() };

/** A tie rod by tape: counted once its length is there. */
const tieRodTape = {
  tieRodMm: arm.optional(),
  tieRodBehindMm: joint,
  tieRodUpMm: joint,
  tieRodInboardMm: joint,
  tieRodRiseMm: rise,
};

/** An arm's inner pivot, inboard of the joint that it carries. */
const pivotY = z.number().min(-LIMITS.armMm.max).max(-150).optional();

const swingArm = z.strictObject({
  type: z.literal('swingArm'),
  frontView: z.strictObject({ y: centre, z: centre }).nullable().optional(),
  sideView: z.strictObject({ x: centre, z: centre }).nullable().optional(),
  upperPivotYMm: pivotY,
  lowerPivotYMm: pivotY,
});

const doubleWishbone = z.strictObject({
  type: z.literal('doubleWishbone'),
  points: z
    .strictObject({
      ucaFrontPivot: pointSchema,
      ucaRearPivot: pointSchema,
      upperBallJoint: pointSchema,
      lcaFrontPivot: pointSchema,
      lcaRearPivot: pointSchema,
      lowerBallJoint: pointSchema,
      ...tieRodEnds,
    })
    .optional(),
  tape: z
    .strictObject({
      lowerArmMm: arm,
      lowerArmRiseMm: rise,
      upperArmMm: arm.optional(),
      upperArmRiseMm: rise,
      lowerJointDownMm: joint,
      upperJointUpMm: joint,
      lowerJointInboardMm: joint,
      upperJointInboardMm: joint,
      upperJointBehindMm: joint,
      ...tieRodTape,
    })
    .optional(),
});

const macphersonStrut = z.strictObject({
  type: z.literal('macphersonStrut'),
  points: z
    .strictObject({
      strutTop: pointSchema,
      strutLower: pointSchema.optional(),
      lcaFrontPivot: pointSchema,
      lcaRearPivot: pointSchema,
      lowerBallJoint: pointSchema,
      ...tieRodEnds,
    })
    .optional(),
  tape: z
    .strictObject({
      lowerArmMm: arm,
      lowerArmRiseMm: rise,
      lowerJointDownMm: joint,
      lowerJointInboardMm: joint,
      topUpMm: joint,
      topInboardMm: joint,
      topBehindMm: joint,
      ...tieRodTape,
    })
    .optional(),
});

const beamAxle = z.strictObject({
  type: z.literal('beamAxle'),
  hubSpacingMm: within(LIMITS.hubSpacingMm),
  stopSpacingMm: within(LIMITS.stopSpacingMm).optional(),
  shockSpacingMm: within(LIMITS.stopSpacingMm).optional(),
  points: z
    .strictObject({
      linkPivot: pointSchema.optional(),
      lowerArmFrame: pointSchema.optional(),
      lowerArmAxle: pointSchema.optional(),
      upperArmFrame: pointSchema.optional(),
      upperArmAxle: pointSchema.optional(),
      panhardFrame: pointSchema.optional(),
      panhardAxle: pointSchema.optional(),
    })
    .optional(),
  leaf: z.boolean().optional(),
});

const trailingArm = z.strictObject({
  type: z.literal('trailingArm'),
  points: z.strictObject({ pivotInner: pointSchema, pivotOuter: pointSchema }).optional(),
  tape: z.strictObject({ armMm: arm, pivotRiseMm: rise, sweepDeg: within(LIMITS.sweepDeg).optional() }).optional(),
});

export const motionSchema = z.discriminatedUnion('type', [
  swingArm,
  doubleWishbone,
  macphersonStrut,
  beamAxle,
  trailingArm,
]);
