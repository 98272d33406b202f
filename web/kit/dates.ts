import { format, isValid, parse, parseISO } from 'date-fns';

/** Days are the shop's own: those of the clock on its wall, which is the browser's. */
export const DAY = 'yyyy-MM-dd';

export const today = (): string => format(new Date(), DAY);

/** This moment, as it is kept. */
export const momentNow = (): string => new Date().toISOString();

export const isDay = (text: string): boolean => /^\d{4}-\d{2}-\d{2}$/.test(text) && isValid(parseISO(text));

/** `3 Feb 2026`, of a day or a moment. */
export const dayText = (at: string): string => format(parseISO(at), 'd MMM yyyy');

/** `3 Feb 14:05`. */
export const momentText = (at: string): string => format(parseISO(at), 'd MMM HH:mm');

/** As days are written: with the month's name either way round, by ISO 8601, or as month/day/year. */
const WRITTEN = ['d MMM yyyy', 'd MMMM yyyy', 'MMM d yyyy', 'MMMM d yyyy', DAY, 'M/d/yyyy'] as const;

/** The day that a text names, as it is kept; null for what names none. */
export function readDay(text: string): string | null {
  const plain = text.trim().replace(/[.,]/g, ' ').replace(/\s+/g, ' ');
  const read = WRITTEN.map((form) => parse(plain, form, new Date(2000, 0, 1))).find(isValid);
  return read && read.getFullYear() >= 1000 ? format(read, DAY) : null;
}

/** With its year, for what may lie long ago: `3 Feb 2026, 03:10`. */
export const fullMomentText = (at: string | number | Date): string => format(new Date(at), 'd MMM yyyy, HH:mm');
