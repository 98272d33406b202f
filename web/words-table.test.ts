import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { screenTexts } from './testing/screen-words';

/** Lines of the table in docs/words.md: what is said, and what is not. */
const table = readFileSync('docs/words.md', 'utf8')
  .split('\n')
  .filter((line) => /^\|(?! (?:---|say))/.test(line))
  .map((line) => line.split('|').map((cell) => cell.trim()))
  .map(([, say, , not]) => ({ say: say!, not: not!.split(', ') }));

const filesOf = (room: string): string[] =>
  readdirSync(room, { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.(?:vue|ts)$/.test(name) && !/\.test\.ts$|^testing/.test(name))
    .map((name) => `${room}/${name}`);

const texts = [
  ...filesOf('web'),
  ...filesOf('sheets'),
  'contracts/problems.ts',
  'core/3-survey/walk/usual-walk.ts',
].flatMap(screenTexts);

describe('the words of the program are those of docs/words.md', () => {
  test('the table is read, and so are the screens', () => {
    expect(table.length).toBeGreaterThan(20);
    expect(texts.some(({ text }) => text === 'Bay board')).toBe(true);
    expect(texts.length).toBeGreaterThan(1500);
  });

  test.each(table.flatMap(({ say, not }) => not.map((word) => [word, say] as const)))(
    'nobody reads “%s”: it is %s',
    (word) => {
      const avoided = new RegExp(`(?<![\\w-])${word}(?![\\w-])`, 'i');
      expect(texts.filter(({ text }) => avoided.test(text)).map(({ file, text }) => `${file}: ${text}`)).toEqual([]);
    },
  );
});
