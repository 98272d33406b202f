import { describe, expect, test } from '@jest/globals';
import { Matrix4, PerspectiveCamera, Vector3 } from 'three';
import { dice } from '../../1-base/numeric/dice';
import { onPlane, rayOf, seenAt, turnedFromSquare, type Camera } from './camera';

const SIZE = { widthPx: 1600, heightPx: 1200 } as const;
const SQUARE: Camera = {
  ...SIZE,
  rotation: turnedFromSquare(0, 0, 0),
  at: [0, 0, 2000],
  about: [0, 80, 0],
  focalPx: 1300,
  bend: 0,
  mirrored: false,
};

const thrown = (seed: number, more: Partial<Camera> = {}): Camera => {
  const d = dice(seed);
  return {
    ...SQUARE,
    rotation: turnedFromSquare(d.between(-0.4, 0.4), d.between(-0.4, 0.4), d.between(-0.1, 0.1)),
    at: [d.between(-150, 150), d.between(-150, 150), d.between(1400, 2600)],
    focalPx: d.between(1000, 1800),
    ...more,
  };
};

describe('the pinhole camera', () => {
  // A left wheel is faced with the vehicle's front at the left hand (common practice, no source).
  test('sees what is ahead at the left, what is above higher up; on the right side ahead at the right', () => {
    const [ahead] = seenAt(SQUARE, [300, 80, 0])!;
    const [, above] = seenAt(SQUARE, [0, 80, 300])!;
    expect(ahead).toBeCloseTo(800 - (1300 * 300) / 2000, 9);
    expect(above).toBeCloseTo(600 - (1300 * 300) / 2000, 9);
    expect(seenAt({ ...SQUARE, mirrored: true }, [300, 80, 0])![0]).toBeGreaterThan(800);
    expect(seenAt(SQUARE, [0, 3000, 0])).toBeNull();
  });

  test.each([1, 2, 3, 4, 5])(
    'sees places where a general-purpose 3-D library (three) projects them, seed %d',
    (seed) => {
      const camera = thrown(seed);
      const m = camera.rotation;
      const [tx, ty, tz] = camera.at;
      const three = new PerspectiveCamera(
        (2 * Math.atan(SIZE.heightPx / 2 / camera.focalPx) * 180) / Math.PI,
        SIZE.widthPx / SIZE.heightPx,
        1,
        10_000,
      );
      three.updateProjectionMatrix();
      // Three looks down -z with y up; here z goes into the picture and y down.
      const [ax, ay, az] = camera.about;
      const view = new Matrix4()
        .set(m[0], m[1], m[2], tx, -m[3], -m[4], -m[5], -ty, -m[6], -m[7], -m[8], -tz, 0, 0, 0, 1)
        .multiply(new Matrix4().makeTranslation(-ax, -ay, -az));
      const d = dice(seed + 100);
      for (let i = 0; i < 20; i++) {
        const at = [d.between(-500, 500), d.between(-200, 300), d.between(-500, 500)] as const;
        const seen = new Vector3(...at).applyMatrix4(view).applyMatrix4(three.projectionMatrix);
        const [x, y] = seenAt(camera, at)!;
        expect(x).toBeCloseTo(((seen.x + 1) / 2) * SIZE.widthPx, 6);
        expect(y).toBeCloseTo(((1 - seen.y) / 2) * SIZE.heightPx, 6);
      }
    },
  );

  test.each([1, 2, 3, 4, 5])(
    'a place lies on its own line of sight, through a bent lens and mirrored too, seed %d',
    (seed) => {
      const d = dice(seed + 200);
      const camera = thrown(seed, { bend: d.between(-0.03, 0.03), mirrored: seed % 2 === 0 });
      for (let i = 0; i < 20; i++) {
        const at = [d.between(-500, 500), d.between(-200, 300), d.between(-450, 450)] as const;
        const met = onPlane(rayOf(camera, seenAt(camera, at)!), at[1])!;
        expect(met.at[0]).toBeCloseTo(at[0], 2);
        expect(met.at[2]).toBeCloseTo(at[2], 2);
      }
    },
  );

  // A circle far away that is tilted by t is seen as an ellipse with axes in the ratio cos t (descriptive geometry).
  test.each([10, 25, 40])('a rim tilted by %d degrees is an ellipse as narrow as its cosine', (deg) => {
    const far: Camera = {
      ...SQUARE,
      rotation: turnedFromSquare(0, (deg * Math.PI) / 180, 0),
      at: [0, 0, 1e6],
      focalPx: 1e6,
    };
    const wide = seenAt(far, [236, 80, 0])![0] - seenAt(far, [-236, 80, 0])![0];
    const high = seenAt(far, [0, 80, 236])![1] - seenAt(far, [0, 80, -236])![1];
    expect(Math.abs(wide / high)).toBeCloseTo(Math.cos((deg * Math.PI) / 180), 4);
  });

  test('a line of sight that runs along a plane, or away from it, does not meet it', () => {
    expect(onPlane({ from: [0, 100, 0], along: [1, 0, 0] }, 0)).toBeNull();
    expect(onPlane({ from: [0, 100, 0], along: [0, 1, 0] }, 0)).toBeNull();
  });
});
