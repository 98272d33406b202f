/**
 * `npm run bench [-- --quick] [-- --json] [-- --write]`: the engine against its goals. Times are medians with their
 * spread on the machine at hand; nothing is gated on them. `--write` puts the report at the head of docs/benchmarks.md.
 */
import { cpus, totalmem } from 'node:os';
import { BufferGeometry, Float32BufferAttribute, Vector3 } from 'three';
import { MeshBVH } from 'three-mesh-bvh';
import { ClearSection } from '@/core/4-clearance/search/clear-section';
import type { CornerDescription } from '@/core/3-survey/description/corner-description';
import { type Setup, countParts } from '@/core/2-vehicle/setup/setup';
import { postureOf } from '@/core/4-clearance/oracle/plain-sweep';
import { prepareCorner } from '@/core/4-clearance/case/prepared-corner';
import { STANDARDS } from '@/core/4-clearance/case/standard';
import { LeverBench, leversCase } from '@/core/6-decisions/levers/levers';
import { cornerSpread } from '@/core/5-consequences/spread/spread';
import { SectionCache } from '@/core/4-clearance/search/section-cache';
import { flatten } from '@/core/1-base/geometry/outline';
import { unplace } from '@/core/1-base/geometry/pose';
import { CANDIDATES, cornerWith, MOTIONS, setupWith, surveyedCorner, type MotionName } from './surveyed-corner';
import { figure, timed, type Figure } from './measure';
import { inPoses, poseMs } from './poses';
import { scanOf } from './scan';
import { report } from './report';
import { writeHead } from './page-section';

const quick = process.argv.includes('--quick');
const runs = { warmUp: quick ? 8 : 30, runs: quick ? 11 : 41 };
const few = { warmUp: quick ? 1 : 3, runs: quick ? 5 : 11 };
const say = (text: string): void => void process.stderr.write(`${text}\n`);

const figures: Figure[] = [];
const add = (...more: Figure[]): void => {
  for (const one of more) say(`${one.name}: ${one.median.toPrecision(3)} ${one.unit}`);
  figures.push(...more);
};

const KEY = 'frontLeft';

function ask(cache: SectionCache, corner: CornerDescription, setup: Setup, kind: 'trail' | 'street' = 'trail'): void {
  const prepared = prepareCorner(KEY, corner, setup, kind, undefined, cache.survey);
  cache.section(prepared, corner, setup).leastGaps(prepared);
}

type Kind = 'trail' | 'street';

function surveyed(name: MotionName, label: string, kind: Kind): void {
  const corner = surveyedCorner(name);
  const where = `${label}, ${kind}`;
  const cache = new SectionCache();
  const candidate = (i: number): Setup => countParts(setupWith(CANDIDATES[i % CANDIDATES.length]!));
  // Asked for the tighter envelope nothing was promised; of a beam axle only what its third dimension makes dear.
  const goal = (reach: number): number | null => (kind === 'trail' ? reach : null);
  const isBeam = name === 'beamAxle';
  const one = (what: string, reach: number, repeats: typeof runs, work: (i: number) => void): void =>
    add(inPoses(goal(reach), () => timed(`${where}: ${what}`, null, repeats, work)));
  const afresh = (i: number): void =>
    ask(new SectionCache(), { ...corner, staticCamberDeg: -0.3 - i / 50 }, candidate(0), kind);
  one('other tire, wheel, offset, spacer', isBeam ? 640 : 320, runs, (i) => ask(cache, corner, candidate(i), kind));
  one('other parked height', 640, runs, (i) =>
    ask(cache, corner, { ...candidate(0), suspensionLiftMm: 5 + (i % 9) }, kind),
  );
  one('other bump stop', 640, few, (i) => ask(cache, corner, { ...candidate(0), bumpStopMm: 4 + i }, kind));
  one('other steering stop', 640, few, (i) =>
    ask(cache, corner, { ...candidate(0), steerStopLeftDeg: 20 + i / 3 }, kind),
  );
  const moved = (i: number): CornerDescription => ({
    ...corner,
    obstacles: corner.obstacles.map((o, k) => {
      if (k !== i % corner.obstacles.length || o.shape?.type === 'panel' || !o.shape) return o;
      const points = o.shape.points.map(([x, y, z]) => [x + 0.01 * (i + 1), y, z] as const);
      return { ...o, shape: { ...o.shape, points } };
    }),
  });
  one('one new reading', 5000, few, (i) => ask(cache, moved(i), candidate(0), kind));
  one(isBeam ? 'first answer, new alignment' : 'new alignment', isBeam ? 20_000 : 5000, few, afresh);
}

