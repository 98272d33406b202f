import { z } from 'zod';
import type { Problem, Result } from '@/core/1-base/problem';
import { MOST_FIELDS, MOST_NESTED } from './job-size';
import { FILE_FORMAT, FILE_VERSION, lowgapFileSchema, type LowgapFile } from './lowgap-file';

/** Checks `input` against a schema; problems carry the field's path, what was expected and what was found. */
export function parseWith<T extends z.ZodType>(schema: T, input: unknown, base = ''): Result<z.output<T>> {
  const parsed = schema.safeParse(input);
  if (parsed.success) return { ok: true, value: parsed.data };
  const problems: Problem[] = [];
  for (const issue of parsed.error.issues) {
    problems.push(...issueProblems(issue, input, base));
    if (problems.length >= MOST_PROBLEMS) break;
  }
  return { ok: false, problems: problems.slice(0, MOST_PROBLEMS) };
}

/** More than these are not told at once. */
export const MOST_PROBLEMS = 50;

/**
 * Whether JSON from outside is of a size that can be looked into at all: nested no deeper and with no more fields than any job.
 * Looked at without recursion, before anything else is.
 */
export function boundsOf(json: unknown, mostFields = MOST_FIELDS): Problem | null {
  let fields = 0;
  let level: unknown[] = [json];
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > MOST_NESTED) return tooMuch(`at most ${MOST_NESTED} levels of lists within each other`, 'more');
    const inner: unknown[] = [];
    for (const value of level) {
      if (typeof value !== 'object' || value === null) continue;
      if (Array.isArray(value)) for (const entry of value) inner.push(entry);
      else {
        const own = Object.values(value);
        fields += own.length;
        if (fields > mostFields) return tooMuch(`at most ${mostFields} fields`, 'more');
        for (const entry of own) inner.push(entry);
      }
    }
    level = inner;
  }
  return null;
}

const tooMuch = (expected: string, found: string): Problem => ({ code: 'tooLarge', path: '', expected, found });

/** Reads the text of a `.lowgap.json` file. Format and version are looked at first. */
export function readLowgapText(text: string): Result<LowgapFile> {
  const json = readJsonText(text);
  return json.ok ? readLowgapJson(json.value) : json;
}

/** What the text of a JSON file holds. */
export function readJsonText(text: string): Result<unknown> {
  try {
    return { ok: true, value: JSON.parse(text) };
  } catch (error) {
    const found = text.trim() === '' ? 'an empty file' : error instanceof Error ? error.message : 'unreadable text';
    return refusal('invalidJson', '', 'a whole JSON file', found);
  }
}

/** The same for parsed JSON. */
export function readLowgapJson(json: unknown): Result<LowgapFile> {
  const beyond = boundsOf(json);
  if (beyond) return { ok: false, problems: [beyond] };
  if (typeof json !== 'object' || json === null || Array.isArray(json)) {
    return refusal('wrongType', '', 'an object', describe(json));
  }
  const { format, version } = json as Record<string, unknown>;
  if (format !== FILE_FORMAT) return refusal('wrongFormat', 'format', `"${FILE_FORMAT}"`, describe(format));
  if (version !== FILE_VERSION) return refusal('wrongVersion', 'version', String(FILE_VERSION), describe(version));
  return parseWith(lowgapFileSchema, json);
}

function refusal(code: Problem['code'], path: string, expected: string, found: string): Result<never> {
  return { ok: false, problems: [{ code, path, expected, found }] };
}

type Issue = z.core.$ZodIssue;

function issueProblems(issue: Issue, input: unknown, base: string): Problem[] {
  const path = pathText(issue.path, base);
  if (issue.code === 'unrecognized_keys') {
    return issue.keys.slice(0, MOST_PROBLEMS).map((key) => ({
      code: 'unknownKey',
      path: pathText([...issue.path, key], base),
      expected: 'only keys this version knows',
      found: shortened(`"${key}"`),
    }));
  }
  const told = issue.code === 'custom' ? (issue.params?.['problem'] as Problem | undefined) : undefined;
  if (told) {
    const { code, expected, found } = told;
    return [{ code, path, expected, found }];
  }
  const value = valueAt(input, issue.path);
  if (value === undefined) {
    return [{ code: 'missing', path, expected: expectedText(issue), found: 'nothing' }];
  }
  const code = issue.code === 'too_big' || issue.code === 'too_small' ? 'outOfRange' : 'wrongType';
  return [{ code, path, expected: expectedText(issue), found: describe(value) }];
}

function expectedText(issue: Issue): string {
  switch (issue.code) {
    case 'too_small':
      if (issue.origin === 'string') return issue.minimum === 1 ? 'some text' : `at least ${issue.minimum} characters`;
      return `at least ${String(issue.minimum)}${issue.origin === 'array' ? ' entries' : ''}`;
    case 'too_big':
      return `at most ${String(issue.maximum)}${issue.origin === 'string' ? ' characters' : issue.origin === 'array' ? ' entries' : ''}`;
    case 'invalid_type':
      return issue.expected === 'number'
        ? 'a number'
        : issue.expected === 'string'
          ? 'text'
          : `a value of type ${issue.expected}`;
    case 'invalid_value':
      return `one of ${issue.values.map((v) => JSON.stringify(v)).join(', ')}`;
    case 'invalid_union':
      if (issue.discriminator !== undefined) return `a known "${issue.discriminator}"`;
      return [...new Set(issue.errors.flat().map(expectedText))].join(', or ');
    default:
      return issue.message;
  }
}

function pathText(path: readonly PropertyKey[], base: string): string {
  return path.slice(0, MOST_NESTED).reduce<string>((text, key) => {
    if (typeof key === 'number') return `${text}[${key}]`;
    const name = shortened(String(key));
    return text === '' ? name : `${text}.${name}`;
  }, base);
}

function valueAt(input: unknown, path: readonly PropertyKey[]): unknown {
  return path.reduce<unknown>(
    (value, key) =>
      typeof value === 'object' && value !== null ? (value as Record<PropertyKey, unknown>)[key] : undefined,
    input,
  );
}

/** Short text of a found value; of a list or an object only its head is looked at. */
function describe(value: unknown): string {
  if (value === undefined) return 'nothing';
  return shortened(JSON.stringify(headOf(value, 0)) ?? String(value));
}

const shortened = (text: string): string => (text.length > 60 ? `${text.slice(0, 57)}...` : text);

const MOST_SHOWN = 8;

function headOf(value: unknown, depth: number): unknown {
  if (typeof value === 'string') return value.slice(0, 80);
  if (typeof value !== 'object' || value === null) return value;
  if (depth > MOST_SHOWN) return '...';
  if (Array.isArray(value)) return value.slice(0, 60).map((entry) => headOf(entry, depth + 1));
  const keys = Object.keys(value).slice(0, MOST_SHOWN);
  return Object.fromEntries(
    keys.map((key) => [key.slice(0, 80), headOf((value as Record<string, unknown>)[key], depth + 1)]),
  );
}
