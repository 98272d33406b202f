/** How well twenty-five numbers of a surveyed corner foretell other setups, over synthetic wells of known shape. */
import { writeFileSync } from 'node:fs';
import type { CornerDescription } from '@/core/3-survey/description/corner-description';
import { type SetupDescription, countParts } from '@/core/2-vehicle/setup/setup';
import { evaluateCase, type ObstacleVerdict } from '@/core/4-clearance/verdict/evaluate';
import { STANDARDS } from '@/core/4-clearance/case/standard';
import { surveyedWell } from '@/core/fixtures/synthetic-surveyor';
import { syntheticWell } from '@/core/6-decisions/practice/synthetic-well';
import { cornerSpread } from '@/core/5-consequences/spread/spread';

export interface WellsFound {
  readonly wells: number;
  readonly from: number;
  readonly setups: number;
  readonly medianMm: number;
  readonly p90Mm: number;
  readonly biasMm: number;
  /** Not within 3 mm of touching. */
  readonly called: number;
  readonly right: number;
  readonly falseClear: number;
  readonly falseRub: number;
  readonly touching: number;
  readonly named: number;
  /** Wells in which the truth lay in the 5 to 95 % band of the low margin of the setup the survey was made for. */
  readonly inBand: number;
  readonly byObstacle: Readonly<
    Record<string, { readonly count: number; readonly medianMm: number; readonly p90Mm: number }>
  >;
}

/** mm: a call this near touching is nobody's to make. */
const TOUCHING_MM = 3;

/** mm: gaps above this do not matter to anybody. */
const NEAR_MM = 40;

const quantile = (values: readonly number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.floor(share * (values.length - 1))] ?? NaN;

const nearest = (obstacles: readonly ObstacleVerdict[]): ObstacleVerdict =>
  obstacles.reduce((a, b) => (b.gapMm < a.gapMm ? b : a));

export function measureWells(wells: number, from: number, say: (line: string) => void = () => {}): WellsFound {
  const off: number[] = [];
  const byObstacle = new Map<string, number[]>();
  const count = { called: 0, right: 0, falseClear: 0, falseRub: 0, touching: 0, named: 0, inBand: 0 };
  for (let seed = from; seed < from + wells; seed++) {
    const well = syntheticWell(seed);
    const wanted = well.setups[2]!;
    const surveyed = surveyedWell(well, wanted, seed);
    const verdicts = (corner: CornerDescription, setup: SetupDescription): readonly ObstacleVerdict[] =>
      evaluateCase({ corners: { frontLeft: corner }, setup, envelope: 'trail', standard: 'neverRub' }).obstacles;
    for (const setup of well.setups) {
      const [truth, found] = [verdicts(well.truth, setup), verdicts(surveyed, setup)];
      const [is, said] = [nearest(truth), nearest(found)];
      off.push(said.gapMm - is.gapMm);
      for (const { id, gapMm } of truth.filter((o) => o.gapMm < NEAR_MM)) {
        byObstacle.set(id, [...(byObstacle.get(id) ?? []), Math.abs(found.find((o) => o.id === id)!.gapMm - gapMm)]);
      }
      if (is.gapMm < 0) {
        count.touching++;
        if (said.id === is.id) count.named++;
      }
      if (Math.abs(is.gapMm) <= TOUCHING_MM) continue;
      count.called++;
      if (is.gapMm < 0 === said.gapMm < 0) count.right++;
      else if (is.gapMm < 0) count.falseClear++;
      else count.falseRub++;
    }
    const { lowMargin } = cornerSpread(
      'frontLeft',
      { corner: surveyed, setup: countParts(wanted) },
      'trail',
      STANDARDS.neverRub,
    );
    const truth = Math.min(...verdicts(well.truth, wanted).map(({ marginMm }) => marginMm));
    if (truth >= lowMargin.p5Mm && truth <= lowMargin.p95Mm) count.inBand++;
    say(
      `well ${seed}: ${off
        .slice(-well.setups.length)
        .map((mm) => mm.toFixed(1))
        .join(' ')}`,
    );
  }
  const size = off.map(Math.abs);
  return {
    wells,
    from,
    setups: off.length,
    medianMm: quantile(size, 0.5),
    p90Mm: quantile(size, 0.9),
    biasMm: quantile(off, 0.5),
    ...count,
    byObstacle: Object.fromEntries(
      [...byObstacle].map(([id, mm]) => [
        id,
        { count: mm.length, medianMm: quantile(mm, 0.5), p90Mm: quantile(mm, 0.9) },
      ]),
    ),
  };
}

const share = (part: number, of: number): string => `${((100 * part) / of).toFixed(1)} %`;

/** The section of docs/benchmarks.md. */
export function wellsReport(f: WellsFound): string {
  const cost = (5 * f.falseClear + f.falseRub) / f.called;
  const rows = Object.entries(f.byObstacle).map(
    ([id, o]) => `| ${id} | ${o.count} | ${o.medianMm.toFixed(1)} mm | ${o.p90Mm.toFixed(1)} mm |`,
  );
  return `## What twenty-five numbers foretell

\`npm run bench:wells\`: ${f.wells} made-up wells (seeds from ${f.from}) of known shape, double wishbones and swing arms in turn, seven
kinds of obstacle whose shapes are not of the families they are fitted to. Tape noise 2 mm, clocks to ten minutes, hard points to
4 mm, locks to 1 degree. Twenty-one numbers by the usual walk, the last four where the engine asks; heights and outboard distances
count as numbers. Each well foretells ${f.setups / f.wells} other setups over everything the stops allow.

| what | found | goal | |
| --- | --- | --- | --- |
| least gap, median miss | ${f.medianMm.toFixed(1)} mm | 3 mm | ${f.medianMm <= 3 ? 'met' : 'missed'} |
| least gap, ninetieth percentile | ${f.p90Mm.toFixed(1)} mm | 10 mm | ${f.p90Mm <= 10 ? 'met' : 'missed'} |
| clear or rubs called right, of ${f.called} not within 3 mm of touching | ${share(f.right, f.called)} | 95 % | ${f.right / f.called >= 0.95 ? 'met' : 'missed'} |
| false "clear" and false "rubs" | ${f.falseClear} and ${f.falseRub} | | |
| cost of wrong calls, a false "clear" counted five times, per call | ${cost.toFixed(3)} | | |
| touching obstacle named, of ${f.touching} | ${share(f.named, f.touching)} | 90 % | ${f.named / f.touching >= 0.9 ? 'met' : 'missed'} |
| truth within the 5 to 95 % band of the low margin | ${share(f.inBand, f.wells)} | 90 % | |
| bias of the least gap (median; - is on the cautious side) | ${f.biasMm.toFixed(1)} mm | | |

| obstacle, where its true gap is under 40 mm | cases | median miss | ninetieth percentile |
| --- | --- | --- | --- |
${rows.join('\n')}
`;
}

if (process.argv.includes('--wells')) {
  const number = (flag: string, usual: number): number =>
    Number(process.argv[process.argv.indexOf(flag) + 1] ?? usual) || usual;
  const found = measureWells(number('--wells', 60), number('--from', 301), (line) => process.stdout.write(`${line}\n`));
  process.stdout.write(wellsReport(found));
  if (process.argv.includes('--write')) {
    writeFileSync(new URL('./wells-found.json', import.meta.url), `${JSON.stringify(found, null, 2)}\n`);
  }
}
