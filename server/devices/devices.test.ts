import { describe, expect, test } from '@jest/globals';
import type { GaugeEvent } from '@/contracts/device-api';
import { parseWith } from '@/contracts/parse';
import { scanPlanSchema } from '@/contracts/scan-plan';
import { seededNormal } from '@/core/1-base/numeric/seeded-random';
import { surveyScan } from '@/core/3-survey/scan/survey-scan';
import { demoJobs } from '@/demo/demo-jobs';
import { readScan } from '@/meshes/read-scan';
import { simulatedGauge } from './simulated-gauge';
import { simulatedScanner } from './simulated-scanner';

/** A clock that a test winds by hand. */
function handClock() {
  const ticking = new Set<() => void>();
  const later: (() => void)[] = [];
  return {
    clock: {
      every: (_ms: number, work: () => void) => {
        ticking.add(work);
        return () => void ticking.delete(work);
      },
      after: (_ms: number, work: () => void) => void later.push(work),
    },
    tick: (times: number) => {
      for (let i = 0; i < times; i++) ticking.forEach((work) => work());
    },
    late: () => later.splice(0).forEach((work) => work()),
    count: () => ticking.size,
  };
}

describe('the simulated gauge', () => {
  const started = (drain = 1e-5) => {
    const hand = handClock();
    const gauge = simulatedGauge(seededNormal(5), hand.clock, { everyMs: 200, noiseMm: 0.15, driftMm: 0.4, drain });
    const heard: GaugeEvent[] = [];
    let broken = 0;
    const stop = gauge.listen(
      (event) => heard.push(event),
      () => broken++,
    );
    return { hand, gauge, heard, stop, broken: () => broken };
  };

  test('streams what it is held at, with the noise it says, and takes by its own button', () => {
    const { hand, gauge, heard } = started();
    gauge.act({ act: 'hold', mm: 57 });
    hand.tick(400);
    const values = heard.flatMap((event) => (event.type === 'value' ? [event.mm] : []));
    const mean = values.reduce((sum, v) => sum + v, 0) / values.length;
    const spread = Math.sqrt(values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / values.length);
    expect(Math.abs(mean - 57)).toBeLessThan(0.5);
    expect(spread).toBeGreaterThan(0.1);
    expect(spread).toBeLessThan(0.3);
    gauge.act({ act: 'press' });
    gauge.act({ act: 'press' });
    expect(heard.slice(-2)).toMatchObject([
      { type: 'taken', number: 1 },
      { type: 'taken', number: 2 },
    ]);
  });

  test('its battery dies, after which it says nothing until it gets another', () => {
    const { hand, gauge, heard } = started(0.01);
    hand.tick(100);
    expect(heard.at(-1)).toEqual({ type: 'state', battery: 0, dead: true });
    const before = heard.length;
    hand.tick(10);
    gauge.act({ act: 'press' });
    expect(heard).toHaveLength(before);
    gauge.act({ act: 'newBattery' });
    hand.tick(1);
    expect(heard.at(-1)!.type).toBe('value');
  });

  test('a pulled cable breaks the link to everybody, and comes back', () => {
    const { hand, gauge, broken } = started();
    gauge.act({ act: 'pullCable', ms: 500 });
    expect([broken(), gauge.linked, hand.count()]).toEqual([1, false, 0]);
    hand.late();
    expect(gauge.linked).toBe(true);
  });

  test('rests while nobody listens', () => {
    const { hand, stop } = started();
    expect(hand.count()).toBe(1);
    stop();
    expect(hand.count()).toBe(0);
  });
});

test('a simulated scan lands on the corner it was made of: its wall 505 mm behind the hub, leaning as made', async () => {
  const { ply, plan } = await simulatedScanner().scan();
  const parsed = parseWith(scanPlanSchema, plan);
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems));
  const corner = demoJobs().at(-1)!.document.corners.frontLeft!;
  const { alignment, obstacles } = surveyScan('frontLeft', corner as never, readScan('scan.ply', ply), parsed.value);
  for (const { mm } of alignment.residuals) expect(mm).toBeLessThan(0.1);
  const wall = obstacles.find(({ id }) => id === 'rear-wall')!.shape!.points;
  expect(wall.length).toBeGreaterThan(300);
  const off = wall.map(([x, , z]) => Math.abs(x + 505 - 0.12 * z)).sort((a, b) => a - b);
  expect(off[Math.floor(off.length * 0.95)]).toBeLessThan(1.5);
});
