import { describe, expect, test } from '@jest/globals';
import Papa from 'papaparse';
import { crowded, QUESTION, SHOP } from '@/core/fixtures/plan-wells';
import { chosenOf, judgePlan } from '@/core/6-decisions/plan/judge-plan';
import { MODIFICATIONS, PRECAUTIONS } from '@/core/6-decisions/plan/modification';
import { planCase } from '@/core/6-decisions/plan/planner';
import { planOf, stepOf } from '@/core/6-decisions/plan/plan-step';
import { NO_CHANGE } from '@/core/6-decisions/plan/setup-changes';
import { workOrder } from '@/core/6-decisions/plan/work-order';
import { ORDER } from './made-up-sheet';
import { orderDocument, type OrderHead } from './order-document';
import { PAPERS } from './paper';
import { partsCsv } from './parts-csv';
import { evaluateCase } from '@/core/4-clearance/verdict/evaluate';
import type { LiftHelp } from '@/core/6-decisions/plan/planner';
import { liftWords, MODIFICATION_WORDS, PRECAUTION_WORDS, stepWords } from './plan-words';
import { fontsOnDisk } from './fonts-on-disk';
import { readPdf } from './pdf-reader';
import type { SetupWork } from '@/core/6-decisions/plan/setup-work';
import { workWords } from './setup-work-words';
import { writeOrderPdf } from './write-order-pdf';

const HEAD: OrderHead = {
  job: 'A job',
  customer: 'A customer',
  vehicle: 'An invented vehicle',
  date: '1 Dec 2026',
  setup: '285/70R17 on 17 x 8',
  standard: 'Cut to fit',
  localRules: '',
  reTorqueAfter: 'as the paper says',
  taxMillionths: SHOP.taxMillionths,
  consents: [{ label: 'Bracket', owner: 'An Owner', date: '2026-11-30' }],
};

const DESCRIPTION = crowded(1, 'cutToFit');
const JUDGED = judgePlan(DESCRIPTION, chosenOf(planCase(DESCRIPTION, QUESTION).leastPermanent!), QUESTION);
const WORK = workOrder(JUDGED.plan, SHOP, { entered: [{ name: '=HYPERLINK("x")', quantity: 3, unitMinor: 199 }] });

describe('a work order on paper', () => {
  test('says everything once: before and after, each step with its cautions, sums, consent and signatures', () => {
    const order = orderDocument(HEAD, JUDGED, WORK);
    expect(order.steps.length).toBe(WORK.lines.length);
    expect(order.gaps.length).toBe(
      JUDGED.things.filter(({ before, after, fix }) => before !== 'clear' || after !== 'clear' || fix).length,
    );
    expect(order.sums.at(-1)).toEqual(['Total', (WORK.sums.totalMinor / 100).toFixed(2)]);
    expect(order.sums.find(([name]) => name.startsWith('Tax'))![0]).toContain('19 %');
    expect(order.statements[0]).toContain('An Owner');
    expect(order.signatures).toContain('Owner, for the crash bracket');
    expect(order.notes).toContain('Re-torque: as the paper says.');
  });

  test('as PDF: true page size, every step and sum on it, pages numbered, letters of other scripts as they were typed', async () => {
    const pages = await readPdf(await writeOrderPdf(ORDER, 'A4', fontsOnDisk()), 40);
    expect(pages.length).toBeGreaterThan(1);
    for (const { widthMm } of pages) expect(widthMm).toBeCloseTo(PAPERS.A4.width, 2);
    const texts = pages.flatMap((page) => page.texts).join(' ');
    for (const { what } of ORDER.steps) expect(texts).toContain(what);
    expect(texts).toContain('653.59');
    expect(texts).toContain(`page ${pages.length} of ${pages.length}`);
    expect(texts).toContain('Ő. Example');
  });

  test('parts as CSV, read back by another program: quantities and sums, formulas disarmed', () => {
    const rows = Papa.parse<Record<string, string>>(partsCsv(WORK.parts), { header: true }).data;
    expect(rows.length).toBe(WORK.parts.length);
    rows.forEach(({ quantity, unit, sum }) => expect(Number(sum)).toBeCloseTo(Number(quantity) * Number(unit), 9));
    expect(rows.at(-1)).toMatchObject({ part: `'=HYPERLINK("x")`, quantity: '3', sum: '5.97' });
  });
});

