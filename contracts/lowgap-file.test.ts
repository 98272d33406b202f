import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { LIMITS, type Range } from '@/core/1-base/limits';
import { attempt, type Result } from '@/core/1-base/problem';
import { evaluateCase } from '@/core/4-clearance/verdict/evaluate';
import { demoJobs } from '@/demo/demo-jobs';
import { asCase } from './as-case';
import { caseOfRound, fittedCorner, trimmedBefore } from './as-fit';
import { asPlanQuestion, vehicleFacts } from './as-plan-question';
import { finderQuestionSchema } from './finder';
import { lowgapFileSchema, type LowgapFile } from './lowgap-file';
import { parseWith, readLowgapJson } from './parse';
import { planSchema } from './plan';
import { placeText, problemLine, problemText } from './problems';

const JOBS = demoJobs();
const copyOf = (start: string): LowgapFile =>
  JSON.parse(JSON.stringify(JOBS.find(({ title }) => title.startsWith(start))!.document)) as LowgapFile;

/** Reads a demo job after it was changed, as anything: from a file it may be. */
function read(edit: (file: Record<string, never>) => void): Result<LowgapFile> {
  const file = copyOf('Patrol');
  edit(file as never);
  return readLowgapJson(JSON.parse(JSON.stringify(file)));
}
const problemOf = (found: Result<unknown>) => (found.ok ? null : found.problems[0]!);

