import type { Job, JobContent } from './job-api';
import { plainText } from './plain-text';

const MOST_TITLE = 120;

/**
 * Another job on the same vehicle: what was measured, asked and chosen goes along, what was done does not
 * (installation, test fits, hand-over). Both name one vehicle, so that the shop record counts it once.
 */
export function copiedJob({ id, title, customer, document }: Job): JobContent {
  const { install: _done, testFits: _tried, followUp: _handedOver, ...rest } = document;
  return {
    title: plainText(MOST_TITLE).parse(`Copy of ${title}`.slice(0, MOST_TITLE)),
    customer,
    document: { ...rest, vehicle: { ...rest.vehicle, vehicleId: vehicleOf({ id, document }) } },
  };
}

/** Which vehicle a job is on: the one its file names, else one of its own. */
export const vehicleOf = ({ id, document }: Pick<Job, 'id' | 'document'>): string => document.vehicle.vehicleId ?? id;