say('surveyed corners (40 obstacles, 800 places) ...');
for (const kind of ['trail', 'street'] as const) {
  surveyed('swingArm', 'swing arm', kind);
  surveyed('doubleWishbone', 'double wishbone with tie rod', kind);
  surveyed('beamAxle', 'steered beam axle', kind);
}

say('scans ...');
const heap = (): number => process.memoryUsage().heapUsed + process.memoryUsage().arrayBuffers;
const perScan = new Map<number, Figure[]>();
for (const [count, reach] of [
  [10_000, 25_000],
  [100_000, 400_000],
] as const) {
  const corner = cornerWith('swingArm', [
    { id: 'scan', mount: 'body', material: 'liner', shape: { type: 'scan', points: scanOf(count) } },
  ]);
  const setups = CANDIDATES.map((change) => countParts(setupWith(change)));
  const name = `scan of ${count.toLocaleString('en')} points`;
  const first = inPoses(reach, () =>
    timed(`${name}: first answer`, null, { warmUp: 1, runs: quick ? 3 : 7 }, () =>
      ask(new SectionCache(), corner, setups[0]!),
    ),
  );
  const prepared = setups.map((setup) => prepareCorner(KEY, corner, setup, 'trail'));
  // One survey for all: only tire, wheel, offset and spacer change.
  const shared = prepared.map((p) => ({ ...p, obstacles: prepared[0]!.obstacles }));
  const section = new ClearSection(prepared[0]!.motion, prepared[0]!.envelope);
  const next = inPoses(320, () =>
    timed(`${name}: next tire`, null, runs, (i) => void section.leastGaps(shared[i % shared.length]!)),
  );
  add(first, next, figure(`${name}: memory in use, all of it`, 'MB', [heap() / 2 ** 20], 256, 'most'));
  perScan.set(count, [first, next]);
}

say('the same scan by a general BVH library ...');
{
  const setup = countParts(setupWith(CANDIDATES[0]!));
  const points = scanOf(10_000);
  const corner = cornerWith('swingArm', [
    { id: 'scan', mount: 'body', material: 'liner', shape: { type: 'scan', points } },
  ]);
  const prepared = prepareCorner(KEY, corner, setup, 'trail');
  const { rotor, motion, envelope } = prepared;
  const polygon = flatten(rotor.filled.outline, 0.05).map(({ a, r }) => ({ a, r: Math.max(r, 0.01) }));
  const facets = 96;
  const positions: number[] = [];
  const ring = (p: { a: number; r: number }, k: number): number[] => {
    const angle = (2 * Math.PI * k) / facets;
    return [p.r * Math.sin(angle), p.a, p.r * Math.cos(angle)];
  };
  polygon.slice(1).forEach((to, i) => {
    const from = polygon[i]!;
    for (let k = 0; k < facets; k++) {
      positions.push(...ring(from, k), ...ring(to, k), ...ring(to, k + 1));
      positions.push(...ring(from, k), ...ring(to, k + 1), ...ring(from, k + 1));
    }
  });
  const bvh = new MeshBVH(new BufferGeometry().setAttribute('position', new Float32BufferAttribute(positions, 3)));
  const { droop, bump } = envelope.limits;
  // A share of the points in a share of the 21 x 21 postures, scaled up: the whole would take minutes.
  const everyPoint = quick ? 200 : 50;
  const everyPosture = 7;
  const rates: number[] = [];
  for (let i = 0; i < 441; i += everyPosture) {
    const travel = droop + ((bump - droop) * Math.floor(i / 21)) / 20;
    const wheel = motion.wheelPose(postureOf(prepared, [travel, (i % 21) / 10 - 1, 0, 0, 0]));
    const start = performance.now();
    let asked = 0;
    for (let k = 0; k < points.length; k += everyPoint) {
      const [x, y, z] = unplace(wheel, points[k]!);
      bvh.closestPointToPoint(new Vector3(x, y - rotor.centrePlaneMm, z));
      asked++;
    }
    rates.push(((performance.now() - start) / asked) * points.length * 441);
  }
  const [first, next] = perScan.get(10_000) as [Figure, Figure];
  const theirs = figure('general BVH library, 10,000 points x 441 postures (scaled up)', 'ms', rates, null, 'most');
  add(
    theirs,
    figure(
      'ratio to the first answer',
      'x',
      rates.map((ms) => ms / first.median),
      500,
      'least',
    ),
    figure(
      'ratio to the next tire',
      'x',
      rates.map((ms) => ms / next.median),
      50_000,
      'least',
    ),
  );
}