describe('the document', () => {
  test.each(JOBS.map(({ title, document }) => [title, document] as const))('of "%s" reads back the same', (_, file) => {
    expect(readLowgapJson(JSON.parse(JSON.stringify(file)))).toEqual({ ok: true, value: file });
    expect(asCase(file)).toBe(file);
  });

  test('what may be left out has the value that means nothing was said', () => {
    const bare = lowgapFileSchema.parse({ format: 'lowgap', version: 1, vehicle: { label: 'A' }, corners: {} });
    expect(bare).toMatchObject({ corners: {}, vehicle: { label: 'A' } });
    expect(bare).not.toHaveProperty('setup');
    expect(readLowgapJson(JSON.parse(JSON.stringify(bare)))).toEqual({ ok: true, value: bare });
  });

  test.each<[string, (file: never) => void, string]>([
    [
      'a corner that no vehicle has',
      ({ corners }: never) => void (corners['middle' as never] = {} as never),
      'corners',
    ],
    [
      'a reading with a gap beyond the tape',
      ({ corners }: { corners: LowgapFile['corners'] }) =>
        void (corners.frontLeft!.obstacles[0]!.readings![0]!.gapMm = 99_999),
      'corners.frontLeft.obstacles[0].readings[0].gapMm',
    ],
    [
      'a tire size that cannot be read',
      ({ setup }: { setup: NonNullable<LowgapFile['setup']> }) => void (setup.tire.size = 'round'),
      'setup.tire.size',
    ],
    ['a standard that nobody knows', (file: { standard: string }) => void (file.standard = 'loose'), 'standard'],
  ] as never)('%s is refused at its place', (_, edit, path) => {
    const problem = problemOf(read(edit as never));
    expect(problem).not.toBeNull();
    expect(problem!.path.startsWith(path)).toBe(true);
    expect(problemLine(problem!)).toContain(problem!.path);
    expect(problemText(problem!).split(': expected')[0]).not.toMatch(/\[\d|\.\w|[a-z][A-Z]/);
  });

  test.each<[string, (things: NonNullable<LowgapFile['corners']['frontLeft']>['obstacles']) => void, string, string]>([
    [
      'a clock that cannot be read',
      ([first]) => void (first!.readings![0]!.clock = '25:61'),
      'readings[0].clock',
      '25:61',
    ],
    ['a second thing of one id', ([first, second]) => void (first!.id = second!.id), '.id', 'a second'],
  ])('what the schema lets through the engine refuses at its place: %s', (_, edit, path, found) => {
    const file = copyOf('Patrol');
    edit(file.corners.frontLeft!.obstacles);
    const problem = problemOf(attempt(() => evaluateCase(asCase(file))))!;
    expect(problem.path).toContain('corners.frontLeft.obstacles');
    expect(problem.path).toContain(path);
    expect(problem.found).toContain(found);
  });

  test('a text of control characters is not taken into a name', () => {
    expect(problemOf(read((file) => void ((file as never as LowgapFile).vehicle.label = 'a\u0000b')))).not.toBeNull();
  });

  test('numbers at the ends of their ranges are taken, beyond them not', () => {
    const heights: readonly [keyof NonNullable<LowgapFile['setup']>, Range][] = [
      ['suspensionLiftMm', LIMITS.suspensionLiftMm],
      ['bodyLiftMm', LIMITS.bodyLiftMm],
      ['bumpStopMm', LIMITS.bumpStopMm],
      ['spacerMm', LIMITS.spacerMm],
    ];
    for (const [field, { min, max }] of heights) {
      const withValue = (value: number): Result<LowgapFile> =>
        read((file) => void ((file as never as { setup: Record<string, number> }).setup[field] = value));
      expect(withValue(min).ok).toBe(true);
      expect(withValue(max).ok).toBe(true);
      expect(problemOf(withValue(max + 0.001))).toMatchObject({ code: 'outOfRange', path: `setup.${field}` });
      expect(problemOf(withValue(min - 0.001))).toMatchObject({ code: 'outOfRange', path: `setup.${field}` });
    }
  });

  test('whatever is put in the place of a field is taken or refused with a place, never thrown', () => {
    const anything = fc.oneof(
      fc.integer(),
      fc.double(),
      fc.string(),
      fc.boolean(),
      fc.constant(null),
      fc.constant([]),
      fc.constant({}),
    );
    const places = fc.constantFrom(
      'vehicle',
      'corners',
      'setup',
      'envelope',
      'standard',
      'plan',
      'finder',
      'testFits',
      'install',
    );
    fc.assert(
      fc.property(places, anything, (place, value) => {
        const found = readLowgapJson({ ...copyOf('Patrol'), [place]: value });
        if (found.ok) return;
        for (const { path, expected } of found.problems) {
          expect(path).not.toBe('');
          expect(expected).not.toBe('');
        }
      }),
      { numRuns: 200 },
    );
  });
});

test('a place is named as the screen names it', () => {
  expect(placeText('corners.frontLeft.obstacles[1].readings[0].gapMm')).toBe('front left, thing 2, reading 1, gap');
  const file = { corners: { frontLeft: { obstacles: [{ id: 'a' }, { id: 'b', label: 'Body mount' }] } } };
  expect(placeText('corners.frontLeft.obstacles[1].readings[0].gapMm', file)).toBe(
    'front left, Body mount, reading 1, gap',
  );
  expect(placeText('corners.frontLeft.obstacles[0].mount', file)).toBe('front left, thing 1, mount');
  expect(placeText('testFits[0].date', { testFits: [{ title: 'Round 1' }] })).toBe('Round 1, date');
  expect(placeText('setup.suspensionLiftMm')).toBe('setup, suspension lift');
  expect(placeText('finder.tires.mostDiameterMm')).toBe('finder, tires, most diameter');
  // The name of a file is nobody's path.
  expect(placeText('my well.json')).toBe('my well.json');
  expect(placeText('well.ply')).toBe('well.ply');
  expect(placeText('')).toBe('');
});

describe('a round of the test fit', () => {
  const file = copyOf('Lift-line');
  const round = file.testFits![0]!;

  test('is judged by what it had on, and by the bench’s setup where it kept none', () => {
    expect(caseOfRound(file, round).setup).toEqual(round.setup);
    expect(caseOfRound(file, { ...round, setup: undefined as never }).setup).toEqual(file.setup);
  });

  test('counts what was trimmed before it, not after, thing by thing', () => {
    const trimmed = (mm: number) => [{ corner: 'frontLeft' as const, obstacle: 'lip', mm }];
    const rounds = [
      { ...round, id: 'one', trimmed: trimmed(4) },
      { ...round, id: 'two', trimmed: trimmed(3) },
      { ...round, id: 'three', trimmed: trimmed(9) },
    ];
    const before = (id: string, key: 'frontLeft' | 'frontRight' = 'frontLeft') =>
      trimmedBefore(
        { ...file, testFits: rounds },
        rounds.find((one) => one.id === id)!,
        key,
      ).get('lip');
    expect(before('one')).toBeUndefined();
    expect(before('two')).toBe(4);
    expect(before('three')).toBe(7);
    expect(before('three', 'frontRight')).toBeUndefined();
  });

  test('holds a corner with its own heights and postures', () => {
    const fitted = fittedCorner(file, round, 'frontLeft');
    expect(fitted.corner).toBe(file.corners.frontLeft);
    expect(fitted.hubToLipMm).toBe(round.heights.frontLeft?.hubToLipMm);
    expect(fitted.postures.map(({ kind }) => kind)).toEqual(round.postures.map(({ kind }) => kind));
    expect(() => fittedCorner({ ...file, corners: {} }, round, 'frontLeft')).toThrow('frontLeft');
  });
});

describe('what is asked of finder and planner', () => {
  test('a question without what may be changed allows nothing', () => {
    const asked = finderQuestionSchema.parse({
      tires: { from: 'list', list: [{ size: '265/70R17' }] },
      wheels: { from: 'list', list: [{ diameterIn: 17, widthIn: 8, offsetMm: 0 }] },
    });
    expect(asked.fit).toBe('allRound');
    expect(
      Object.values(asked.allowed).every((most) => most === false || most === 0 || (most as []).length === 0),
    ).toBe(true);
  });

  test.each([
    [
      'a step of nothing',
      { from: 'ranges', diameterMm: { from: 700, to: 800, step: 0 }, widthMm: { from: 200, to: 300, step: 5 } },
    ],
    ['a range of another kind', { from: 'guess' }],
    ['a price with a fraction of a cent', { from: 'list', list: [{ size: '265/70R17', priceMinor: 12.5 }] }],
  ])('%s is no question', (_, tires) => {
    const wheels = { from: 'list', list: [] };
    expect(parseWith(finderQuestionSchema, { tires, wheels }).ok).toBe(false);
  });

  test('consents go to the planner by corner and thing, with what the vehicle is', () => {
    const plan = planSchema.parse({
      consents: [{ corner: 'frontLeft', obstacle: 'bracket', owner: 'A. Owner', date: '2026-02-03' }],
    });
    expect(asPlanQuestion(plan).consents).toEqual(['frontLeft:bracket']);
    const file = { ...copyOf('Patrol'), underbody: { slipJointEngagedMm: 60, slipJointLeastMm: 25 } };
    expect(vehicleFacts(file as LowgapFile)).toMatchObject({ slipJointEngagedMm: 60, slipJointLeastMm: 25 });
  });
});
