import { fallsShort } from '@/core/4-clearance/case/standard';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { asPlanQuestion } from '@/contracts/as-plan-question';
import { evaluateCase } from '@/core/4-clearance/verdict/evaluate';
import { planCase } from '@/core/6-decisions/plan/planner';
import { spreadCase } from '@/core/5-consequences/spread/spread-case';
import { demoJobs } from '@/demo/demo-jobs';

let folder: string;
const { document } = demoJobs().at(-1)!;

/** The command line in one file, within the project so that it finds its packages. */
const BUNDLE = '.cache/cli-test';

beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'lowgap-cli-'));
  const { status, stderr } = spawnSync(process.execPath, ['scripts/bundle-cli.mjs', BUNDLE], {
    encoding: 'utf8',
    env: { ...process.env, NODE_OPTIONS: '' },
  });
  expect({ status, stderr }).toMatchObject({ status: 0 });
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

function fileOf(content: unknown): string {
  const path = join(folder, `${Math.abs(JSON.stringify(content).length)}.lowgap.json`);
  writeFileSync(path, typeof content === 'string' ? content : JSON.stringify(content));
  return path;
}

function lowgap(...args: string[]) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [join(BUNDLE, 'main.mjs'), ...args], {
    encoding: 'utf8',
    env: { ...process.env, NODE_OPTIONS: '' },
  });
  return { status, stdout, stderr };
}

describe('lowgap evaluate', () => {
  test('prints the same answer as the engine, with the sections', () => {
    const { status, stdout } = lowgap('evaluate', fileOf(document));
    const printed = JSON.parse(stdout);
    expect(status).toBe(0);
    expect(printed).toEqual(JSON.parse(JSON.stringify(evaluateCase(document))));
    expect(printed.section.length).toBeGreaterThan(50);
    expect(printed.obstacles[0]).not.toHaveProperty('wheelMatrix');
  });

  test('--postures adds a rigid 4 x 4 matrix to every obstacle', () => {
    const { obstacles } = JSON.parse(lowgap('evaluate', fileOf(document), '--postures').stdout);
    for (const { wheelMatrix: m } of obstacles) {
      expect(m[3]).toEqual([0, 0, 0, 1]);
      for (const row of [0, 1, 2]) expect(Math.hypot(m[row][0], m[row][1], m[row][2])).toBeCloseTo(1, 12);
    }
  });

  test.each([
    ['a missing file', ['evaluate', '/nowhere/at-all.lowgap.json'], /no such file/],
    ['no file', ['evaluate'], /missing required argument/],
    ['an unknown command', ['guess'], /unknown command/],
  ])('%s ends with status 2', (_name, args, words) => {
    const { status, stderr } = lowgap(...args);
    expect(status).toBe(2);
    expect(stderr).toMatch(words);
  });

  test('a bad field is named on standard error, with status 2 and nothing on standard output', () => {
    const bad = structuredClone(document) as Record<string, any>;
    bad['setup'].spacerMm = -3;
    const { status, stdout, stderr } = lowgap('evaluate', fileOf(bad));
    expect({ status, stdout }).toEqual({ status: 2, stdout: '' });
    expect(stderr).toMatch(/setup\.spacerMm: expected at least 0, found -3/);
  });
});

describe('lowgap pose', () => {
  const pose = (...args: string[]) => lowgap('pose', fileOf(document), ...args);

  test('prints the wheel frame at ride height', () => {
    const { status, stdout } = pose('--corner', 'rearLeft', '--travel', '25', '--steer', '0');
    expect(status).toBe(0);
    expect(JSON.parse(stdout)).toEqual([
      [1, 0, 0, 0],
      [0, 1, 0, 0],
      [0, 0, 1, 25],
      [0, 0, 0, 1],
    ]);
  });

  test.each([
    [['--corner', 'middle', '--travel', '0', '--steer', '0'], /--corner/],
    [['--corner', 'rearRight', '--travel', '0', '--steer', '0'], /corners\.rearRight/],
    [['--corner', 'frontLeft', '--travel', 'high', '--steer', '0'], /--travel/],
    [['--corner', 'frontLeft', '--travel', '9000', '--steer', '0'], /corners\.frontLeft\.motion/],
  ])('%p is refused', (args, words) => {
    const { status, stderr } = pose(...args);
    expect(status).toBe(2);
    expect(stderr).toMatch(words);
  });
});

