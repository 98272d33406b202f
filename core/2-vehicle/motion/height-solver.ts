import { HEIGHT_RESIDUAL_MM } from '../../1-base/tolerances';

/** Answer of a height solve: the angle, or the travel at which the linkage locks. */
export type HeightAnswer =
  | { readonly status: 'solved'; readonly angle: number; readonly iterations: number; readonly residual: number }
  | { readonly status: 'locks'; readonly travel: number };

/** rad: step by which the arm is turned while its range is walked. */
const STEP = 0.02;

/** rad: an arm is not followed further than this from its surveyed place. */
const REACH = 1.6;

/**
 * Turns a height into the angle of the arm that gives it. `height(angle)` is mm, NaN where the
 * linkage cannot be assembled; only the stretch around 0 on which it keeps rising (or falling) is used. The
 * stretch is walked once, as far as it is asked for, and remembered.
 */
export class HeightSolver {
  readonly #height: (angle: number) => number;
  /** + when a positive angle raises the wheel. */
  readonly #sense: 1 | -1;
  /** Heights at the steps from angle 0, each way. */
  readonly #up: number[];
  readonly #down: number[];
  #locksUp: number | null = null;
  #locksDown: number | null = null;

  constructor(height: (angle: number) => number) {
    this.#height = height;
    const home = height(0);
    this.#up = [home];
    this.#down = [home];
    this.#sense = height(1e-4) >= height(-1e-4) ? 1 : -1;
  }

  /** Angle (rad) for a height of `travel` mm. */
  angleFor(travel: number): HeightAnswer {
    const rising = travel >= this.#up[0]!;
    const walked = rising ? this.#up : this.#down;
    const way = rising ? 1 : -1;
    while ((walked[walked.length - 1] as number) * way < travel * way) {
      const locks = rising ? this.#locksUp : this.#locksDown;
      if (locks !== null) return { status: 'locks', travel: locks };
      this.#walk(walked, way);
    }
    let low = 0;
    let high = walked.length - 1;
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if ((walked[middle] as number) * way < travel * way) low = middle;
      else high = middle;
    }
    const step = STEP * way * this.#sense;
    return this.#falsePosition(low * step, high * step, walked[low] as number, walked[high] as number, travel);
  }

  /** One step further, or the travel at which it locks. */
  #walk(walked: number[], way: 1 | -1): void {
    const from = (walked.length - 1) * STEP;
    const before = walked[walked.length - 1] as number;
    const next = this.#height((from + STEP) * way * this.#sense);
    if (from < REACH && (next - before) * way > 0) {
      walked.push(next);
      return;
    }
    // Highest reach within the step, by halving: past it the height falls back or the parts do not meet.
    let best = before;
    for (let part = STEP / 2, at = 0; part > 1e-7; part /= 2) {
      const h = this.#height((from + at + part) * way * this.#sense);
      if ((h - best) * way > 0) {
        best = h;
        at += part;
      }
    }
    if (way > 0) this.#locksUp = best;
    else this.#locksDown = best;
  }

  /** Illinois variant of false position inside a bracket. */
  #falsePosition(a: number, b: number, heightA: number, heightB: number, travel: number): HeightAnswer {
    let [x0, x1, f0, f1] = [a, b, heightA - travel, heightB - travel];
    if (Math.abs(f0) <= HEIGHT_RESIDUAL_MM) return { status: 'solved', angle: x0, iterations: 0, residual: f0 };
    let x = x1;
    let f = f1;
    let iterations = 0;
    while (Math.abs(f) > HEIGHT_RESIDUAL_MM && iterations < 60) {
      iterations++;
      x = (x0 * f1 - x1 * f0) / (f1 - f0);
      f = this.#height(x) - travel;
      if (f * f1 < 0) {
        x0 = x1;
        f0 = f1;
      } else {
        f0 /= 2;
      }
      x1 = x;
      f1 = f;
    }
    return { status: 'solved', angle: x, iterations, residual: f };
  }
}
