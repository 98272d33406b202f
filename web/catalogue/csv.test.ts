import { describe, expect, test } from '@jest/globals';
import { decodeText, readCsv, writeCsv } from './csv';

const utf8 = (text: string): Uint8Array => new TextEncoder().encode(text);

describe('tables from elsewhere', () => {
  test('commas and points, as most programs write', () => {
    const table = readCsv(
      'tire',
      utf8('size,Name,Measured diameter (mm),loadIndex\n285/70R17,All-terrain,826.5,121\n'),
    );
    expect(table).toMatchObject({ encoding: 'UTF-8', separator: ',', strange: [], problems: [] });
    expect(table.lines).toEqual([
      {
        line: 2,
        text: expect.any(String),
        problems: [],
        item: {
          kind: 'tire',
          data: { size: '285/70R17', label: 'All-terrain', measuredDiameterMm: 826.5, loadIndex: 121 },
        },
      },
    ]);
  });

  test('semicolons with decimal commas, and inches as fractions', () => {
    const { separator, lines } = readCsv(
      'wheel',
      utf8('Diameter, in;Width, in;Backspacing, mm;Bolt pattern\n17;8,5;5 1/4 in;6x139,7\n'),
    );
    expect(separator).toBe(';');
    expect(lines[0]!.item).toEqual({
      kind: 'wheel',
      data: { diameterIn: 17, widthIn: 8.5, backspacingMm: 133.35, boltPattern: '6x139,7' },
    });
  });

  test('an old encoding is recognised by not being UTF-8', () => {
    // "Größe" of a German sheet: ö is F6, ß is DF in Windows-1252.
    const bytes = Uint8Array.from([...utf8('size,label\n265/70R17,Gr'), 0xf6, 0xdf, ...utf8('e\n')]);
    expect(decodeText(bytes).encoding).toBe('Windows-1252');
    expect(readCsv('tire', bytes).lines[0]!.item!.data).toMatchObject({ label: 'Größe' });
  });

  test('each bad line is named with its field; the good ones stay', () => {
    const { lines } = readCsv('tire', utf8('size,loadIndex\n265/70R17,121\nbig ones,121\n285/70R17,many\n,100\n'));
    expect(lines.map(({ line, item, problems }) => [line, item !== null, problems.map(({ path }) => path)])).toEqual([
      [2, true, []],
      [3, false, ['size']],
      [4, false, ['loadIndex']],
      [5, false, ['size']],
    ]);
  });

  test('a decimal comma between commas shows as a column too many', () => {
    const { lines } = readCsv('wheel', utf8('diameterIn,widthIn,offsetMm\n17,8,5,30\n17,8,30\n'));
    expect(lines[0]).toMatchObject({ item: null, problems: [{ found: expect.stringContaining('decimal comma') }] });
    expect(lines[1]!.item).not.toBeNull();
  });

  test.each([
    ['an empty file', ''],
    ['a table without sizes', 'name,price\nx,1\n'],
  ])('%s says which columns it wants', (_what, text) => {
    const { problems, lines } = readCsv('tire', utf8(text));
    expect(lines).toEqual([]);
    expect(problems[0]).toMatchObject({ path: 'line 1', expected: expect.stringContaining('size') });
  });
});

test('what goes out comes back, and a name that looks like a formula is disarmed', () => {
  const data = { size: '35x12.50R17LT', label: 'Mud, "deep"', measuredWidthMm: 311.2, loadIndex: 121 };
  const text = writeCsv('tire', [data]);
  expect(readCsv('tire', utf8(text)).lines[0]!.item).toEqual({ kind: 'tire', data });
  expect(writeCsv('tire', [{ size: '265/70R17', label: '=1+1' }])).toContain("'=1+1");
});

test('a negative offset comes back as itself, a name that looks like a formula too', () => {
  const data = { diameterIn: 17, widthIn: 9, offsetMm: -12.5, label: '-fancy', priceMinor: 123450 };
  const text = writeCsv('wheel', [data, { ...data, label: '=HYPERLINK("x")' }]);
  expect(text).toContain(',-12.5,');
  expect(text).toContain("'=HYPERLINK");
  const { lines } = readCsv('wheel', utf8(text));
  expect(lines.map(({ item }) => item!.data)).toEqual([data, { ...data, label: '=HYPERLINK("x")' }]);
});

test('numbers as other countries write them, a byte-order mark, and lines as an editor counts them', () => {
  const text =
    '\ufeffsize;Name;price;loadIndex\n\n265/70R17;"two\nlines";1.234,50;121\n285/70R17;x;1 234,50;121\n285/75R17;y;many;121\n';
  const { lines } = readCsv('tire', utf8(text));
  expect(lines.map(({ line }) => line)).toEqual([3, 5, 6]);
  expect(lines.slice(0, 2).map(({ item }) => item!.data)).toMatchObject([
    { priceMinor: 123450 },
    { priceMinor: 123450 },
  ]);
  expect(lines[2]!.problems.map(({ path }) => path)).toEqual(['priceMinor']);
  const wide = Uint8Array.from([0xff, 0xfe, ...[...'size\n265/70R17\n'].flatMap((c) => [c.charCodeAt(0), 0])]);
  expect(readCsv('tire', wide).lines[0]!.item!.data).toEqual({ size: '265/70R17' });
});

test('a column that is there twice is named', () => {
  expect(readCsv('tire', utf8('size,Name,label\n265/70R17,a,b\n')).problems[0]).toMatchObject({
    path: 'line 1',
    found: 'Name and label',
  });
});
