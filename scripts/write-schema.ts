/** Writes the JSON Schema of `.lowgap.json` from the Zod schemas: `npm run schema`. */
import { writeFileSync } from 'node:fs';
import { lowgapJsonSchema, SCHEMA_PATH } from '../contracts/json-schema';

writeFileSync(SCHEMA_PATH, lowgapJsonSchema());
