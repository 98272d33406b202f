/** Parts that lift or lower a corner, as Zod schemas. Units in the names. */
import { z } from 'zod';
import { LIMITS } from '@/core/1-base/limits';
import { within } from './motion-schema';
import { plainText } from './plain-text';

const text = (max: number) => plainText(max).trim().min(1);

const partLength = within(LIMITS.partMm);
const motionRatio = within(LIMITS.motionRatio);

const springRate = within(LIMITS.springRateNPerMm);
const coilSpring = z.strictObject({ freeLengthMm: z.number().min(50).max(1200), rateNPerMm: springRate });

const shockLength = within(LIMITS.shockLengthMm);
/** A part with the names of its numbers that stand in until somebody reads them. */
const part = <Shape extends z.ZodRawShape>(shape: Shape) =>
  z.strictObject({ ...shape, starting: z.array(text(40)).max(12).optional() });

export const liftPartSchema = z.discriminatedUnion('kind', [
  part({ kind: z.literal('ride'), liftMm: partLength }),
  part({ kind: z.literal('springSpacer'), thicknessMm: partLength, motionRatio }),
  part({
    kind: z.literal('collar'),
    lowestOverSeatMm: partLength,
    turns: within(LIMITS.turns),
    pitchMm: within(LIMITS.threadPitchMm),
    motionRatio,
  }),
  part({
    kind: z.literal('torsionBar'),
    turns: z.number().min(-LIMITS.turns.max).max(LIMITS.turns.max),
    pitchMm: within(LIMITS.threadPitchMm),
    keyMm: within(LIMITS.keyMm),
    armMm: within(LIMITS.armMm),
  }),
  part({
    kind: z.literal('addedLeaf'),
    packNPerMm: springRate,
    leafNPerMm: springRate,
    archMm: partLength,
  }),
  part({
    kind: z.literal('coilSpring'),
    fitted: coilSpring,
    next: coilSpring,
    springLoadN: z.number().min(0).max(40_000),
    motionRatio,
  }),
  part({
    kind: z.literal('load'),
    weightKg: z.number().min(-2000).max(2000),
    share: z.number().min(-1).max(1.5),
    rateNPerMm: springRate,
    motionRatio,
    sinksMm: z.number().min(-300).max(300).optional(),
  }),
  part({
    kind: z.literal('strutTopSpacer'),
    thicknessMm: partLength,
    motionRatio,
    stops: z.enum(['inStrut', 'onFrame']).optional(),
  }),
  part({
    kind: z.literal('block'),
    thicknessMm: partLength,
    replacesMm: partLength,
    stopBearsOn: z.enum(['axle', 'springPack']),
    droopSetBy: z.enum(['spring', 'shock']),
    taperDeg: within(LIMITS.casterDeg).optional(),
    centrePinMm: z.number().min(-60).max(60).optional(),
  }),
  part({
    kind: z.literal('shackle'),
    extraMm: partLength,
    share: within(LIMITS.shackleShare),
    springMm: within(LIMITS.leafMm).optional(),
    sits: z.enum(['behind', 'ahead']).optional(),
  }),
  part({ kind: z.literal('bumpStop'), lengthMm: partLength, motionRatio }),
  part({
    kind: z.literal('longerShock'),
    extraMm: partLength,
    closedExtraMm: partLength.optional(),
    motionRatio,
  }),
  part({
    kind: z.literal('coilOver'),
    liftMm: partLength,
    openMm: shockLength,
    closedMm: shockLength,
    replacesOpenMm: shockLength,
    replacesClosedMm: shockLength,
    motionRatio,
    stops: z.enum(['inStrut', 'onFrame']),
  }),
  part({
    kind: z.literal('upperArm'),
    casterDeg: within(LIMITS.casterDeg),
    jointMostDeg: z.number().min(0).max(60).optional(),
    measured: z.boolean().optional(),
  }),
  part({ kind: z.literal('swayBarDrop'), dropMm: partLength }),
  part({ kind: z.literal('drop'), dropMm: partLength }),
  part({ kind: z.literal('liftSpindle'), dropMm: partLength }),
  part({ kind: z.literal('armBracket'), dropMm: partLength }),
  part({ kind: z.literal('body'), liftMm: partLength }),
]);
