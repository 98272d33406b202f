/** Writes the JSON Schema of `.lowgap.json` and the OpenAPI document from the Zod schemas: `npm run schema`. */
import { writeFileSync } from 'node:fs';
import { lowgapJsonSchema, SCHEMA_PATH } from '../contracts/json-schema';
import { OPENAPI_PATH, openApiDocument } from '../contracts/openapi';

writeFileSync(SCHEMA_PATH, lowgapJsonSchema());
writeFileSync(OPENAPI_PATH, openApiDocument());
