import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { demoJobs } from '@/demo/demo-jobs';
import type { LowgapFile } from '../lowgap-file';
import { isFields, pathText, type Change } from './change';
import { changesBetween, takenBack } from './diff';
import { merged } from './merge';

const copy = <T>(of: T): T => JSON.parse(JSON.stringify(of)) as T;
const file = (): LowgapFile => copy(demoJobs().at(-1)!.document);
const edited = (edit: (file: LowgapFile) => void, from = file()): LowgapFile => {
  const next = copy(from);
  edit(next);
  return next;
};
const front = (f: LowgapFile) => f.corners.frontLeft!;
const reading = (gapMm: number) => ({ clock: '9:00', across: 'tread' as const, gapMm, steer: 'straight' as const });

/** What two people end with who both began with `was`; the second one's save meets the first one's. */
const both = (was: unknown, first: unknown, second: unknown) => merged(first, changesBetween(was, second));

describe('whatever the two states are', () => {
  const scalar = fc.oneof(fc.integer({ min: 0, max: 3 }), fc.constantFrom('a', 'b', null, true));
  const entries = fc.uniqueArray(fc.record({ id: fc.constantFrom('p', 'q', 'r', 's'), n: scalar }), {
    selector: ({ id }) => id,
    maxLength: 4,
  });
  const plain = fc.array(fc.oneof(scalar, fc.record({ n: scalar, m: scalar })), { maxLength: 4 });
  const state = fc.record(
    {
      a: scalar,
      b: scalar,
      list: entries,
      lines: plain,
      inner: fc.record({ x: scalar, list: entries }, { requiredKeys: [] }),
    },
    { requiredKeys: [] },
  );

  test('the changes between them lead from one to the other and back', () => {
    fc.assert(
      fc.property(state, state, (one, other) => {
        const [before, after] = [copy(one), copy(other)];
        const changes = copy(changesBetween(before, after));
        expect(merged(before, changes)).toEqual({ value: after, clashes: [] });
        expect(merged(after, takenBack(changes))).toEqual({ value: before, clashes: [] });
        // Made twice is made once: a save whose answer got lost is sent again.
        expect(merged(after, changes)).toEqual({ value: after, clashes: [] });
      }),
      { numRuns: 2000, seed: 25 },
    );
  });

  test('a field that only one of two people touched is as that one left it', () => {
    fc.assert(
      fc.property(state, state, state, (...states) => {
        const [was, first, second] = copy(states);
        const { value, clashes } = merged(first, changesBetween(was, second));
        for (const key of ['a', 'b'] as const) {
          const [w, f, s] = [was[key], first[key], second[key]];
          if (f === w) expect(value[key]).toEqual(s);
          else expect(value[key]).toEqual(f);
          const asked = clashes.some(({ path }) => path[0] === key);
          expect(asked).toBe(f !== w && s !== w && f !== s);
        }
      }),
      { numRuns: 2000, seed: 26 },
    );
  });
});

