/**
 * The finder's cost: `npm run bench:finder -- --write` puts finder-found.json and its part of docs/benchmarks.md in place;
 * without --write it only prints. The browser's figures need a build.
 */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { chromium } from '@playwright/test';
import { lowgapFileSchema, type LowgapFile } from '@/contracts/lowgap-file';
import { SectionCache } from '@/core/4-clearance/search/section-cache';
import type { CaseDescription } from '@/core/4-clearance/case/case-description';
import type { CornerDescription } from '@/core/3-survey/description/corner-description';
import { plainOutcome } from '@/core/6-decisions/finder/plain-outcome';
import { NOTHING_ALLOWED, type FinderQuestion } from '@/core/6-decisions/finder/question';
import { FinderSearch } from '@/core/6-decisions/finder/search';
import { FAILS } from '@/core/6-decisions/finder/staged-cells';
import { FinderSession } from '@/core/6-decisions/finder/session';
import { seededRandom } from '@/core/1-base/numeric/seeded-random';
import { CHROMIUM_LAUNCH } from '@/e2e/chromium-launch';
import { FINDER_HEADING, finderReport, type FinderFound } from './finder-report';
import { figure, type Figure } from './measure';
import { inPoses } from './poses';
import { writeSection } from './page-section';
import { surveyedCorner } from './surveyed-corner';

const PORT = 4795;
const BASE = `http://127.0.0.1:${PORT}`;
const RUNS = 5;

interface Size {
  readonly diameters: number;
  readonly widths: number;
  readonly rims: readonly number[];
  readonly offsets: number;
  readonly spacers: readonly number[];
  readonly lifts: readonly number[];
}

const step = (length: number, count: number): number => Number((length / count).toFixed(3));

/** `diameters` x `widths` x rims x offsets x spacers x lifts; with `changes` sheet metal may be folded and cut. */
function question({ diameters, widths, rims, offsets, spacers, lifts }: Size, changes = false): FinderQuestion {
  const span = (from: number, length: number, count: number) => {
    const by = step(length, count);
    return { from, to: from + by * (count - 1), step: by };
  };
  return {
    fit: 'allRound',
    tires: { from: 'ranges', diameterMm: span(740, 140, diameters), widthMm: span(240, 80, widths) },
    wheels: { from: 'ranges', diametersIn: [17], widthsIn: rims, offsetMm: span(-30, 75, offsets) },
    spacers: spacers.map((thicknessMm) => ({ thicknessMm })),
    lift: { kind: 'spring', amountsMm: lifts },
    allowed: changes ? { ...NOTHING_ALLOWED, foldLipMm: 20, cutSheetMetalMm: 50 } : NOTHING_ALLOWED,
    constraints: {},
  };
}

/** `reach`: poses. */
const SIZES: readonly (readonly [combinations: number, size: Size, reach: number | null])[] = [
  [1_500, { diameters: 10, widths: 5, rims: [8, 9], offsets: 5, spacers: [0], lifts: [0, 20, 40] }, null],
  [15_000, { diameters: 10, widths: 5, rims: [8, 9], offsets: 25, spacers: [0, 10], lifts: [0, 20, 40] }, null],
  [
    150_000,
    { diameters: 20, widths: 10, rims: [7.5, 8.5, 9.5], offsets: 25, spacers: [0, 5, 10, 20, 30], lifts: [0, 40] },
    100_000,
  ],
  [
    1_500_000,
    {
      diameters: 25,
      widths: 12,
      rims: [7.5, 8, 8.5, 9, 9.5],
      offsets: 50,
      spacers: [0, 5, 10, 20, 30],
      lifts: [0, 20, 40, 60],
    },
    400_000,
  ],
];

const say = (text: string): void => void process.stderr.write(`${text}\n`);
const corner = surveyedCorner('swingArm');
const vehicle = (envelope: CaseDescription['envelope'], corners: CaseDescription['corners']): CaseDescription => ({
  corners,
  envelope,
  standard: 'cutToFit',
});

