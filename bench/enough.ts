/** After how many numbers of the walk a survey is said to be enough, and how often that is wrong, over made-up wells of known shape. */
import type { CornerDescription } from '@/core/3-survey/description/corner-description';
import { countParts } from '@/core/2-vehicle/setup/setup';
import { STANDARDS } from '@/core/4-clearance/case/standard';
import { evaluateCase } from '@/core/4-clearance/verdict/evaluate';
import { cornerSpread } from '@/core/5-consequences/spread/spread';
import { enoughRead } from '@/core/6-decisions/next-reading/enough';
import { nextReadingsOf } from '@/core/6-decisions/next-reading/next-case';
import { hardWell } from '@/core/fixtures/wells/hard-well';
import { surveyedWell } from '@/core/fixtures/wells/walk-surveyor';

const value = (flag: string): string | undefined =>
  process.argv.includes(flag) ? process.argv[process.argv.indexOf(flag) + 1] : undefined;
const wells = Number(value('--wells')) || 40;
const from = Number(value('--from')) || 5001;

const FEW = 10;

interface Said {
  readonly kind: 'fallsShort' | 'clear';
  readonly numbers: number;
  readonly isWrong: boolean;
}

function saidOf(seed: number): Said | null {
  const well = hardWell(seed);
  const wanted = well.setups[2]!;
  const caseOf = (corner: CornerDescription, setup = wanted) =>
    ({ corners: { frontLeft: corner }, setup, envelope: 'trail', standard: 'neverRub' }) as const;
  const truth = evaluateCase(caseOf(well.truth, well.trueSetups[2]!)).obstacles;
  let said: Said | null = null;
  surveyedWell(well, wanted, seed, undefined, (corner, numbers) => {
    if (said) return;
    const description = caseOf({
      ...corner,
      obstacles: corner.obstacles.filter(({ readings }) => readings!.length > 0),
    });
    const known = evaluateCase(description).known[0]!;
    const fit = { corner: description.corners.frontLeft, setup: countParts(wanted) };
    const spread = cornerSpread('frontLeft', fit, 'trail', STANDARDS.neverRub);
    const enough = enoughRead(spread, known, nextReadingsOf(description, 'frontLeft'));
    if (!enough) return;
    const margins = truth
      .filter(({ id }) => enough.kind === 'clear' || id === enough.id)
      .map(({ marginMm }) => marginMm);
    const least = Math.min(...margins);
    said = { kind: enough.kind, numbers, isWrong: enough.kind === 'clear' ? least < 0 : least >= 0 };
  });
  return said;
}

const all = Array.from({ length: wells }, (_, i) => {
  const said = saidOf(from + i);
  process.stdout.write(
    `well ${from + i}: ${said ? `${said.kind} after ${said.numbers}${said.isWrong ? ', wrong' : ''}` : 'not enough'}\n`,
  );
  return said;
});
const made = all.flatMap((one) => one ?? []);
const sorted = made.map(({ numbers }) => numbers).sort((a, b) => a - b);
process.stdout.write(
  `\nOf ${wells} wells (seeds from ${from}) ${made.length} were said to be enough within 25 numbers, ${made.filter(({ numbers }) => numbers <= FEW).length} within ${FEW}; ` +
    `in the middle after ${sorted[sorted.length >> 1]}. "Falls short" was said of ${made.filter(({ kind }) => kind === 'fallsShort').length}, wrongly of ` +
    `${made.filter(({ kind, isWrong }) => kind === 'fallsShort' && isWrong).length}; "clear" of ${made.filter(({ kind }) => kind === 'clear').length}, wrongly of ` +
    `${made.filter(({ kind, isWrong }) => kind === 'clear' && isWrong).length}.\n`,
);
