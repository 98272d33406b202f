import { ProblemError } from '../problem';
import { formatMm } from './length';

/** International mile (NIST SP 811, B.8). */
export const KM_PER_MILE = 1.609344;

export type DistanceUnit = 'km' | 'mi';

/** Road distance in km from `80 km`, `50 mi`, `50 miles`; a bare number is in `bare`. @throws ProblemError for anything else. */
export const parseDistance = (text: string, bare: DistanceUnit): number =>
  parseRoad(text, bare, /^([\d.,]+)\s*(km|mi|miles?)?$/i, 'a distance such as 80 km or 50 mi');

/** Speed in km/h from `110 km/h`, `70 mph`; a bare number is in `bare` an hour. @throws ProblemError for anything else. */
export const parseSpeed = (text: string, bare: DistanceUnit): number =>
  parseRoad(text, bare, /^([\d.,]+)\s*(km\/h|kmh|kph|mph|mi\/h)?$/i, 'a speed such as 110 km/h or 70 mph');

function parseRoad(text: string, bare: DistanceUnit, pattern: RegExp, expected: string): number {
  const match = pattern.exec(text.trim());
  const value = Number(match?.[1]?.replace(',', '.'));
  if (!match || !Number.isFinite(value))
    throw new ProblemError({ code: 'wrongType', path: '', expected, found: text.trim() || 'nothing' });
  const isMetric = (match[2]?.toLowerCase() ?? bare).startsWith('k');
  return isMetric ? value : value * KM_PER_MILE;
}

/** In the unit that the job works in: `80 km`, `50 mi`. */
export const distanceIn = (km: number, unit: DistanceUnit): string =>
  unit === 'km' ? `${formatMm(km, 0)} km` : `${formatMm(km / KM_PER_MILE, 0)} mi`;

/** The same of a speed: `110 km/h`, `70 mph`. */
export const speedIn = (kmh: number, unit: DistanceUnit): string =>
  unit === 'km' ? `${formatMm(kmh, 0)} km/h` : `${formatMm(kmh / KM_PER_MILE, 0)} mph`;