/** One run from the question to all combinations; a fresh cache, nothing remembered. */
function run(
  description: CaseDescription,
  asked: FinderQuestion,
): { readonly ms: number; readonly search: FinderSearch } {
  const start = performance.now();
  const search = new FinderSearch(description, asked);
  for (const _ of search.run());
  return { ms: performance.now() - start, search };
}

/** `reach`: in poses, null for no goal. */
function timedRuns(name: string, reach: number | null, description: CaseDescription, asked: FinderQuestion): Figure {
  run(description, asked);
  const one = inPoses(reach, () =>
    figure(
      name,
      'ms',
      Array.from({ length: RUNS }, () => run(description, asked).ms),
      null,
      'most',
    ),
  );
  say(`${name}: ${one.median.toFixed(0)} ms, ${one.poses!.toFixed(0)} poses`);
  return one;
}

/** Seeded combinations of the 150,000 against each obstacle on its own. */
function sample(): FinderFound['sample'] {
  const asked = question(SIZES[2]![1], true);
  const description = vehicle('trail', { frontLeft: corner });
  const { search } = run(description, asked);
  const random = seededRandom(17);
  const cache = new SectionCache();
  let [compared, equal] = [0, 0];
  const start = performance.now();
  for (let n = 0; n < 400; n++) {
    const combination = search.axes.combination(Math.floor(random() * search.axes.combinationCount));
    const cell = search.axes.cellOf(combination);
    const plain = plainOutcome(
      description,
      asked,
      search.axes.candidates,
      search.corners,
      combination,
      undefined,
      cache,
    );
    // At a limit itself the plain search may stop on either side.
    if (plain.nearestLimitMm < 0.15) continue;
    const staged = search.cellsOfStance[combination.stance]!;
    const result =
      staged.remedies[cell]! & FAILS
        ? 'fails'
        : search.verdicts.isPlain(staged, cell, combination.stance)
          ? 'clears'
          : 'withChanges';
    compared++;
    if (result === plain.result) equal++;
  }
  const perCombinationMs = (performance.now() - start) / 400;
  say(`${equal} of ${compared} equal, ${perCombinationMs.toFixed(1)} ms each`);
  return { compared, equal, perCombinationMs };
}

const fileWith = (size: Size): LowgapFile =>
  lowgapFileSchema.parse({
    format: 'lowgap',
    version: 1,
    vehicle: { label: 'Made-up vehicle for measuring' },
    corners: { frontLeft: corner },
    standard: 'cutToFit',
    finder: { question: question(size) },
  });

/** From pressing Find to the answer, and to the first looks, in the browser's worker. */
async function inBrowser(): Promise<Figure[]> {
  const server = spawn(process.execPath, ['dist/server/main.js'], {
    env: { ...process.env, PORT: String(PORT), LOWGAP_DATA: 'memory://' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await once(server.stdout, 'data');
  const browser = await chromium.launch(CHROMIUM_LAUNCH);
  try {
    const figures: Figure[] = [];
    for (const [combinations, size] of SIZES.slice(2)) {
      const made = await fetch(`${BASE}/api/jobs`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ title: 'Measured', customer: '', document: fileWith(size) }),
      });
      const { id } = (await made.json()) as { id: string };
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      await page.goto(`${BASE}/jobs/${id}/finder`);
      await page.getByRole('button', { name: 'Find', exact: true }).waitFor();
      await page.waitForTimeout(3000);
      const firsts: number[] = [];
      const answers: number[] = [];
      for (let n = 0; n < RUNS; n++) {
        // Named functions of this file come with a helper that the page does not know.
        await page.evaluate('globalThis.__name = (f) => f');
        const told = await page.evaluate(async () => {
          const press = [...document.querySelectorAll('button')].find((b) => b.textContent?.trim() === 'Find')!;
          const start = performance.now();
          press.click();
          const seen = (test: () => boolean) =>
            new Promise<number>((resolve) => {
              const look = (): void => {
                if (test()) resolve(performance.now() - start);
                else setTimeout(look, 4);
              };
              look();
            });
          const first = await seen(() => document.body.textContent!.includes('First looks'));
          const all = await seen(() => document.querySelector('[data-testid="finder-runs"]') === null);
          return { first, all };
        });
        firsts.push(told.first);
        answers.push(told.all);
        await page.waitForTimeout(1500);
      }
      const name = `${combinations.toLocaleString('en')} combinations in the browser's worker`;
      figures.push(figure(`${name}, answer drawn up and shown`, 'ms', answers, null, 'most'));
      figures.push(figure(`${name}: first results shown`, 'ms', firsts, 100, 'most'));
      say(
        `${name}: ${answers.map((ms) => ms.toFixed(0)).join(' ')}; first ${firsts.map((ms) => ms.toFixed(0)).join(' ')}`,
      );
      await page.close();
    }
    return figures;
  } finally {
    await browser.close();
    server.kill('SIGTERM');
  }
}

