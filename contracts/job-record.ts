/** What a job keeps beside the corners: intake, baseline conditions, what hangs and stretches below. Zod schemas; units in the names. */
import { z } from 'zod';
import { LIMITS } from '@/core/1-base/limits';
import { within } from './motion-schema';
import { plainText, typedTexts as typed } from './plain-text';

export const USES = ['daily', 'towing', 'work', 'trail', 'snow', 'show'] as const;
export const LOOKS = ['tucked', 'flush', 'poke'] as const;

/** Things a customer may allow, least permanent first. */
export const ALLOWED_CHANGES = [
  'unbolt',
  'reroute',
  'trimPlastic',
  'foldLip',
  'cutSheetMetal',
  'bumpStop',
  'steeringStop',
  'lift',
  'bodyMount',
] as const;

const note = plainText(2000);
const share = z.number().min(0).max(1);

/** A place on a photo, as shares of its width and height from the upper left. */
export const photoMarkSchema = z.strictObject({ x: share, y: share, label: plainText(80) });

export const photoSchema = z.strictObject({
  id: z.uuid(),
  caption: plainText(200),
  marks: z.array(photoMarkSchema).max(30),
});

export const intakeSchema = z.strictObject({
  uses: z.array(z.enum(USES)).max(USES.length).optional(),
  look: z.enum(LOOKS).optional(),
  /** Tire's outer sidewall beyond the fender edge wanted: - tucked, + poke. */
  lookPokeMm: within(LIMITS.pokeMm).optional(),
  allowed: z.array(z.enum(ALLOWED_CHANGES)).max(ALLOWED_CHANGES.length).optional(),
  budget: plainText(60).optional(),
  localRules: note.optional(),
  rust: note.optional(),
  damage: note.optional(),
  wishes: note.optional(),
  photos: z.array(photoSchema).max(40).optional(),
  typed,
});

/** How the vehicle stood when its heights were read. */
export const conditionsSchema = z.strictObject({
  load: z.enum(['empty', 'normal', 'loaded']).optional(),
  fuelShare: share.optional(),
  cargo: plainText(300).optional(),
  levelGround: z.boolean().optional(),
  rolledAndBounced: z.boolean().optional(),
});

const length = within(LIMITS.underbodyMm).optional();

/** What hangs and stretches below one corner at full droop. */
export const cornerUnderbodySchema = z.strictObject({
  shockOpenMm: length,
  shockClosedMm: length,
  shockNowMm: length,
  brakeHoseSpareMm: length,
  sensorWireSpareMm: length,
  parkingCableSpareMm: length,
  stopGapMm: length,
});

export const underbodySchema = z.strictObject({
  /** Slip joint of the driveshaft: engaged now by the mark, and the least its maker wants. */
  slipJointEngagedMm: length,
  slipJointLeastMm: length,
  typed,
});

export type Intake = z.output<typeof intakeSchema>;
export type Photo = z.output<typeof photoSchema>;
export type Conditions = z.output<typeof conditionsSchema>;
export type Underbody = z.output<typeof underbodySchema>;
export type CornerUnderbody = z.output<typeof cornerUnderbodySchema>;
