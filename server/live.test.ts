import { afterEach, describe, expect, test } from '@jest/globals';
import type { LiveEvent } from '@/contracts/live-api';
import { Live, wireHere } from './live';

const open: Live[] = [];
afterEach(() => open.splice(0).forEach((live) => live.close()));

/** Processes on one database. */
function processes(count: number, now: () => number = () => 0, wire = wireHere()): Live[] {
  const made = Array.from({ length: count }, () => new Live(wire, now));
  open.push(...made);
  return made;
}

function heard(live: Live, job: string, name = '') {
  const events: LiveEvent[] = [];
  let isOver = false;
  const stop = live.listen(
    job,
    name,
    (event) => void events.push(event),
    () => (isOver = true),
  );
  const here = () => events.filter((event) => event.type === 'here').at(-1)?.names;
  return { events, stop, here, isOver: () => isOver };
}

describe('who has a job open, and what was saved', () => {
  test('a save at one process is heard at another, by those who have that job open', () => {
    const [first, second] = processes(2);
    const own = heard(first!, 'a');
    const far = heard(second!, 'a');
    const other = heard(second!, 'b');
    first!.saved('a', 7);
    const saved = { type: 'saved', revision: 7 };
    expect(own.events).toContainEqual(saved);
    expect(far.events).toContainEqual(saved);
    expect(other.events).not.toContainEqual(saved);
  });

  test('each hears of everybody else, wherever they are, and of their leaving', () => {
    const [first, second] = processes(2);
    const bay = heard(first!, 'a', 'Bay 2');
    const counter = heard(second!, 'a', 'Counter');
    expect(bay.here()).toEqual(['Counter']);
    expect(counter.here()).toEqual(['Bay 2']);
    const third = heard(second!, 'a', 'Office');
    expect(bay.here()).toEqual(['Counter', 'Office']);
    counter.stop();
    third.stop();
    expect(bay.here()).toEqual([]);
  });

  test('a process that died without a word is forgotten', () => {
    let now = 0;
    const [first, second] = processes(2, () => now);
    heard(second!, 'a', 'Counter');
    const bay = heard(first!, 'a', 'Bay 2');
    expect(bay.here()).toEqual(['Counter']);
    now = 60_000;
    heard(first!, 'a', 'Office');
    expect(bay.here()).toEqual(['Office']);
  });

  test('words lost on a line that was down: every stream is ended, so that each is told anew', () => {
    const wire = wireHere();
    let missed = (): void => undefined;
    const breaking = {
      ...wire,
      hear: (heard: (text: string) => void, lost: () => void) => (wire.hear(heard), (missed = lost)),
    };
    const [live] = processes(1, () => 0, breaking);
    const bay = heard(live!, 'a');
    const counter = heard(live!, 'b');
    expect([bay, counter].map((one) => one.isOver())).toEqual([false, false]);
    missed();
    expect([bay, counter].map((one) => one.isOver())).toEqual([true, true]);
  });

  test('what others say on the same wire is not taken for a word of who is here', () => {
    const wire = wireHere();
    const [live] = processes(1, () => 0, wire);
    const bay = heard(live!, 'a', 'Bay 2');
    const before = bay.events.length;
    void wire.tell(JSON.stringify({ kind: 'act', gauge: 'g', act: { act: 'press' } }));
    expect(bay.events).toHaveLength(before);
  });
});
