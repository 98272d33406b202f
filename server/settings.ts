import { z } from 'zod';
import { parseWith } from '@/contracts/parse';
import { problemLine } from '@/contracts/problems';

const settingsSchema = z.object({
  PORT: z.coerce.number().int().min(0).max(65535).default(4700),
  /** Address to listen on, for the shop's network; absent: this machine alone, where nobody signs in. */
  LOWGAP_HOST: z.string().min(1).max(255).optional(),
  /** Names the server goes by on the network, with commas between. */
  LOWGAP_NAMES: z
    .string()
    .max(1000)
    .default('')
    .transform((names) => names.split(',').flatMap((name) => (name.trim() === '' ? [] : [name.trim().toLowerCase()]))),
  /** `own`: HTTPS here; `proxy`: a proxy before this ends it; `off`: plain, which anybody on the network can read. */
  LOWGAP_TLS: z.enum(['own', 'proxy', 'off']).default('own'),
  LOWGAP_TLS_CERT: z.string().min(1).optional(),
  LOWGAP_TLS_KEY: z.string().min(1).optional(),
  LOWGAP_DATA: z.string().min(1).default('./data'),
  DATABASE_URL: z
    .string()
    .regex(/^postgres(ql)?:\/\//, 'an address such as postgres://user@host/database')
    .optional(),
  /** Days of which a copy of the embedded database is kept; 0: none are made. */
  LOWGAP_COPIES: z.coerce.number().int().min(0).max(3650).default(14),
  /** s from the signal to end until no more is taken on: a proxy leads elsewhere meanwhile, since /readyz says no. */
  LOWGAP_DRAIN: z.coerce.number().int().min(0).max(600).default(0),
  LOG_LEVEL: z.enum(['fatal', 'error', 'warn', 'info', 'debug', 'trace', 'silent']).default('warn'),
});

export type Settings = z.output<typeof settingsSchema>;

/** Settings from the environment. @throws Error that names every setting that cannot be used. */
export function readSettings(environment: NodeJS.ProcessEnv): Settings {
  const result = parseWith(settingsSchema, environment);
  if (result.ok) return result.value;
  throw new Error(result.problems.map(problemLine).join('\n'));
}
