import type { JobContent } from '@/contracts/job-api';
import { lowgapFileSchema } from '@/contracts/lowgap-file';
import type { LengthUnit } from '@/core/1-base/units/length';
import { newToken } from '../saving/tab';
import { blankCorner } from '../baseline/blank-corner';

/** A job to be filled in: one front corner, so that the baseline has something to correct. */
export const blankJob = (title: string, units: LengthUnit): JobContent => ({
  title,
  customer: '',
  document: lowgapFileSchema.parse({
    format: 'lowgap',
    version: 1,
    vehicle: { label: title, vehicleId: newToken() },
    units,
    corners: { frontLeft: blankCorner('frontLeft') },
  }),
});
