import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { noteAnswer, shownSince } from './offline-state';
import { answeredByServer, asKept, isKept, KEPT_SINCE } from './kept-answers';
import { askedAt } from './install-worker';
import { keptWords } from './offline-words';

const ID = '0b0b7b5e-51b4-4f6c-9a66-2d1cbe3a4f11';
afterEach(() => {
  shownSince.value = null;
  jest.useRealTimers();
});

describe('which answers a browser keeps', () => {
  test.each([
    '/api/jobs',
    `/api/jobs/${ID}`,
    `/api/photos/${ID}`,
    '/api/catalogue',
    '/api/wells',
    '/api/shop',
    '/api/people/me',
  ])('%s: a room needs it to open', (path) => {
    expect(isKept(path)).toBe(true);
    expect(isKept(`${path}/more`)).toBe(false);
  });

  test.each([
    ['who else is there', '/api/people'],
    ['the whole shop', '/api/backup'],
    ['a stream', `/api/live/${ID}`],
    ['the way back', `/api/jobs/${ID}/history`],
    ['what is thrown away', '/api/bin'],
    ['the installation', '/api/installation'],
    ['something of another name', '/elsewhere/api/jobs'],
  ])('not %s', (_what, path) => {
    expect(isKept(path)).toBe(false);
  });

  test('all that a page asks for at its start is kept', () => {
    expect(askedAt('/').filter((path) => !isKept(path))).toEqual([]);
    expect(askedAt(`/jobs/${ID}/survey`)).toEqual([...askedAt('/'), `/api/jobs/${ID}`]);
  });
});

describe('an answer out of what was kept', () => {
  const given = 'Sat, 28 Nov 2026 14:02:00 GMT';
  const answer = (): Response =>
    new Response('{"a":1}', { headers: { date: given, 'content-type': 'application/json' } });

  test('is the same, and says since when', async () => {
    const kept = asKept(answer());
    expect(kept.headers.get(KEPT_SINCE)).toBe(given);
    expect(kept.headers.get('content-type')).toBe('application/json');
    expect(await kept.json()).toEqual({ a: 1 });
  });

  test('makes the page say so, until the server answers again', () => {
    noteAnswer(answer());
    expect(shownSince.value).toBe(null);
    noteAnswer(asKept(answer()));
    expect(shownSince.value).toEqual(new Date(given));
    noteAnswer(answer());
    expect(shownSince.value).toBe(null);
  });

  test('says the day and the hour, or that neither is known', () => {
    expect(keptWords(null)).toBe(null);
    expect(keptWords(new Date(2026, 10, 28, 14, 2))).toMatch(/^Server not reached\. As of 28 Nov 2026, 14:02;/);
    expect(keptWords(new Date(Number.NaN))).toContain('As this browser last had it');
  });
});

describe('a proxy with nothing behind it', () => {
  test.each([502, 503, 504])('answers %d: as good as no answer', (status) => {
    expect(() => answeredByServer(new Response(null, { status }))).toThrow(TypeError);
  });

  test.each([200, 401, 404, 500])('a server’s own %d is its word', (status) => {
    expect(answeredByServer(new Response(null, { status })).status).toBe(status);
  });
});
