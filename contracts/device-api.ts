/** What goes between the browser and measuring devices that the server holds. Lengths mm. */
import { z } from 'zod';

export const deviceSchema = z.object({
  id: z.string(),
  kind: z.enum(['gauge', 'scanner']),
  name: z.string(),
  /** A stand-in that ships with Low Gap, not a device. */
  simulated: z.boolean(),
});

export const deviceListSchema = z.object({ devices: z.array(deviceSchema) });

/** One line of a gauge's stream. */
export const gaugeEventSchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('state'), battery: z.number(), dead: z.boolean() }),
  z.object({ type: z.literal('value'), mm: z.number() }),
  /** The gauge's own button was pressed with this on its display. */
  z.object({ type: z.literal('taken'), mm: z.number(), number: z.number() }),
]);

/** What a hand does with the simulated gauge. */
export const gaugeActSchema = z.discriminatedUnion('act', [
  z.strictObject({ act: z.literal('hold'), mm: z.number().min(0).max(800) }),
  z.strictObject({ act: z.literal('press') }),
  z.strictObject({ act: z.literal('pullCable'), ms: z.int().min(200).max(60_000) }),
  z.strictObject({ act: z.literal('drainBattery') }),
  z.strictObject({ act: z.literal('newBattery') }),
]);

export type Device = z.output<typeof deviceSchema>;
export type GaugeEvent = z.output<typeof gaugeEventSchema>;
export type GaugeAct = z.output<typeof gaugeActSchema>;
