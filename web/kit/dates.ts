import { format, isValid, parseISO } from 'date-fns';

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

/** With its year, for what may lie long ago: `3 Feb 2026, 03:10`. */
export const fullMomentText = (at: string | number | Date): string => format(new Date(at), 'd MMM yyyy, HH:mm');