say('spread and levers ...');
for (const [name, label] of [
  ['swingArm', 'swing arm'],
  ['doubleWishbone', 'double wishbone with tie rod'],
  ['beamAxle', 'steered beam axle'],
] as const) {
  const corner = surveyedCorner(name);
  const setup = setupWith(CANDIDATES[0]!);
  const studied = { warmUp: 1, runs: quick ? 3 : 5 };
  add(
    inPoses(60_000, () =>
      timed(
        `${label}: spread, 1,000 draws`,
        null,
        studied,
        () => void cornerSpread(KEY, { corner, setup: countParts(setup) }, 'trail', STANDARDS.neverRub),
      ),
    ),
  );
  const description = { corners: { [KEY]: corner }, setup, envelope: 'trail', standard: 'neverRub' } as const;
  const { failing } = new LeverBench(description, KEY);
  const all = inPoses(null, () =>
    timed(
      `${label}: levers of all ${failing.length} failing things`,
      null,
      studied,
      () => void leversCase(description),
    ),
  );
  const poses = all.poses! / Math.max(1, failing.length);
  add({ ...all, name: `${all.name}, poses by thing`, poses, reach: 20_000, met: poses <= 20_000 });
}

say('poses ...');
{
  const each = Array.from({ length: 11 }, () => 1000 * poseMs());
  add(figure('one pose of a double wishbone with tie rod', 'us', each, 10, 'most'));
}

if (!quick) {
  say('how cost grows ...');
  for (const count of [10, 20, 80]) {
    const corner = surveyedCorner('swingArm', count, 12);
    add(
      timed(`swing arm, ${count} obstacles: first answer`, null, few, () =>
        ask(new SectionCache(), corner, countParts(setupWith(CANDIDATES[0]!))),
      ),
    );
  }
  const forty = surveyedCorner('swingArm');
  for (const lock of [8, 16, 60]) {
    const steering = { ...forty.steering!, lockLeftDeg: lock, lockRightDeg: lock };
    add(
      timed(`swing arm, locks of ${lock} degrees: first answer`, null, few, () =>
        ask(new SectionCache(), { ...forty, steering }, countParts(setupWith(CANDIDATES[0]!))),
      ),
    );
  }
  for (const count of [1_000, 30_000]) {
    const corner = cornerWith('swingArm', [
      { id: 'scan', mount: 'body', material: 'liner', shape: { type: 'scan', points: scanOf(count) } },
    ]);
    add(
      timed(`scan of ${count.toLocaleString('en')} points: first answer`, null, few, () =>
        ask(new SectionCache(), corner, countParts(setupWith(CANDIDATES[0]!))),
      ),
    );
  }
}

const machine = `${cpus()[0]?.model ?? 'unknown processor'}, ${cpus().length} cores, ${(totalmem() / 2 ** 30).toFixed(0)} GiB, Node.js ${process.version}`;
if (process.argv.includes('--json')) {
  for (const one of figures) process.stdout.write(`${JSON.stringify(one)}\n`);
} else {
  const text = report(figures, machine, Object.keys(MOTIONS).length);
  process.stdout.write(text);
  if (process.argv.includes('--write')) writeHead(text);
}
