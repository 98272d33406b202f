import { ITEM_SCHEMAS, type CatalogueContent, type CatalogueKind } from '@/contracts/catalogue';
import { parseWith } from '@/contracts/parse';
import { attempt, type Problem, type Result } from '@/core/1-base/problem';
import { formatMoney, parseMoney } from '@/core/1-base/units/money';
import { parseQuantity } from '../kit/quantity';
import { CATALOGUE_FIELDS, type CatalogueField } from './catalogue-fields';

/** Wide enough that the schema, which knows the field, does the refusing. */
const ANY_LENGTH = { min: -1e5, max: 1e5, unit: 'mm' };

/** An item from texts as people write them, each under its field's key. Problems are named by key. */
export function readItem(kind: CatalogueKind, texts: Readonly<Record<string, string>>): Result<CatalogueContent> {
  const problems: Problem[] = [];
  const data: Record<string, string | number> = {};
  for (const field of CATALOGUE_FIELDS[kind]) {
    const text = (texts[field.key] ?? '').trim();
    if (text === '') continue;
    const read = readField(field, text);
    if (read.ok) data[field.key] = read.value;
    else problems.push(...read.problems.map((problem) => ({ ...problem, path: field.key })));
  }
  const whole = parseWith(ITEM_SCHEMAS[kind], data);
  // What could not be read is already said; that it is missing then adds nothing.
  const named = new Set(problems.map(({ path }) => path));
  if (!whole.ok) problems.push(...whole.problems.filter(({ path }) => !named.has(path)));
  if (problems.length > 0 || !whole.ok) return { ok: false, problems };
  return { ok: true, value: { kind, data: whole.value } as CatalogueContent };
}

function readField({ quantity }: CatalogueField, text: string): Result<string | number> {
  if (quantity === 'text') return { ok: true, value: text };
  if (quantity === 'money') return attempt(() => parseMoney(text));
  if (quantity !== 'number') return parseQuantity(text, quantity, ANY_LENGTH, 'mm');
  const value = Number(text.replace(',', '.'));
  if (Number.isFinite(value)) return { ok: true, value };
  return { ok: false, problems: [{ code: 'wrongType', path: '', expected: 'a number', found: text }] };
}

/** The texts of an item, for the form and for CSV. */
export const textsOf = (kind: CatalogueKind, data: Readonly<Record<string, unknown>>): Record<string, string> =>
  Object.fromEntries(
    CATALOGUE_FIELDS[kind].map(({ key, quantity }) => {
      const value = data[key];
      if (value === undefined) return [key, ''];
      return [key, quantity === 'money' ? formatMoney(Number(value)) : String(value)];
    }),
  );
