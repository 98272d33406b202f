import { describe, expect, test } from '@jest/globals';
import { HEIGHT_RESIDUAL_MM } from '../../1-base/tolerances';
import { HeightSolver } from './height-solver';

describe('turning a height into an angle', () => {
  test.each([
    ['a level arm', (x: number) => 300 * Math.sin(x)],
    ['an arm that falls as it turns', (x: number) => -300 * Math.sin(x)],
    ['an arm that starts on a slope', (x: number) => 400 * (Math.sin(x + 0.4) - Math.sin(0.4))],
  ])('%s: solved to the residual, with the iterations it took', (_name, height) => {
    const solver = new HeightSolver(height);
    for (const travel of [-180, -3, 0, 0.001, 77, 200]) {
      const answer = solver.angleFor(travel);
      expect(answer.status).toBe('solved');
      if (answer.status !== 'solved') continue;
      expect(Math.abs(height(answer.angle) - travel)).toBeLessThanOrEqual(HEIGHT_RESIDUAL_MM);
      expect(Math.abs(answer.residual)).toBeLessThanOrEqual(HEIGHT_RESIDUAL_MM);
      expect(answer.iterations).toBeLessThan(20);
    }
  });

  test('past its highest place it locks, and says where', () => {
    const solver = new HeightSolver((x) => 100 * Math.sin(x));
    expect(solver.angleFor(130)).toEqual({ status: 'locks', travel: expect.closeTo(100, 2) });
    expect(solver.angleFor(-130)).toEqual({ status: 'locks', travel: expect.closeTo(-100, 2) });
    expect(solver.angleFor(99).status).toBe('solved');
  });

  test('where it cannot be assembled it locks too', () => {
    const solver = new HeightSolver((x) => (x > 0.31 ? Number.NaN : 200 * x));
    expect(solver.angleFor(80)).toEqual({ status: 'locks', travel: expect.closeTo(62, 3) });
  });
});
