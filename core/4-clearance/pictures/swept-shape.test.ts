import { expect, test } from '@jest/globals';
import { place } from '../../1-base/geometry/pose';
import { seededRandom } from '../../1-base/numeric/seeded-random';
import { fittedSetup } from '../../2-vehicle/setup/setup';
import { postureOf } from '../oracle/plain-sweep';
import { prepareCorner } from '../case/prepared-corner';
import { MOTIONS, scattered } from '../../fixtures/scattered-corner';
import { SweptDistance } from './swept-distance';
import { sweptShape } from './swept-shape';

const detail = { round: 36, rings: 17, postures: { travel: 9, steer: 21, other: 3 } };

test.each(Object.keys(MOTIONS))('%s: the surface is the edge of what is swept, and closed', (name) => {
  const random = seededRandom(8 + name.length);
  const described = { ...scattered(random, name, 1, 1), obstacles: [] };
  const corner = prepareCorner('frontLeft', described, fittedSetup(described.fitted), 'trail');
  const shape = sweptShape(corner, detail)!;

  const sides = new Map<string, number>();
  for (let i = 0; i < shape.triangles.length; i += 3) {
    const t = [...shape.triangles.slice(i, i + 3)];
    t.forEach((a, k) => {
      const key = `${a}:${t[(k + 1) % 3]}`;
      sides.set(key, (sides.get(key) ?? 0) + 1);
    });
  }
  for (const [key, count] of sides) {
    expect(count).toBe(1);
    expect(sides.get(key.split(':').reverse().join(':'))).toBe(1);
  }

  // Nothing of any wheel reaches beyond the surface in its own direction.
  const reachAt = (i: number): number =>
    Math.hypot(...[0, 1, 2].map((k) => shape.places[3 * i + k]! - shape.from[k as 0]));
  for (let n = 0; n < 60; n++) {
    const { lowest, highest } = corner.envelope.limits;
    const posture = postureOf(corner, [
      lowest + (highest - lowest) * random(),
      2 * random() - 1,
      2 * random() - 1,
      0,
      0,
    ]);
    const angle = 2 * Math.PI * random();
    const crown = corner.rotor.section.diameterMm / 2;
    const point = place(corner.motion.wheelPose(posture), [
      crown * Math.sin(angle),
      corner.rotor.centrePlaneMm,
      crown * Math.cos(angle),
    ]);
    const way = point.map((v, k) => v - shape.from[k]!);
    const far = Math.hypot(...way);
    // The nearest direction of the shape stands for it: 10 degrees apart, so some mm.
    let best = -1;
    let closest = -Infinity;
    for (let i = 0; i < shape.places.length / 3; i++) {
      const dot = way.reduce((sum, v, k) => sum + v * (shape.places[3 * i + k]! - shape.from[k]!), 0) / reachAt(i);
      if (dot > closest) [closest, best] = [dot, i];
    }
    expect(far).toBeLessThan(reachAt(best) + 40);
  }
  if (corner.motion.crossArticulates) return;
  // Against the signed distance of the swept space: the surface lies on its edge, or bridges a recess beside the rim.
  const swept = new SweptDistance(corner);
  let onEdge = 0;
  for (let i = 0; i < shape.places.length / 3; i += 23) {
    // Near the ground the bulged tire counts there, the free one here.
    if (shape.places[3 * i + 2]! < -180) continue;
    const d = swept.at([shape.places[3 * i]!, shape.places[3 * i + 1]!, shape.places[3 * i + 2]!]);
    expect(d).toBeGreaterThan(-4);
    expect(d).toBeLessThan(30);
    if (Math.abs(d) < 1) onEdge++;
  }
  expect(onEdge).toBeGreaterThan(8);
});
