import { z } from 'zod';

/** Text that every database and file can hold: no NUL and no half of a surrogate pair. */
export const plainText = (max: number) =>
  z
    .string()
    .max(max)
    .regex(/^[^\0\p{Surrogate}]*$/u, 'text without NUL or broken characters');
