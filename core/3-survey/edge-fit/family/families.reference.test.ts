import { describe, expect, test } from '@jest/globals';
import type { Vec3 } from '../../../1-base/geometry/vec3';
import { dice } from '../../../1-base/numeric/dice';
import { madeCorner, UPRIGHT_AXIS } from '../../../fixtures/made-corner';
import { readOff, type Hand } from '../../../fixtures/wells/tape';
import { turnedBlock } from '../../../6-decisions/practice/synthetic-well';
import type { EdgeForm, EdgeKind } from '../../description/edge-kind';
import type { ObstacleDescription } from '../../description/obstacle-description';
import { landedReadings } from '../../landing/landed-readings';
import { surveyScene } from '../../landing/survey-scene';
import type { ShapeDescription } from '../../shape/shape';
import { edgePlace } from '../edge-model';
import { readEdge, type ReadEdge } from '../read-edge';

const FITTED = {
  tire: { size: '265/70R17' },
  wheel: { diameterIn: 17, widthIn: 8, offsetMm: 0 },
  spacerMm: 0,
} as const;

/** A wheel that goes straight up and steers about an upright axis through the hub face. */
const bare = madeCorner({
  steering: UPRIGHT_AXIS,
  travel: { bumpMm: 80, droopMm: 80 },
  hubToLipMm: 520,
  fitted: FITTED,
  obstacles: [],
});

/** A tape without error, clocks to ten minutes. */
const EXACT: Hand = { tapeMm: 0, clockStepDeg: 5 };

interface Asked {
  readonly kind: EdgeKind;
  readonly shape: ShapeDescription;
  readonly form?: EdgeForm;
  readonly marks?: boolean;
  readonly material?: ObstacleDescription['material'];
}

/** A thing of known shape as a hand tapes it: nearest straight and at both locks, and about the nearest place. */
function taped({ kind, shape, form, marks = true, material = 'frame' }: Asked): ReadEdge {
  const truth: ObstacleDescription = { id: 'thing', mount: 'body', material, shape };
  const scene = surveyScene('frontLeft', { ...bare, obstacles: [truth] });
  const d = dice(1);
  const nearest = (['straight', 'left', 'right'] as const).map((steer) =>
    readOff(truth, scene, { steer, height: 'ride', clock: '12:00', nearest: true }, EXACT, d, undefined)!,
  );
  const bump = readOff(
    truth,
    scene,
    { steer: 'straight', height: 'bump', clock: '12:00', nearest: true },
    EXACT,
    d,
    undefined,
  )!;
  const readings = [...nearest, bump].map(({ nearest: marked, ...rest }) =>
    marks && marked ? { ...rest, nearest: true } : rest,
  );
  const described: ObstacleDescription = {
    id: 'thing',
    mount: 'body',
    material,
    readingsAs: kind,
    readings,
    ...(form ? { form } : {}),
  };
  const survey = surveyScene('frontLeft', { ...bare, obstacles: [described] });
  return readEdge(described, survey, '', landedReadings(described, survey, ''))!;
}

const places = ({ model, fit }: ReadEdge): Vec3[] => model.seeds.map((seed) => edgePlace(model, fit.q, seed));

/** mm from a place to the nearest of a chain. */
const distanceTo = (chain: readonly Vec3[], [x, y, z]: Vec3): number =>
  Math.min(...chain.map((p) => Math.hypot(p[0] - x, p[1] - y, p[2] - z)));

const along = (count: number, at: (share: number) => Vec3): ShapeDescription & { points: Vec3[] } => ({
  type: 'polyline',
  points: Array.from({ length: count }, (_, i) => at(i / (count - 1))),
});

describe('families by a tape without error on shapes anybody can write down', () => {
  test('an edge that comes down, rounds a corner and runs inboard is found as one: both legs, not an arc round the hub', () => {
    const shape = along(80, (s) => (s < 0.5 ? [450, 60, -20 - 260 * s] : [450, 60 - 240 * (s - 0.5), -150]));
    const edge = taped({ kind: 'cornerCurve', shape, material: 'plastic' });
    const found = places(edge);
    // Where it was read; its unread ends are usual ones.
    const misses = found.filter(([, y, z]) => y > -40 && z < -30).map((at) => distanceTo(shape.points, at));
    expect(misses.length).toBeGreaterThan(6);
    expect(Math.max(...misses)).toBeLessThan(30);
    expect(Math.min(...found.map(([, y]) => y))).toBeLessThan(0);
  });

  test('a block turned a fifth of a right angle: the tire’s gap to it in a posture not read is that of the turned block', () => {
    const turned = (18 * Math.PI) / 180;
    const shape = turnedBlock([-455, -90, -120], [90, 90, 90], turned);
    const edge = taped({ kind: 'box', shape, form: { boxMm: [90, 90, 90] } });
    const front = Math.max(...edge.model.pieces(edge.fit.q).flatMap((piece) => piece.map(([x]) => x)));
    expect(front).toBeCloseTo(Math.max(...shape.points.map(([x]) => x)), -1);
    expect(edge.fit.cost).toBeLessThan(6);
  });

  test('a short link is not thought a long one: its end is where the nearest readings stop', () => {
    const shape = along(40, (s) => [200, -340, -40 + 90 * s]);
    const edge = taped({
      kind: 'rod',
      shape: { type: 'capsule', radiusMm: 8, points: shape.points },
      form: { runs: 'upright', rodDiameterMm: 16 },
    });
    const heights = places(edge).map(([, , z]) => z);
    expect(Math.max(...heights) - Math.min(...heights)).toBeLessThan(260);
    expect(Math.min(...places(edge).map((at) => distanceTo(shape.points, at)))).toBeLessThan(25);
  });

  test('a fender’s lip of which nothing outboard was measured is looked for where lips stand; what lines the well is not', () => {
    const shape = along(60, (s) => {
      const turn = ((-60 + 120 * s) * Math.PI) / 180;
      return [500 * Math.sin(turn), 130, 500 * Math.cos(turn)];
    });
    const outboard = (material: ObstacleDescription['material']): number => {
      const edge = taped({ kind: 'arch', shape, material });
      return edgePlace(edge.model, edge.fit.q, [0.5, 0])[1];
    };
    expect(Math.abs(outboard('sheetMetal') - 130)).toBeLessThan(40);
    expect(outboard('liner')).not.toBeCloseTo(outboard('sheetMetal'), 0);
  });
});

describe('readings that nobody marked', () => {
  const post = along(60, (s) => [-450, 40, -150 + 260 * s]);

  test('of a small thing are taken for the nearest, and lead where marked ones lead', () => {
    const [marked, unmarked] = [true, false].map((marks) =>
      edgePlace(
        ...([taped({ kind: 'uprightEdge', shape: post, marks })].map((e) => [e.model, e.fit.q, [0.5, 0]])[0] as [
          ReadEdge['model'],
          Float64Array,
          [number, number],
        ]),
      ),
    );
    expect(Math.abs(marked![0] - unmarked![0])).toBeLessThan(3);
    expect(Math.abs(marked![1] - unmarked![1])).toBeLessThan(3);
  });

  test('are flagged as such in the evidence; those of an arch are held at their clocks', () => {
    expect(taped({ kind: 'uprightEdge', shape: post, marks: false }).evidence.some(({ nearest }) => nearest)).toBe(
      true,
    );
    expect(taped({ kind: 'arch', shape: post, marks: false }).evidence.some(({ nearest }) => nearest)).toBe(false);
  });
});