describe('lowgap spread, levers, panel, envelope', () => {
  test("spread prints the engine's answer for the same draws", () => {
    const { status, stdout } = lowgap('spread', fileOf(document), '--draws', '60', '--seed', '5');
    expect(status).toBe(0);
    expect(JSON.parse(stdout)).toEqual(
      JSON.parse(JSON.stringify({ corners: spreadCase(document, { draws: 60, seed: 5 }) })),
    );
  });

  test('levers prints one entry for each thing that rubs', () => {
    const { status, stdout } = lowgap('levers', fileOf(document));
    expect(status).toBe(0);
    const rubbing = evaluateCase(document).obstacles.filter((o) => fallsShort(o.verdict));
    expect(JSON.parse(stdout).obstacles.map((o: { id: string }) => o.id)).toEqual(rubbing.map((o) => o.id));
  });

  test('envelope writes a mesh; another ending is refused', () => {
    const out = join(folder, 'swept.stl');
    const [corner] = Object.keys(document.corners);
    const written = lowgap('envelope', fileOf(document), '--corner', corner!, '--out', out, '--edge', '60');
    expect(written.status).toBe(0);
    // Binary STL: 80 bytes, the count, 50 bytes a triangle.
    const said = JSON.parse(written.stdout);
    expect(statSync(out).size).toBe(84 + 50 * said.triangles);
    expect(said.outside.mostMm).toBeGreaterThanOrEqual(said.outside.meanMm);
    expect(said.outside.meanMm).toBeGreaterThan(0);
    const refused = lowgap('envelope', fileOf(document), '--corner', corner!, '--out', 'swept.obj');
    expect(refused).toMatchObject({ status: 2, stdout: '' });
    expect(refused.stderr).toMatch(/--out: expected a name ending in .stl or .glb, found swept.obj/);
  });

  test('scan adds its named parts to a corner; marks that do not agree are named', () => {
    const [corner] = Object.keys(document.corners) as [string];
    const scan = join(folder, 'well.xyz');
    // In metres, moved by a metre: a wall behind the wheel.
    const wall = Array.from({ length: 400 }, (_, i) => `0.55 ${0.8 + (i % 20) / 100} ${0.9 + Math.floor(i / 20) / 40}`);
    writeFileSync(scan, `${wall.join('\n')}\n1.7 1 1\n`);
    const mark = (name: string, x: number, y: number, z: number) => ({
      name,
      scan: [1 + x / 1000, 1 + y / 1000, 1 + z / 1000],
      corner: [x, y, z],
    });
    const parts = [
      { id: 'wall', mount: 'body', material: 'sheetMetal', min: [-460, -300, -300], max: [-440, 300, 600] },
    ];
    const plan = { points: [mark('a', 500, 0, 0), mark('b', 0, 200, 300), mark('c', -300, 0, 500)], parts };
    const planFile = join(folder, 'plan.json');
    const out = join(folder, 'scanned.lowgap.json');
    const run = (content: object) => {
      writeFileSync(planFile, JSON.stringify(content));
      return lowgap('scan', fileOf(document), scan, '--corner', corner, '--plan', planFile, '--out', out);
    };
    const { status, stdout } = run(plan);
    expect(status).toBe(0);
    expect(JSON.parse(stdout)).toMatchObject({ unit: 'm', parts: [{ id: 'wall', points: 400 }], leftOver: 1 });
    const judged = JSON.parse(lowgap('evaluate', out).stdout);
    expect(judged.obstacles.map((o: { id: string }) => o.id)).toContain('wall');

    const off = { ...plan, points: [...plan.points, { ...mark('d', 300, 300, 0), corner: [300, 300, 90] }] };
    expect(run(off)).toMatchObject({ status: 2, stdout: '' });
    expect(run(off).stderr).toMatch(/points\.d: expected points that agree to 10 mm, found [\d.]+ mm off/);
    expect(run({ ...plan, unit: 'mm' }).stderr).toMatch(/at unit: expected m, in which/);
  });

  test.each([
    ['an obstacle nobody surveyed', ['panel', '--obstacle', 'nothing'], /expected a surveyed obstacle.*found nothing/],
    ['draws that are no number', ['spread', '--draws', 'many'], /--draws: expected a number, found many/],
    ['too few draws', ['spread', '--draws', '3'], /--draws: expected 20 to 100000 draws, found 3/],
  ])('%s ends with status 2', (_name, [command, ...args], words) => {
    const corner = command === 'panel' ? ['--corner', Object.keys(document.corners)[0]!] : [];
    const { status, stdout, stderr } = lowgap(command!, fileOf(document), ...corner, ...args);
    expect({ status, stdout }).toEqual({ status: 2, stdout: '' });
    expect(stderr).toMatch(words);
  });
});