test('every change and every caution has words of its own', () => {
  const words = [
    ...MODIFICATIONS.map((kind) => MODIFICATION_WORDS[kind]),
    ...PRECAUTIONS.map((one) => PRECAUTION_WORDS[one]),
  ];
  expect(new Set(words).size).toBe(words.length);
});

describe('work that the setup asks for, in words', () => {
  const work = (more: Partial<SetupWork>): SetupWork => ({
    what: 'part',
    at: { axle: 'front' },
    sides: 'both',
    amount: 0,
    part: null,
    spacerType: null,
    as: 'lift',
    beside: false,
    ...more,
  });

  test.each([
    [
      { part: { kind: 'block', thicknessMm: 76.2, replacesMm: 0, stopBearsOn: 'axle', droopSetBy: 'spring' } },
      'Front axle: blocks, 76.2 mm (3 in)',
    ],
    [
      { part: { kind: 'torsionBar', turns: 6, pitchMm: 1.5, keyMm: 90, armMm: 350 }, sides: 'left' },
      'Front axle: torsion-bar adjusters, 6 turns, left side only',
    ],
    // A number that stands in is nobody's decision: it is not printed.
    [
      { part: { kind: 'springSpacer', thicknessMm: 20, motionRatio: 1, starting: ['thicknessMm'] } },
      'Front axle: spring spacers, size not entered yet',
    ],
    [{ what: 'spacersOff' }, 'Front axle: wheel spacers taken off'],
    [{ what: 'axleMove', amount: 25.4, at: { axle: 'rear' } }, 'Rear axle: axle moved 25.4 mm (1 in) forward'],
    [{ what: 'spacer', amount: 38.1, spacerType: 'boltOn' }, 'Front axle: bolt-on spacers, 38.1 mm (1 1/2 in)'],
    [
      { what: 'takeOff', at: { corner: 'frontLeft', obstacle: 'flap', label: 'Mud flap' } },
      'Front left: Mud flap taken off',
    ],
    [{ what: 'bodyLift', at: { whole: true }, amount: 50.8 }, 'Body: body-lift blocks, 50.8 mm (2 in)'],
    [{ what: 'rideHeight', amount: -20 }, 'Front axle: springs, 20 mm (13/16 in) lower'],
  ] as readonly (readonly [Partial<SetupWork>, string])[])('%j', (more, words) =>
    expect(workWords(work(more))).toBe(words),
  );
});

test('a side that nobody described, done alike, stands on the paper as it stands in the plan', () => {
  const at = { corner: 'frontLeft', obstacle: 'cap', label: 'Cap' } as const;
  const plan = planOf(NO_CHANGE, [stepOf(SHOP, 'trimPlastic', at, 12, { times: 2 })]);
  const { steps } = orderDocument(HEAD, { ...JUDGED, plan }, workOrder(plan, SHOP));
  expect(steps.map(({ what }) => what)).toContain(stepWords(plan.steps[0]!));
  expect(steps.map(({ what }) => what).join()).toContain('and the other side alike');
});

test('what a lift does is said once for all that it does nothing for, and by how much where it helps', () => {
  const { obstacles } = evaluateCase(DESCRIPTION);
  const [first, second] = obstacles as unknown as [LiftHelp['verdict'], LiftHelp['verdict']];
  const idle = (verdict: LiftHelp['verdict']): LiftHelp => ({ verdict, liftMm: 50, afterGapMm: verdict.gapMm });
  const [said, ...more] = liftWords([idle(first), idle(second)]);
  expect(more).toEqual([]);
  for (const { label } of [first, second]) expect(said).toContain(label);
  expect(said).toContain('50 mm of lift on the spring does nothing for');
  const helped = { ...idle(first), afterGapMm: first.gapMm + 4 };
  const enough = { ...first, requiredMm: first.gapMm + 3 };
  expect(liftWords([{ ...helped, verdict: enough }])[0]).toMatch(/gives 4 mm, which is enough\.$/);
  expect(liftWords([{ ...helped, verdict: { ...first, requiredMm: first.gapMm + 6 } }])[0]).toContain(
    '2 mm would still be short',
  );
  expect(liftWords([{ ...helped, afterGapMm: first.gapMm - 4 }])[0]).toContain('makes it worse, by 4 mm');
});
