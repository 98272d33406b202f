import { readFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import { lowgapJsonSchema, SCHEMA_PATH } from './json-schema';

test('the published JSON Schema is the one the code checks with (npm run schema writes it)', () => {
  expect(readFileSync(SCHEMA_PATH, 'utf8')).toBe(lowgapJsonSchema());
});

test('unknown keys are refused by the schema too', () => {
  expect(JSON.parse(lowgapJsonSchema())).toMatchObject({
    additionalProperties: false,
    required: ['format', 'version', 'vehicle', 'corners'],
  });
});
