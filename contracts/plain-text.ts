import { z } from 'zod';

/** Text that every database and file can hold: no NUL and no half of a surrogate pair. */
export const plainText = (max: number) =>
  z
    .string()
    .max(max)
    .regex(/^[^\0\p{Surrogate}]*$/u, 'text without NUL or broken characters');

/**
 * The same as a pattern that the regular expressions of other languages read too. Halves of a surrogate pair are left to
 * the reader: well-formed UTF-8 holds none.
 */
export const PORTABLE_PLAIN_TEXT = '^[^\\x00]*$';

/** What was typed, by field: `{"gapMm": "4 5/16"}`. Shown again as long as it means the stored number. */
export const typedTexts = z.record(plainText(40), plainText(40)).optional();
