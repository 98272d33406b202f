import { z } from 'zod';
import * as catalogue from './catalogue';
import { FIELD_DESCRIPTIONS } from './field-descriptions';
import * as finder from './finder';
import * as followUp from './follow-up';
import * as install from './install';
import * as record from './job-record';
import * as file from './lowgap-file';
import * as liftPart from './lift-part-schema';
import * as motion from './motion-schema';
import * as obstacle from './obstacle-schema';
import * as plan from './plan';
import { PORTABLE_PLAIN_TEXT } from './plain-text';
import * as stance from './stance';
import * as testFit from './test-fit';

export const SCHEMA_PATH = 'docs/lowgap.schema.json';
/** Names the schema, and is no address: nothing has to be fetched. */
export const SCHEMA_ID = `urn:lowgap:file:${file.FILE_VERSION}`;

/** The published JSON Schema of what may be in a file (defaults not yet filled in), as text; every field is described. */
export function lowgapJsonSchema(): string {
  const schema = z.toJSONSchema(file.lowgapFileSchema, {
    io: 'input',
    target: 'draft-2020-12',
    reused: 'inline',
    metadata: named({}, file.lowgapFileSchema),
    override: portable,
  });
  const { $id: _none, ...rest } = schema;
  return `${JSON.stringify(describedFields({ $id: SCHEMA_ID, title: 'Low Gap corner or vehicle, version 1', ...rest }), null, 2)}\n`;
}

/** A pattern that other languages read. */
export function portable({ jsonSchema }: { readonly jsonSchema: { pattern?: string } }): void {
  if (jsonSchema.pattern?.includes('Surrogate')) jsonSchema.pattern = PORTABLE_PLAIN_TEXT;
}

/** Each shape of a file and each of `more` under its own name: `cornerSchema` is `Corner`; `but` has none. */
export function named(more: Readonly<Record<string, unknown>>, but?: z.ZodType) {
  const names = z.registry<{ readonly id: string }>();
  const shapes = Object.entries({
    ...catalogue,
    ...finder,
    ...followUp,
    ...install,
    ...record,
    ...motion,
    ...liftPart,
    ...obstacle,
    ...plan,
    ...stance,
    ...testFit,
    ...file,
    ...more,
  });
  for (const [name, shape] of shapes)
    if (shape instanceof z.ZodType && shape !== but)
      names.add(shape, { id: `${name[0]!.toUpperCase()}${name.slice(1).replace(/Schema$/, '')}` });
  return names;
}

type Node = unknown;

/** The schema with each property's description beside it. */
export function describedFields(node: Node): Node {
  if (Array.isArray(node)) return node.map(describedFields);
  if (node === null || typeof node !== 'object') return node;
  return Object.fromEntries(
    Object.entries(node).map(([key, value]) =>
      key === 'properties'
        ? [key, describedProperties(value as Record<string, object>)]
        : [key, describedFields(value)],
    ),
  );
}

const describedProperties = (properties: Readonly<Record<string, object>>): Node =>
  Object.fromEntries(
    Object.entries(properties).map(([name, inner]) => [
      name,
      { description: FIELD_DESCRIPTIONS[name], ...(describedFields(inner) as object) },
    ]),
  );
