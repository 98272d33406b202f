import type { z } from 'zod';
import type { lowgapFileSchema } from '@/contracts/lowgap-file';

/** A demo job's file as it is written down, before defaults are filled in. */
export type FileInput = z.input<typeof lowgapFileSchema>;
export type CornerInput = NonNullable<FileInput['corners']['frontLeft']>;
