import { z } from 'zod';
import { lowgapFileSchema } from './lowgap-file';

export const SCHEMA_PATH = 'docs/lowgap.schema.json';

/** The published JSON Schema of what may be in a file (defaults not yet filled in), as text. */
export function lowgapJsonSchema(): string {
  const schema = z.toJSONSchema(lowgapFileSchema, { io: 'input', target: 'draft-2020-12', reused: 'ref' });
  return `${JSON.stringify({ title: 'Low Gap corner or vehicle, version 1', ...schema }, null, 2)}\n`;
}
