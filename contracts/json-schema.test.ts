import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import addFormats from 'ajv-formats';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { demoJobs } from '@/demo/demo-jobs';
import { FIELD_DESCRIPTIONS } from './field-descriptions';
import { lowgapJsonSchema, SCHEMA_ID, SCHEMA_PATH } from './json-schema';
import { lowgapFileSchema } from './lowgap-file';

const schema = JSON.parse(lowgapJsonSchema()) as { readonly $id: string; readonly $defs: Record<string, object> };

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

test('the schema has an $id and its shapes have names', () => {
  expect(schema.$id).toBe(SCHEMA_ID);
  expect(Object.keys(schema.$defs)).toEqual(expect.arrayContaining(['Corner', 'Obstacle', 'Setup', 'Tire', 'Wheel']));
  expect(Object.keys(schema.$defs).filter((name) => !/^[A-Z][A-Za-z]+$/.test(name))).toEqual([]);
});

test('no pattern needs what only one language’s regular expressions have', () => {
  const patterns = [...lowgapJsonSchema().matchAll(/"pattern": ("(?:[^"\\\\]|\\\\.)*")/g)].map(
    ([, text]) => JSON.parse(text!) as string,
  );
  expect(patterns.length).toBeGreaterThan(50);
  // Property classes, look-around and back references: RE2, Python and Java each lack one of them.
  expect(patterns.filter((pattern) => /\\p\{|\(\?[=!<]|\\[1-9]/.test(pattern))).toEqual([]);
});

describe('read by an independent validator of JSON Schema (ajv)', () => {
  const ajv = new Ajv2020({ allErrors: true, strict: true, strictTypes: false });
  addFormats(ajv);
  const valid = ajv.compile(schema);

  test.each(demoJobs().map(({ title, document }) => [title, document] as const))('%s is taken', (_title, document) => {
    expect([valid(JSON.parse(JSON.stringify(document))), valid.errors]).toEqual([true, null]);
  });

  test.each([
    ['a key nobody knows', (file: Broken) => Object.assign(file, { wheels: [] })],
    ['a NUL in a text', (file: Broken) => Object.assign(file.vehicle, { label: 'a\0b' })],
    ['an empty label', (file: Broken) => Object.assign(file.vehicle, { label: '' })],
    ['a number as text', (file: Broken) => Object.assign(file.vehicle, { wheelbaseMm: '3600' })],
    ['a wheelbase no vehicle has', (file: Broken) => Object.assign(file.vehicle, { wheelbaseMm: 1e6 })],
    ['another version', (file: Broken) => Object.assign(file, { version: 2 })],
  ])('%s is refused, as by the application', (_what, spoil) => {
    const file = JSON.parse(JSON.stringify(demoJobs()[0]!.document)) as Broken;
    spoil(file);
    expect([valid(file), lowgapFileSchema.safeParse(file).success]).toEqual([false, false]);
  });
});

interface Broken {
  readonly vehicle: object;
}