describe('two people in one job', () => {
  test('one measures, the other chooses a wheel: both stand, nobody is asked', () => {
    const first = edited((f) => void (front(f).hubToLipMm = 512));
    const second = edited((f) => void (f.setup!.spacerMm = 7));
    const { value, clashes } = both(file(), first, second);
    expect(clashes).toEqual([]);
    expect(front(value as LowgapFile).hubToLipMm).toBe(512);
    expect((value as LowgapFile).setup!.spacerMm).toBe(7);
  });

  test('both add a reading to one part: both readings stand, the first one saved first', () => {
    const add = (gapMm: number) => (f: LowgapFile) =>
      void (front(f).obstacles[0]!.readings ??= []).push(reading(gapMm));
    const { value, clashes } = both(file(), edited(add(41)), edited(add(42)));
    expect(clashes).toEqual([]);
    const gaps = front(value as LowgapFile).obstacles[0]!.readings!.map(({ gapMm }) => gapMm);
    expect(gaps.slice(-2)).toEqual([41, 42]);
    expect(gaps).toHaveLength((front(file()).obstacles[0]!.readings?.length ?? 0) + 2);
  });

  test('both add the first parts of a corner without any: all are there', () => {
    const was = edited((f) => void (front(f).obstacles = []));
    const part = (id: string) => ({ id, mount: 'body' as const, material: 'liner' as const, readings: [reading(40)] });
    const add = (id: string) => edited((f) => void front(f).obstacles.push(part(id)), was);
    const { value, clashes } = both(was, add('lip'), add('liner'));
    expect(clashes).toEqual([]);
    expect(
      front(value as LowgapFile)
        .obstacles.map(({ id }) => id)
        .sort(),
    ).toEqual(['liner', 'lip']);
  });

  test('the same number changed by both asks, with both values, for that number alone', () => {
    const first = edited((f) => void (f.setup!.spacerMm = 5));
    const second = edited((f) => {
      f.setup!.spacerMm = 9;
      f.setup!.bodyLiftMm = 25;
    });
    const { value, clashes } = both(file(), first, second);
    expect(clashes).toEqual([{ path: ['setup', 'spacerMm'], mine: 9, theirs: 5 }]);
    expect((value as LowgapFile).setup).toMatchObject({ spacerMm: 5, bodyLiftMm: 25 });
    const mine = merged(first, changesBetween(file(), second), () => 'mine');
    expect(mine.value.setup).toMatchObject({ spacerMm: 9, bodyLiftMm: 25 });
  });

  test('one field of a reading each: both, without asking; the same field: asks', () => {
    const start = edited((f) => void (front(f).obstacles[0]!.readings = [reading(40), reading(50)]));
    const at = (f: LowgapFile) => front(f).obstacles[0]!.readings![1]!;
    const first = edited((f) => void (at(f).gapMm = 44), start);
    const second = edited((f) => void (at(f).outboardMm = 12), start);
    const fine = both(start, first, second);
    expect(fine.clashes).toEqual([]);
    expect(at(fine.value as LowgapFile)).toMatchObject({ gapMm: 44, outboardMm: 12 });
    const other = edited((f) => void (at(f).gapMm = 46), start);
    expect(both(start, first, other).clashes).toHaveLength(1);
  });

  test('a part taken away by one and measured by the other asks; taken away by both does not', () => {
    const gone = edited((f) => void front(f).obstacles.splice(0, 1));
    const measured = edited((f) => void (front(f).obstacles[0]!.label = 'Rail'));
    const [clash] = both(file(), gone, measured).clashes;
    expect(clash).toMatchObject({ mine: 'Rail' });
    expect(clash!.theirs).toBeUndefined();
    expect(both(file(), measured, gone).clashes).toHaveLength(1);
    expect(both(file(), gone, gone)).toEqual({ value: gone, clashes: [] });
  });

  test('what nobody touched is the very same object: nothing is worked out again for it', () => {
    const was = file();
    const second = { ...was, setup: { ...was.setup!, spacerMm: 3 } };
    expect(both(was, was, second).value).toMatchObject({ setup: { spacerMm: 3 } });
    expect((both(was, was, second).value as LowgapFile).corners).toBe(was.corners);
  });

  test('another order of parts and a change within one of them asks, and loses neither', () => {
    const turned = edited((f) => void front(f).obstacles.reverse());
    const labelled = edited((f) => void (front(f).obstacles[1]!.label = 'Rail'));
    const { value, clashes } = both(file(), labelled, turned);
    expect(clashes).toHaveLength(1);
    expect(clashes[0]!.path).toEqual(['corners', 'frontLeft', 'obstacles']);
    expect(front(value as LowgapFile).obstacles[1]!.label).toBe('Rail');
  });
});

test('a path is written as problems write it, with the place of an entry now', () => {
  const whole = { document: file() };
  const id = front(whole.document).obstacles[1]!.id;
  const path: Change['path'] = ['document', 'corners', 'frontLeft', 'obstacles', { id }, 'label'];
  expect(pathText(path, whole)).toBe('document.corners.frontLeft.obstacles[1].label');
  expect(pathText(['document', 'corners', 'frontLeft', 'obstacles', { id: 'gone' }], whole)).toMatch(/\.gone$/);
  expect(isFields([])).toBe(false);
});
