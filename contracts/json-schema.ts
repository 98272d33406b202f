import { z } from 'zod';
import { FIELD_DESCRIPTIONS } from './field-descriptions';
import { lowgapFileSchema } from './lowgap-file';

export const SCHEMA_PATH = 'docs/lowgap.schema.json';

/** The published JSON Schema of what may be in a file (defaults not yet filled in), as text; every field is described. */
export function lowgapJsonSchema(): string {
  const schema = z.toJSONSchema(lowgapFileSchema, { io: 'input', target: 'draft-2020-12', reused: 'ref' });
  return `${JSON.stringify(described({ title: 'Low Gap corner or vehicle, version 1', ...schema }), null, 2)}\n`;
}

type Node = unknown;

/** The schema with each property's description beside it. */
function described(node: Node): Node {
  if (Array.isArray(node)) return node.map(described);
  if (node === null || typeof node !== 'object') return node;
  return Object.fromEntries(
    Object.entries(node).map(([key, value]) =>
      key === 'properties' ? [key, describedProperties(value as Record<string, object>)] : [key, described(value)],
    ),
  );
}

const describedProperties = (properties: Readonly<Record<string, object>>): Node =>
  Object.fromEntries(
    Object.entries(properties).map(([name, inner]) => [
      name,
      { description: FIELD_DESCRIPTIONS[name], ...(described(inner) as object) },
    ]),
  );
