import { afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import type { VueWrapper } from '@vue/test-utils';
import { asCase } from '@/contracts/as-case';
import { evaluateCase } from '@/core/4-clearance/verdict/evaluate';
import { demoJobs } from '@/demo/demo-jobs';
import type { JobStore } from '../stores/job';
import { mountedInJob, openedJob } from '../testing/mounting';
import { all, pageText } from '../testing/page';
import { endWorkersHere, runWorkersHere, until } from '../testing/worker-here';
import { customerAnswer, plainPosture } from './customer-words';
import CustomerRoom from './CustomerRoom.vue';

let job: JobStore;
let wrapper: VueWrapper | null = null;

beforeAll(runWorkersHere);
afterEach(() => {
  wrapper?.unmount();
  job?.close();
  endWorkersHere();
});

const room = async (title: string, edit?: (own: JobStore) => void): Promise<void> => {
  ({ job } = await openedJob(title));
  edit?.(job);
  wrapper = await mountedInJob(CustomerRoom, {}, { room: 'customer' });
  await until(() => all('.headline').length > 0);
};

describe('the page for the customer', () => {
  test('says where it is short and how the wheel then stands, as the engine has it', async () => {
    await room('Patrol');
    const { obstacles } = evaluateCase(asCase(job.document!));
    const short = obstacles.filter(({ marginMm }) => marginMm < 0);
    const text = all('[data-testid="customer-card"]')[0]!.text();
    for (const one of short) {
      expect(text).toContain(one.label);
      expect(text).toContain(`${Math.round(one.gapMm)} mm of room, ${one.requiredMm} mm wanted`);
    }
    expect(text).toContain('with the wheel turned right');
    expect(text).toContain('not planned yet');
    // No word of a shop's jargon.
    expect(text).not.toMatch(/envelope|margin|steer and travel/);
  });

  test('each tried setup has its card; the picture is of the one pressed', async () => {
    await room('Patrol', (own) =>
      own.changeSetup((file) => {
        file.compared = [
          {
            name: 'As it came',
            setup: { ...structuredClone(file.setup!), ...structuredClone(file.corners.frontLeft!.fitted) },
          },
        ];
      }),
    );
    const cards = all('[data-testid="customer-card"]');
    expect(cards).toHaveLength(2);
    const before = all('.wheel-picture text')[0]!.text();
    await cards[1]!.trigger('click');
    expect(all('.wheel-picture text')[0]!.text()).not.toBe(before);
    expect(all('.wheel-picture text')[0]!.text()).toContain('As it came');
  });

  test('a job of which too little is known says so, and nothing clears', async () => {
    await room('Coupe');
    expect(pageText()).toContain('Not known yet');
    expect(pageText()).not.toContain('It clears');
  });
});

test('a left wheel has its front to the left, as whoever faces it sees it', async () => {
  await room('Patrol', (own) => own.change((file) => void delete file.corners.frontRight));
  await until(() => all('.wheel-picture').length > 0);
  const front = all('.wheel-picture text').find((one) => one.text() === 'front')!;
  expect(front.attributes('text-anchor')).toBe('start');
});

describe('words for whoever pays', () => {
  test.each([
    [0, 0, 'as it stands'],
    [31, 60, 'with the wheel turned left and pushed up'],
    [-31, -60, 'with the wheel turned right and hanging'],
    [0, 70, 'with the wheel straight and pushed up'],
  ])('%i degrees, %i mm: %s', (steer, travel, words) => expect(plainPosture(steer, travel, 0)).toBe(words));

  test('a shop of inches says inches', () => {
    const { document } = demoJobs().find(({ title }) => title.startsWith('Patrol'))!;
    const { lines } = customerAnswer(evaluateCase(asCase(document)), () => 0, 'in');
    expect(lines[0]).toMatch(/1\/8 in of room, 5\/16 in wanted/);
  });

  test('two parts that come too near each other keep it from clearing; corners nobody measured are named', () => {
    const { document } = demoJobs().find(({ title }) => title.startsWith('Patrol'))!;
    const { setup: _, ...fitted } = document;
    const evaluation = evaluateCase(asCase(fitted as typeof document));
    const clear = { ...evaluation, obstacles: evaluation.obstacles.filter(({ marginMm }) => marginMm >= 0) };
    const pair = { corner: 'frontLeft', a: 'track-bar', b: 'perch', gapMm: 4, requiredMm: 10, marginMm: -6 };
    const said = customerAnswer({ ...clear, pairs: [pair] } as unknown as typeof evaluation, () => 0, 'mm');
    expect(said.headline).toBe('Too close as it is.');
    expect(said.verdict).toBe('tooClose');
    expect(said.lines.join(' ')).toContain('track-bar and perch, front left, come near each other: 4 mm');
    expect(said.lines.at(-1)).toBe('Not measured: rear left, rear right.');
  });
});
