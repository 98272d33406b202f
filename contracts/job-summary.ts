/** What the bay board shows of a job without its document, as the server keeps it beside each. */
import { z } from 'zod';
import { VEHICLE_KINDS } from '@/core/2-vehicle/setup/vehicle-kind';
import { AXLES, CORNERS_OF, type Axle } from '@/core/2-vehicle/setup/corner-key';
import { LENGTH_UNITS } from '@/core/1-base/units/length';
import type { LowgapFile } from './lowgap-file';

export const jobSummarySchema = z.object({
  vehicle: z.string(),
  kind: z.enum(VEHICLE_KINDS).optional(),
  units: z.enum(LENGTH_UNITS).optional(),
  /** Tires as they stand and as wanted, by axle where they differ; '' where none is known. */
  fitted: z.string(),
  wanted: z.string(),
  /** The first look that is still to come, or was missed. */
  due: z.object({ due: z.string(), text: z.string() }).optional(),
  /** Its measurements may go into the shop record. */
  inRecord: z.boolean(),
  /** Something near a wheel was measured. */
  surveyed: z.boolean(),
});

export type JobSummary = z.output<typeof jobSummarySchema>;

export function summaryOf({ vehicle, units, corners, setup, followUp }: LowgapFile): JobSummary {
  const [due] = (followUp?.due ?? [])
    .filter(({ doneOn }) => doneOn === undefined)
    .sort((a, b) => a.due.localeCompare(b.due));
  return {
    vehicle: vehicle.label,
    ...(vehicle.kind ? { kind: vehicle.kind } : {}),
    ...(units ? { units } : {}),
    fitted: byAxle((axle) => CORNERS_OF[axle].flatMap((key) => corners[key]?.fitted.tire.size ?? [])[0]),
    wanted: setup
      ? byAxle(
          (axle) => CORNERS_OF[axle].flatMap((key) => setup.corners?.[key]?.tire?.size ?? [])[0] ?? setup.tire.size,
        )
      : '',
    ...(due ? { due: { due: due.due, text: due.text } } : {}),
    inRecord: followUp?.inRecord === true,
    surveyed: Object.values(corners).some(({ obstacles }) => obstacles.length > 0),
  };
}

/** Each axle's tire: `265/70R17`, or `front 255/85R16, rear 265/75R16` where they differ. */
function byAxle(sizeOf: (axle: Axle) => string | undefined): string {
  const sizes = AXLES.flatMap((axle) => {
    const size = sizeOf(axle);
    return size === undefined ? [] : [{ axle, size }];
  });
  const [first] = sizes;
  if (!first) return '';
  return sizes.every(({ size }) => size === first.size)
    ? first.size
    : sizes.map(({ axle, size }) => `${axle} ${size}`).join(', ');
}