async function main(): Promise<void> {
  const figures = SIZES.map(([combinations, size, reach]) =>
    timedRuns(
      `${combinations.toLocaleString('en')} combinations, one corner`,
      reach,
      vehicle('trail', { frontLeft: corner }),
      question(size),
    ),
  );
  const hundred = question(SIZES[2]![1]);
  figures.push(
    timedRuns(
      '150,000 combinations, folding and cutting allowed',
      150_000,
      vehicle('trail', { frontLeft: corner }),
      question(SIZES[2]![1], true),
    ),
  );
  const sides: readonly CornerDescription[] = [corner, surveyedCorner('swingArm', 40, 5)];
  const four = { frontLeft: sides[0]!, frontRight: sides[1]!, rearLeft: sides[0]!, rearRight: sides[1]! };
  figures.push(timedRuns('150,000 combinations, four corners', 250_000, vehicle('trail', four), hundred));
  figures.push(
    timedRuns('150,000 combinations, street envelope', 200_000, vehicle('street', { frontLeft: corner }), hundred),
  );
  const wishbone = vehicle('trail', { frontLeft: surveyedCorner('doubleWishbone') });
  figures.push(timedRuns('150,000 combinations, double wishbone with tie rod', null, wishbone, hundred));
  const session = () => new FinderSession(vehicle('trail', { frontLeft: corner }), hundred);
  const looks = Array.from({ length: RUNS }, () => {
    const asked = session();
    const start = performance.now();
    asked.firstLook();
    return performance.now() - start;
  });
  figures.push(figure('first looks at five tires, nothing remembered', 'ms', looks, 100, 'most'));
  global.gc?.();
  const before = process.memoryUsage();
  const { search } = run(vehicle('trail', { frontLeft: corner }), question(SIZES[3]![1]));
  const after = process.memoryUsage();
  const used = (after.heapUsed + after.arrayBuffers - before.heapUsed - before.arrayBuffers) / 2 ** 20;
  figures.push(
    figure(
      `memory after 1,500,000 combinations (${search.axes.cellCount.toLocaleString('en')} cells)`,
      'MB',
      [used],
      256,
      'most',
    ),
  );
  const compared = sample();
  if (!process.argv.includes('--no-browser')) figures.push(...(await inBrowser()));
  const machine = `${cpus()[0]?.model ?? 'unknown processor'}, ${cpus().length} cores, Node.js ${process.version} and headless Chromium`;
  const found: FinderFound = { machine, figures, sample: compared };
  if (!process.argv.includes('--write')) {
    process.stdout.write(finderReport(found));
    return;
  }
  writeFileSync(new URL('./finder-found.json', import.meta.url), `${JSON.stringify(found, null, 2)}\n`);
  writeSection(FINDER_HEADING, finderReport(found));
}

await main();