describe('lowgap find, cut', () => {
  const question = {
    fit: 'front',
    tires: { from: 'list', list: [{ size: '265/70R17' }, { size: '40x13.50R17LT' }] },
    wheels: { from: 'list', list: [{ diameterIn: 17, widthIn: 8, offsetMm: 10 }] },
  };

  test('find answers a question of its own file, with its progress aside; the verdict of its row is evaluate’s', () => {
    const asked = fileOf(question);
    const { status, stdout, stderr } = lowgap('find', fileOf(document), '--question', asked, '--progress');
    expect(status).toBe(0);
    expect(stderr).toMatch(/100 % of 2 combinations/);
    const [axle] = JSON.parse(stdout).axles;
    expect(axle.tally).toMatchObject({ combinations: 2, clears: 1, fails: 1 });
    const wheel = { diameterIn: 17, widthIn: 8, offsetMm: 10 };
    const { setup } = document;
    const tried = { ...document, setup: { ...setup!, tire: { size: '265/70R17' }, wheel, spacerMm: 0 } };
    expect(axle.rows[0].lowGapMm).toBeCloseTo(evaluateCase(tried).lowGap!.mm, 0);
    expect(axle.refused[0]).toMatchObject({ size: '40x13.50R17LT', verdict: { verdict: 'rubs' } });
  });

  test('find says what is missing: a question, a wheel’s width', () => {
    const none = lowgap('find', fileOf(document));
    expect(none).toMatchObject({ status: 2, stdout: '' });
    expect(none.stderr).toContain('finder.question');
    const noWidth = { ...question, wheels: { from: 'list', list: [{ diameterIn: 17, offsetMm: 10 }] } };
    const refused = lowgap('find', fileOf(document), '--question', fileOf(noWidth));
    expect(refused.status).toBe(2);
    expect(refused.stderr).toContain('finder.wheels.list[0].widthIn');
  });

  test('plan finds what the core finds, order writes it; another name of file is refused', () => {
    const wagon = demoJobs().find(({ title }) => title.startsWith('Rescue wagon'))!.document;
    const path = fileOf(wagon);
    const planned = lowgap('plan', path);
    expect(planned.status).toBe(0);
    const { leastPermanent } = planCase(wagon, asPlanQuestion(wagon.plan!));
    expect(JSON.parse(planned.stdout).leastPermanent).toEqual(JSON.parse(JSON.stringify(leastPermanent)));
    const out = join(folder, 'order.pdf');
    const written = lowgap('order', path, '--out', out);
    expect(JSON.parse(written.stdout)).toMatchObject({ clears: true });
    expect(statSync(out).size).toBeGreaterThan(1500);
    const refused = lowgap('order', path, '--out', join(folder, 'order.doc'));
    expect(refused.status).toBe(2);
    expect(refused.stderr).toContain('.pdf or .csv');
  });

  test('cut writes a sheet; an unknown paper is refused', () => {
    const taller = {
      ...document,
      standard: 'cutToFit',
      setup: { ...document.setup!, tire: { size: '37x12.50R17LT' } },
    };
    const common = ['--corner', 'frontLeft', '--obstacle', 'fender-lip'];
    const out = join(folder, 'sheet.pdf');
    const { status, stdout } = lowgap('cut', fileOf(taller), ...common, '--out', out);
    expect(status).toBe(0);
    expect(JSON.parse(stdout).depthMm).toBeGreaterThan(5);
    expect(statSync(out).size).toBeGreaterThan(1000);
    const refused = lowgap('cut', fileOf(taller), ...common, '--out', join(folder, 'x.pdf'), '--paper', 'A0');
    expect(refused.status).toBe(2);
    expect(refused.stderr).toContain('A4 or Letter');
  });
});
