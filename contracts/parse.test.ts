import { describe, expect, test } from '@jest/globals';
import { demoJobs } from '@/demo/demo-jobs';
import { readLowgapText } from './parse';
import { problemText } from './problems';

const [job] = demoJobs().slice(-1);
const whole = JSON.stringify(job!.document);

const first = (text: string) => {
  const result = readLowgapText(text);
  return result.ok ? null : result.problems[0];
};

describe('reading a .lowgap.json', () => {
  test('a whole file reads back as it was written', () => {
    expect(readLowgapText(whole)).toEqual({ ok: true, value: job!.document });
  });

  test.each([
    ['half a file', whole.slice(0, 900), { code: 'invalidJson', path: '' }],
    ['an empty file', '', { code: 'invalidJson', found: 'an empty file' }],
    ['a list', '[]', { code: 'wrongType' }],
    [
      'another format',
      '{"format":"drawing","version":1}',
      { code: 'wrongFormat', path: 'format', expected: '"lowgap"', found: '"drawing"' },
    ],
    ['no format at all', '{}', { code: 'wrongFormat', found: 'nothing' }],
    ['a version to come', '{"format":"lowgap","version":2}', { code: 'wrongVersion', expected: '1', found: '2' }],
    [
      'an unknown key',
      whole.replace('"vehicle"', '"colour":"red","vehicle"'),
      { code: 'unknownKey', path: 'colour', found: '"colour"' },
    ],
    ['a text for a number', whole.replace('"gapMm":104', '"gapMm":"104"'), { code: 'wrongType', found: '"104"' }],
    [
      'a missing vehicle',
      JSON.stringify({ ...job!.document, vehicle: undefined }),
      { code: 'missing', path: 'vehicle' },
    ],
  ])('refuses %s, with the place, what was expected and what was found', (_name, text, expected) => {
    expect(first(text)).toMatchObject(expected);
    expect(problemText(first(text)!)).toMatch(/expected .+, found .+\.$/);
  });

  test('a number that overflows is not taken', () => {
    expect(first(whole.replace('"gapMm":104', '"gapMm":1e999'))).toMatchObject({
      path: expect.stringContaining('gapMm'),
    });
  });
});
