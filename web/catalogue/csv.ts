import Papa from 'papaparse';
import type { CatalogueContent, CatalogueKind } from '@/contracts/catalogue';
import type { Problem } from '@/core/1-base/problem';
import { FORMULA, plainNumber, withoutGuard } from '@/sheets/csv-cells';
import { CATALOGUE_FIELDS } from './catalogue-fields';
import { readItem, textsOf } from './read-item';

/** One line of a table: the item it makes, or what is wrong with it. */
export interface CsvLine {
  /** As an editor counts: the header is line 1. */
  readonly line: number;
  readonly text: string;
  readonly item: CatalogueContent | null;
  readonly problems: readonly Problem[];
}

export interface CsvTable {
  readonly encoding: 'UTF-8' | 'UTF-16' | 'Windows-1252';
  readonly separator: string;
  /** Columns nothing is known of; they are left out. */
  readonly strange: readonly string[];
  readonly lines: readonly CsvLine[];
  /** What keeps the whole table from being read. */
  readonly problems: readonly Problem[];
}

/** Text of a file from anywhere: UTF-8, or what spreadsheets of one language used to write. */
export function decodeText(bytes: Uint8Array): { readonly text: string; readonly encoding: CsvTable['encoding'] } {
  // UTF-16 says so by its byte-order mark.
  if (bytes[0] === 0xff && bytes[1] === 0xfe)
    return { text: new TextDecoder('utf-16le').decode(bytes), encoding: 'UTF-16' };
  if (bytes[0] === 0xfe && bytes[1] === 0xff)
    return { text: new TextDecoder('utf-16be').decode(bytes), encoding: 'UTF-16' };
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'UTF-8' };
  } catch {
    return { text: new TextDecoder('windows-1252').decode(bytes), encoding: 'Windows-1252' };
  }
}

/** Rows with the line they begin on, as an editor counts; empty ones left out. */
function withLines(
  rows: readonly (readonly string[])[],
): { readonly cells: readonly string[]; readonly line: number }[] {
  let line = 1;
  return rows.flatMap((cells) => {
    const begins = line;
    line += 1 + cells.reduce((sum, cell) => sum + (cell.match(/\r\n|\r|\n/g)?.length ?? 0), 0);
    return cells.some((cell) => cell.trim() !== '') ? [{ cells, line: begins }] : [];
  });
}

/** A cell as it was meant: numbers in the form of other countries, texts without the guard against formulas. */
function cellText(kind: CatalogueKind, key: string, cell: string): string {
  const isText = CATALOGUE_FIELDS[kind].find((field) => field.key === key)?.quantity === 'text';
  return isText ? withoutGuard(cell) : plainNumber(withoutGuard(cell));
}

const plain = (name: string): string => name.toLowerCase().replace(/[^a-z0-9]/g, '');

/** A table of items: separator, decimal comma and encoding as found; each bad line named. */
export function readCsv(kind: CatalogueKind, bytes: Uint8Array): CsvTable {
  const { text, encoding } = decodeText(bytes);
  const fields = CATALOGUE_FIELDS[kind];
  const parsed = Papa.parse<string[]>(text.replace(/^\ufeff/, ''), {
    delimitersToGuess: [';', '\t', ',', '|'],
  });
  const numbered = withLines(parsed.data);
  const [{ cells: header } = { cells: [] }, ...rows] = numbered;
  const keys = header.map(
    (name) => fields.find(({ key, title }) => plain(key) === plain(name) || plain(title) === plain(name))?.key ?? null,
  );
  const table = { encoding, separator: parsed.meta.delimiter, strange: header.filter((_, i) => keys[i] === null) };
  const twice = keys.find((key, i) => key !== null && keys.indexOf(key) !== i);
  if (twice) {
    const found = header.filter((_, i) => keys[i] === twice).join(' and ');
    const problem = {
      code: 'contradiction',
      path: `line ${numbered[0]!.line}`,
      expected: `one column for ${twice}`,
      found,
    } as const;
    return { ...table, lines: [], problems: [problem] };
  }
  const missing = fields.filter(({ key, needed }) => needed && !keys.includes(key));
  if (missing.length > 0) {
    const expected = `a first line with the columns ${missing.map(({ key }) => key).join(', ')}`;
    const found = header.join(', ').slice(0, 80) || 'an empty file';
    return { ...table, lines: [], problems: [{ code: 'missing', path: 'line 1', expected, found }] };
  }
  const lines = rows.map(({ cells: row, line }): CsvLine => {
    const texts = Object.fromEntries(
      keys.flatMap((key, k) => (key === null ? [] : [[key, cellText(kind, key, row[k] ?? '')]])),
    );
    const shown = row.join(' ').slice(0, 100);
    if (row.length > header.length) {
      const expected = `${header.length} columns as in the first line`;
      const found = `${row.length}: is a decimal comma taken for a separator?`;
      return { line, text: shown, item: null, problems: [{ code: 'wrongFormat', path: '', expected, found }] };
    }
    const read = readItem(kind, texts);
    return read.ok
      ? { line, text: shown, item: read.value, problems: [] }
      : { line, text: shown, item: null, problems: read.problems };
  });
  return { ...table, lines, problems: [] };
}

/** The same table out: keys as header, a point for decimals, formulas disarmed. */
export function writeCsv(kind: CatalogueKind, items: readonly Readonly<Record<string, unknown>>[]): string {
  const fields = CATALOGUE_FIELDS[kind];
  return Papa.unparse(
    {
      fields: fields.map(({ key, column }) => column ?? key),
      data: items.map((data) => fields.map(({ key }) => textsOf(kind, data)[key] ?? '')),
    },
    { escapeFormulae: FORMULA, newline: '\n' },
  );
}
