import { afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import { defineComponent, h, nextTick } from 'vue';
import { asCase } from '@/contracts/as-case';
import { FinderSession } from '@/core/6-decisions/finder/session';
import { mountedInJob, openedJob } from '../testing/mounting';
import { endWorkersHere, runWorkersHere, until } from '../testing/worker-here';
import { chanceKey, useFinder } from './use-finder';

type Finder = ReturnType<typeof useFinder>;

/** The finder of the open job, inside a component as it is used. */
async function finder(): Promise<Finder> {
  let made: Finder | undefined;
  const Holder = defineComponent(() => {
    made = useFinder();
    return () => h('div');
  });
  await mountedInJob(Holder, {}, { room: 'finder' });
  return made!;
}

/** Few tires and wheels, so that an answer is soon there. */
function narrow({ change }: Finder): void {
  change((question) => {
    question.tires = { kind: 'list', sizes: ['265/70R17', '285/70R17', '315/70R17'] } as never;
  });
}

beforeAll(runWorkersHere);
afterEach(endWorkersHere);

describe('the finder of the open job', () => {
  test('dbg', async () => {
    await openedJob();
    const it = await finder();
    console.log(JSON.stringify(it.question.value));
    await it.find();
    console.log(it.problems.value, it.result.value?.axles.map((a) => [a.axle, a.rows.length, a.tally]));
    void [asCase, FinderSession, chanceKey, nextTick, until, narrow];
    expect(1).toBe(1);
  });
});
