import { afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import { asCase } from '@/contracts/as-case';
import { FinderSession, type FinderResult } from '@/core/6-decisions/finder/session';
import { composed } from '../testing/composing';
import { openedJob } from '../testing/mounting';
import { endWorkersHere, runWorkersHere, until } from '../testing/worker-here';
import { useJobStore } from '../stores/job';
import { waitWords } from './finder-words';
import { chanceKey, useFinder } from './use-finder';

type Finder = ReturnType<typeof useFinder>;

/** The finder of the open pickup, asked about three tires on one wheel. */
async function narrowFinder(): Promise<{ finder: Finder; leave: () => void }> {
  await openedJob();
  const { state, leave } = await composed(useFinder, { room: 'finder' });
  state.change((question) => {
    question.tires = { from: 'list', list: ['265/70R17', '285/70R17', '37x12.50R17'].map((size) => ({ size })) };
    question.wheels = {
      from: 'ranges',
      diametersIn: [17],
      widthsIn: [8.5],
      offsetMm: { from: 0, to: 0, step: 1 },
    };
    delete question.lift;
    question.allowed = { ...question.allowed, bumpStopsMm: [] };
  });
  return { finder: state, leave };
}

/** What the core answers to the question as it is asked. */
function plainAnswer({ question }: Finder): FinderResult {
  const file = useJobStore().document!;
  const session = new FinderSession(asCase(file), question.value!);
  for (const _ of session.run());
  return session.answer(file.intake?.lookPokeMm ?? 0);
}

const asData = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

beforeAll(runWorkersHere);
afterEach(() => {
  useJobStore().close();
  endWorkersHere();
});

describe('the finder of the open job', () => {
  test('answers what the core answers, and picks the best that does', async () => {
    const { finder, leave } = await narrowFinder();
    await finder.find();
    expect(finder.problems.value).toEqual([]);
    const plain = plainAnswer(finder);
    const [axle] = plain.axles;
    const [found] = finder.result.value!.axles;
    expect(asData(found!.tally)).toEqual(asData(axle!.tally));
    expect(found!.rows.map(({ number, result }) => ({ number, result }))).toEqual(
      axle!.rows.map(({ number, result }) => ({ number, result })),
    );
    // What a search kept from before lets it end elsewhere within its own limit.
    found!.rows.forEach((row, i) => expect(Math.abs(row.lowGapMm - axle!.rows[i]!.lowGapMm)).toBeLessThan(0.1));
    expect(finder.picked.value).toEqual({ axle: 'all', number: axle!.rows[0]!.number });
    expect(finder.running.value).toBe(false);
    expect(finder.stale.value).toBe(false);
    leave();
  });

  test('looks at the pick closely, then works out how often the rows would be short', async () => {
    const { finder, leave } = await narrowFinder();
    await finder.find();
    const explanation = await until(() => finder.explanation.value);
    expect(explanation.number).toBe(finder.picked.value!.number);
    expect(explanation.failing).toEqual([]);
    const rows = finder.result.value!.axles[0]!.rows;
    const key = chanceKey('all', rows.at(-1)!.number);
    const chance = await until(() => finder.chances.value.has(key) && finder.chances.value.get(key)!.toFixed(6));
    const session = new FinderSession(asCase(useJobStore().document!), finder.question.value!);
    expect(chance).toBe(session.chanceOfRub('all', rows.at(-1)!.number)!.toFixed(6));
    expect(finder.ways.value.every(({ tire }) => tire === rows[0]!.tire)).toBe(true);
    leave();
  });

  test('keeps the answer with the job, and knows when it is of another state', async () => {
    const { finder, leave } = await narrowFinder();
    await finder.find();
    const kept = finder.kept.value!;
    const [axle] = finder.result.value!.axles;
    expect(kept).toMatchObject({ combinations: axle!.tally.combinations, clears: axle!.tally.clears });
    expect(kept.rows.map(({ size }) => size)).toEqual(axle!.rows.map(({ size }) => size));
    expect(finder.keptIsCurrent.value).toBe(true);
    useJobStore().changeSetup((file) => void (file.standard = 'cutToFit'));
    expect(finder.keptIsCurrent.value).toBe(false);
    expect(finder.stale.value).toBe(true);
    leave();
  });

  test('another question makes the answer stale, the same again does not', async () => {
    const { finder, leave } = await narrowFinder();
    await finder.find();
    finder.change((question) => (question.spacers = [{ thicknessMm: 20 }]));
    expect(finder.stale.value).toBe(true);
    finder.change((question) => (question.spacers = []));
    expect(finder.stale.value).toBe(false);
    leave();
  });

  test('a question that cannot be answered says where, and leaves no answer of before', async () => {
    const { finder, leave } = await narrowFinder();
    await finder.find();
    finder.change((question) => (question.tires = { from: 'list', list: [] }));
    await finder.find();
    expect(finder.problems.value).toMatchObject([{ code: 'missing', path: 'finder.tires' }]);
    expect(finder.result.value).toBeNull();
    expect(finder.running.value).toBe(false);
    leave();
  });

  test('a search that is stopped leaves nothing running and no answer', async () => {
    const { finder, leave } = await narrowFinder();
    const finding = finder.find();
    expect(finder.running.value).toBe(true);
    finder.cancel();
    await finding;
    expect(finder.running.value).toBe(false);
    expect(finder.result.value).toBeNull();
    await finder.find();
    expect(finder.result.value).not.toBeNull();
    leave();
  });

  test('a tire that nothing does for is picked where nothing does at all', async () => {
    const { finder, leave } = await narrowFinder();
    finder.change((question) => {
      question.tires = { from: 'list', list: [{ size: '38x13.50R17' }] };
      question.constraints = {};
      question.allowed = { ...question.allowed, unbolt: false, rerouteMm: 0, tuckLinerMm: 0, trimPlasticMm: 0 };
    });
    await finder.find();
    const [axle] = finder.result.value!.axles;
    expect(axle!.rows).toEqual([]);
    expect(finder.picked.value).toEqual({ axle: 'all', number: axle!.refused[0]!.number });
    const explanation = await until(() => finder.explanation.value);
    expect(explanation.failing.length).toBeGreaterThan(0);
    expect(explanation.failing[0]!.marginMm).toBeLessThan(0);
    leave();
  });

  test('a server that is away is said, and the question stays', async () => {
    const { finder, leave } = await narrowFinder();
    finder.onServer.value = true;
    Object.assign(globalThis, { fetch: () => Promise.reject(new TypeError('fetch failed')) });
    await finder.find();
    expect(finder.problems.value).toMatchObject([{ expected: 'an answer from the server' }]);
    expect(finder.running.value).toBe(false);
    expect(finder.question.value!.tires).toMatchObject({ from: 'list' });
    leave();
  });

  test('a search that waits at the server says how many come before it, until it runs', async () => {
    const { finder, leave } = await narrowFinder();
    finder.onServer.value = true;
    const id = '0b0b7b5e-51b4-4f6c-9a66-2d1cbe3a4f11';
    const state = { id, state: 'waiting', ahead: 2, done: 0, total: 1, combinations: 0, problems: [] };
    const answers: unknown[] = [
      state,
      { ...state, state: 'running', ahead: 0, done: 3, total: 12, combinations: 12 },
      { ...state, state: 'failed', ahead: 0 },
    ];
    const seen: (number | null)[] = [];
    Object.assign(globalThis, {
      fetch: async (path: string) => {
        if (!path.includes('/finder')) throw new TypeError('fetch failed');
        seen.push(finder.ahead.value);
        return { status: 200, ok: true, json: async () => answers.shift() } as Response;
      },
    });
    await finder.find();
    expect(seen).toEqual([null, 2, null]);
    expect(finder.share.value).toBe(0.25);
    expect(finder.ahead.value).toBe(null);
    expect(finder.problems.value).toMatchObject([{ expected: 'an answer from the server' }]);
    leave();
  });
});

describe('what is said of a search that waits', () => {
  test.each([
    [0, 'next to begin'],
    [1, 'behind 1 search'],
    [3, 'behind 3 searches'],
  ])('%d before it', (ahead, words) => {
    expect(waitWords(ahead)).toMatch(new RegExp(`${words}$`));
  });
});
