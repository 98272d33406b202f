import { describe, expect, test } from '@jest/globals';
import { demoJobs } from '@/demo/demo-jobs';
import type { JobContent } from './job-api';
import { jobFileOf, picturesOf, readJobText, renamedPictures, type JobFile } from './job-file';

const content: JobContent = demoJobs().find(({ document }) => picturesOf(document).length > 0)!;
const [shown] = picturesOf(content.document);
const file = (): JobFile => jobFileOf(content, [{ id: shown!, mediaType: 'image/jpeg', base64: '/9j/4A==' }]);

describe('one job as one file', () => {
  test('title, customer, document and pictures come back as they went', () => {
    const read = readJobText(JSON.stringify(file()));
    expect(read).toEqual({ ok: true, value: file() });
  });

  test('the file of a document alone makes a job called by its vehicle', () => {
    const read = readJobText(JSON.stringify(content.document));
    expect(read.ok && read.value).toMatchObject({ title: content.document.vehicle.label, customer: '', pictures: [] });
  });

  test('pictures get names of their own wherever the document shows them, so that a copy stands beside its original', () => {
    let made = 0;
    const renamed = renamedPictures(file(), () => `00000000-0000-4000-8000-00000000000${made++}`);
    expect(picturesOf(renamed.document)).toEqual(renamed.pictures.map(({ id }) => id));
    expect(picturesOf(renamed.document)).not.toContain(shown);
    expect(picturesOf(content.document)).toEqual([shown]);
  });

  test.each<[string, string, Partial<{ code: string; path: string }>]>([
    ['another format', '{"format":"other"}', { code: 'wrongFormat', path: 'format' }],
    ['another version', '{"format":"lowgap-job","version":2}', { code: 'wrongVersion', path: 'version' }],
    ['no object', 'null', { code: 'wrongFormat', path: 'format' }],
    ['half a file', '{"format":"lowgap-job","ver', { code: 'invalidJson', path: '' }],
    [
      'a picture that is none',
      JSON.stringify({ ...file(), pictures: [{ id: shown, mediaType: 'image/svg+xml', base64: '' }] }),
      { path: 'pictures[0].mediaType' },
    ],
    ['no title', JSON.stringify({ ...file(), title: ' ' }), { path: 'title' }],
  ])('%s is refused by its place', (_what, text, problem) => {
    const read = readJobText(text);
    expect(read.ok ? [] : read.problems).toMatchObject([problem]);
  });
});
