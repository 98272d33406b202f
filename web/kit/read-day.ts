import { format, isValid, parse } from 'date-fns';
import { DAY } from './dates';

/** As days are written: with the month's name either way round, by ISO 8601, or as month/day/year. */
const WRITTEN = ['d MMM yyyy', 'd MMMM yyyy', 'MMM d yyyy', 'MMMM d yyyy', DAY, 'M/d/yyyy'] as const;

/** The day that a text names, as it is kept; null for what names none. */
export function readDay(text: string): string | null {
  const plain = text.trim().replace(/[.,]/g, ' ').replace(/\s+/g, ' ');
  const read = WRITTEN.map((form) => parse(plain, form, new Date(2000, 0, 1))).find(isValid);
  return read && read.getFullYear() >= 1000 ? format(read, DAY) : null;
}
