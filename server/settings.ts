import { z } from 'zod';
import { parseWith } from '@/contracts/parse';
import { problemLine } from '@/contracts/problems';

const settingsSchema = z.object({
  PORT: z.coerce.number().int().min(0).max(65535).default(4700),
  LOWGAP_DATA: z.string().min(1).default('./data'),
  DATABASE_URL: z
    .string()
    .regex(/^postgres(ql)?:\/\//, 'an address such as postgres://user@host/database')
    .optional(),
  /** Days of which a copy of the embedded database is kept; 0: none are made. */
  LOWGAP_COPIES: z.coerce.number().int().min(0).max(3650).default(14),
  LOG_LEVEL: z.enum(['fatal', 'error', 'warn', 'info', 'debug', 'trace', 'silent']).default('warn'),
});

export type Settings = z.output<typeof settingsSchema>;

/** Settings from the environment. @throws Error that names every setting that cannot be used. */
export function readSettings(environment: NodeJS.ProcessEnv): Settings {
  const result = parseWith(settingsSchema, environment);
  if (result.ok) return result.value;
  throw new Error(result.problems.map(problemLine).join('\n'));
}
