import { readFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import { FIELD_DESCRIPTIONS } from './field-descriptions';
import { lowgapJsonSchema, SCHEMA_PATH } from './json-schema';

const schema = JSON.parse(lowgapJsonSchema()) as unknown;

/** Every property of the schema with what is said of it. */
function properties(node: unknown): [name: string, description: string | undefined][] {
  if (Array.isArray(node)) return node.flatMap(properties);
  if (node === null || typeof node !== 'object') return [];
  return Object.entries(node).flatMap(([key, value]) =>
    key === 'properties'
      ? Object.entries(value as Record<string, { description?: string }>).flatMap(([name, inner]) => [
          [name, inner.description] as [string, string | undefined],
          ...properties(inner),
        ])
      : properties(value),
  );
}

test('the published JSON Schema is the one the code checks with (npm run schema writes it)', () => {
  expect(readFileSync(SCHEMA_PATH, 'utf8')).toBe(lowgapJsonSchema());
});

test('unknown keys are refused by the schema too', () => {
  expect(schema).toMatchObject({
    additionalProperties: false,
    required: ['format', 'version', 'vehicle', 'corners'],
  });
});

test('every field is described once, and nothing is described that is no field', () => {
  const all = properties(schema);
  expect(all.length).toBeGreaterThan(500);
  expect(all.filter(([, description]) => !description?.trim()).map(([name]) => name)).toEqual([]);
  const names = new Set(all.map(([name]) => name));
  expect(Object.keys(FIELD_DESCRIPTIONS).filter((name) => !names.has(name))).toEqual([]);
});

test('a field whose name says its unit says it in its description', () => {
  const units: [RegExp, RegExp][] = [
    [/Mm$|^mm$/, /\bmm\b|box/],
    [/Deg$/, /degrees|Inclination|angle/i],
    [/Kg$/, /\bkg\b/],
    [/Nm$/, /\bNm\b/],
    [/NPerMm$/, /N\/mm/],
    [/Kpa$/, /kPa/],
    [/Minor$/, /hundredths/],
  ];
  for (const [name, description] of Object.entries(FIELD_DESCRIPTIONS)) {
    const unit = units.filter(([of]) => of.test(name)).at(-1);
    if (unit) expect([name, description]).toEqual([name, expect.stringMatching(unit[1])]);
  }
});
