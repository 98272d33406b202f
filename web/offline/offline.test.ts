import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { noteAnswer, shownSince } from './offline-state';
import { answeredByServer, asKept, isKept, KEPT_SINCE } from './kept-answers';
import { ASKED, fetchAhead } from './fetch-ahead';
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

  test('all that is fetched ahead is kept', () => {
    expect(ASKED.filter((path) => !isKept(path))).toEqual([]);
  });
});

describe('what is fetched when a worker begins', () => {
  const head = (n: number) => ({
    id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`,
    title: `Job ${n}`,
    customer: '',
    revision: 1,
    createdAt: '2026-02-03T08:00:00Z',
    updatedAt: `2026-02-${String(1 + (n % 28)).padStart(2, '0')}T08:00:00Z`,
    summary: null,
  });
  const asking = async (answer: (path: string) => Promise<Response>): Promise<string[]> => {
    const asked: string[] = [];
    await fetchAhead((path) => {
      asked.push(path);
      return answer(path);
    });
    return asked;
  };

  test('what rooms ask for, and thirty jobs of the board, the last changed first', async () => {
    const jobs = Array.from({ length: 50 }, (_, n) => head(n));
    const asked = await asking(async (path) => Response.json(path === '/api/jobs' ? { jobs } : {}));
    expect(asked).toEqual(expect.arrayContaining(ASKED));
    const opened = asked.filter((path) => path.startsWith('/api/jobs/'));
    expect(opened).toHaveLength(30);
    expect(opened[0]).toBe(`/api/jobs/${head(27).id}`);
  });

  test('nothing more once a question has no answer; a list that cannot be read has no jobs', async () => {
    expect(await asking(() => Promise.reject(new TypeError('away')))).toHaveLength(1);
    const asked = await asking(async () => Response.json({ problems: [] }, { status: 401 }));
    expect(asked.toSorted()).toEqual(ASKED.toSorted());
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
