import type { Vec3 } from '../../../1-base/geometry/vec3';
import type { RodRun } from '../../description/edge-kind';
import type { EdgeModel } from '../edge-model';
import { ANYWHERE_MM, curveFamily, mean, type Beyond } from './numbers';

const AXIS: Readonly<Record<RodRun, number>> = { foreAft: 0, across: 1, upright: 2 };

/** What straight things of a kind are like. */
export interface StraightKind {
  /** mm per 100 mm, standard deviation. */
  readonly lean: number;
  /** mm at 100 mm from the middle, standard deviation. */
  readonly bow: number;
  readonly beyond: Beyond;
}

export const UPRIGHT: StraightKind = { lean: 20, bow: 4, beyond: { usualMm: 30, sigmaMm: 35 } };
export const ROD: StraightKind = { lean: 20, bow: 0.5, beyond: { usualMm: 40, sigmaMm: 40 } };
/** A rail goes on. */
export const RAIL: StraightKind = { lean: 20, bow: 3, beyond: { usualMm: 120, sigmaMm: 20 } };

/** An edge or bar along a main axis: the two other coordinates lean, and bow a little; where it ends are numbers of it. */
export function straightFamily(
  landed: readonly Vec3[],
  runs: RodRun,
  radiusMm: number,
  { lean, bow, beyond }: StraightKind,
): EdgeModel {
  const main = AXIS[runs];
  const [first, second] = [0, 1, 2].filter((axis) => axis !== main) as [number, number];
  const along = landed.map((point) => point[main]!);
  const middle = mean(along);
  const from = Math.min(...along) - beyond.usualMm;
  const to = Math.max(...along) + beyond.usualMm;
  const count = Math.max(4, Math.ceil((to - from) / 20));
  const at: EdgeModel['at'] = (q, s, _t, out) => {
    const place = q[6]! + (q[7]! - q[6]!) * s;
    const t = (place - middle) / 100;
    out[main] = place;
    out[first] = q[0]! + (q[1]! + q[2]! * t) * t;
    out[second] = q[3]! + (q[4]! + q[5]! * t) * t;
  };
  return curveFamily(
    [
      [mean(landed.map((p) => p[first]!)), ANYWHERE_MM],
      [0, lean],
      [0, bow],
      [mean(landed.map((p) => p[second]!)), ANYWHERE_MM],
      [0, lean],
      [0, bow],
      [from, beyond.sigmaMm],
      [to, beyond.sigmaMm],
    ],
    [0, 3],
    count,
    at,
    radiusMm,
  );
}
