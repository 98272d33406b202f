/** How a scan is brought to a corner: its unit, its alignment and its named parts. Units mm, corner frame. */
import { z } from 'zod';
import { MOUNTS } from '@/core/2-vehicle/motion/mount';
import { MATERIALS } from '@/core/3-survey/shape/material';
import { SCAN_UNITS } from '@/core/3-survey/scan/scan-unit';
import { pointSchema as point } from './motion-schema';
import { plainText } from './plain-text';

const name = plainText(60).trim().min(1);

/** `scan` as the scanner has it, in its unit; `corner` in the corner frame, mm. */
const scanPoint = z.tuple([z.number(), z.number(), z.number()]);
const namedPoint = z.strictObject({ name, scan: scanPoint, corner: point });

export const scanPlanSchema = z.strictObject({
  /** Asked for where the size alone does not tell. */
  unit: z.enum(SCAN_UNITS).optional(),
  /** Three or more points; or, with `hubFace`, two more. */
  points: z.array(namedPoint).max(100),
  /** Places on one circle of the hub's wheel-mounting face. */
  hubFace: z.array(scanPoint).max(1000).optional(),
  parts: z
    .array(
      z.strictObject({
        id: name,
        label: plainText(80).optional(),
        mount: z.enum(MOUNTS),
        material: z.enum(MATERIALS),
        min: point,
        max: point,
      }),
    )
    .min(1)
    .max(100),
});

export type ScanPlan = z.output<typeof scanPlanSchema>;
