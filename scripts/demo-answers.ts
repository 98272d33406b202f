/**
 * What the command line answers on every demo job, for saying that a change left the numbers alone:
 *
 *     npm run answers -- write before.json      (on the commit before)
 *     npm run answers -- compare before.json    (on the one after: every number that moved by more than 1e-9)
 */
import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { demoJobs } from '@/demo/demo-jobs';

/** Numbers further apart than this have moved. */
const SAME = 1e-9;

/** One question all jobs are asked that keep none of their own. */
const QUESTION = {
  fit: 'allRound',
  tires: { from: 'common', leastDiameterMm: 600, mostDiameterMm: 860 },
  wheels: {
    from: 'ranges',
    diametersIn: [16, 17, 18],
    widthsIn: [7.5, 8.5],
    offsetMm: { from: -20, to: 45, step: 13 },
  },
  lift: { kind: 'spring', amountsMm: [0, 30] },
  allowed: { unbolt: true, trimPlasticMm: 40, foldLipMm: 15, cutSheetMetalMm: 30, steeringStopsDeg: [2] },
};

/** Exit status of a command that names what it cannot take. */
const REFUSED = 2;

type Answers = Record<string, unknown>;

function allAnswers(folder: string): Answers {
  execFileSync(process.execPath, ['scripts/bundle-cli.mjs', folder], { stdio: 'inherit' });
  const questionPath = join(folder, 'question.json');
  writeFileSync(questionPath, JSON.stringify(QUESTION));
  const answers: Answers = {};
  for (const { title, document } of demoJobs()) {
    const path = join(folder, 'job.lowgap.json');
    writeFileSync(path, JSON.stringify(document));
    for (const [name, words] of commandsFor(document, path, questionPath, folder)) {
      answers[`${title}: ${name}`] = ask(join(folder, 'main.mjs'), words, folder);
    }
  }
  return answers;
}

function commandsFor(document: LowgapFile, path: string, questionPath: string, folder: string): [string, string[]][] {
  const corners = Object.entries(document.corners);
  return [
    ['evaluate', ['evaluate', path, '--postures']],
    ['spread', ['spread', path, '--draws', '200']],
    ['levers', ['levers', path]],
    ['find', ['find', path, ...(document.finder?.question ? [] : ['--question', questionPath])]],
    ['plan', ['plan', path]],
    ...corners.flatMap(([key, corner]) =>
      corner.obstacles.flatMap(({ id }): [string, string[]][] => [
        [`panel ${key} ${id}`, ['panel', path, '--corner', key, '--obstacle', id]],
        [`cut ${key} ${id}`, ['cut', path, '--corner', key, '--obstacle', id, '--out', join(folder, 'cut.svg')]],
      ]),
    ),
  ];
}

/** What a command printed, or what it refused and why, without the folder's name. */
function ask(main: string, words: string[], folder: string): unknown {
  try {
    const printed = execFileSync(process.execPath, [main, ...words], {
      encoding: 'utf8',
      stdio: 'pipe',
      maxBuffer: 1e9,
    });
    return JSON.parse(printed.replaceAll(folder, ''));
  } catch (error) {
    const { status, stderr } = error as { status: number; stderr: string };
    // Only bad input may refuse: a fault would be the same before and after, and say nothing.
    if (status !== REFUSED) throw error;
    return { status, refused: stderr.replaceAll(folder, '') };
  }
}

/** Every place where two answers differ, as `path: before -> after`. */
function differences(before: unknown, after: unknown, path: string): string[] {
  if (typeof before === 'number' && typeof after === 'number') {
    return Math.abs(before - after) <= SAME * Math.max(1, Math.abs(before)) ? [] : [`${path}: ${before} -> ${after}`];
  }
  if (before !== null && after !== null && typeof before === 'object' && typeof after === 'object') {
    const [a, b] = [before as Answers, after as Answers];
    return [...new Set([...Object.keys(a), ...Object.keys(b)])].flatMap((key) =>
      differences(a[key], b[key], path === '' ? key : `${path}.${key}`),
    );
  }
  if (before === after) return [];
  if (before === undefined) return [`new: ${path}: ${JSON.stringify(after)}`];
  return [`${path}: ${JSON.stringify(before)} -> ${JSON.stringify(after)}`];
}

/** How many numbers moved in each answer: `job: command`. */
function countBy(lines: readonly string[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const line of lines) {
    const answer = /^.*?: \w+/.exec(line)?.[0] ?? line;
    counts.set(answer, (counts.get(answer) ?? 0) + 1);
  }
  return counts;
}

const [act, file] = process.argv.slice(2);
if ((act !== 'write' && act !== 'compare') || !file) {
  process.stderr.write('demo-answers: write FILE, or compare FILE\n');
  process.exit(2);
}
// Inside the project, so that the bundle finds its packages.
mkdirSync('.cache', { recursive: true });
const folder = mkdtempSync(join(process.cwd(), '.cache/answers-'));
try {
  const answers = allAnswers(folder);
  if (act === 'write') writeFileSync(file, JSON.stringify(answers));
  else {
    const all = differences(JSON.parse(readFileSync(file, 'utf8')), answers, '');
    const moved = all.filter((line) => !line.startsWith('new: '));
    const said = `${moved.length} numbers moved, ${all.length - moved.length} are new`;
    process.stdout.write(`${Object.keys(answers).length} answers: ${said}\n`);
    for (const [answer, count] of countBy(moved)) process.stdout.write(`  ${answer}: ${count} moved\n`);
    for (const line of moved.slice(0, 60)) process.stdout.write(`  ${line.slice(0, 240)}\n`);
    process.exitCode = moved.length > 0 ? 1 : 0;
  }
} finally {
  rmSync(folder, { recursive: true, force: true });
}
