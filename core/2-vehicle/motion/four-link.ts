import type { Vec3 } from '../../1-base/geometry/vec3';
import { ProblemError } from '../../1-base/problem';

/** Ends of the arms that lead a beam axle, seen from the side (x, z count); corner frame at the survey, mm. */
export interface FourLinkPoints {
  readonly lowerArmFrame: Vec3;
  readonly lowerArmAxle: Vec3;
  readonly upperArmFrame: Vec3;
  readonly upperArmAxle: Vec3;
}

/** Fore-aft place (mm) and turn (rad, z toward x) of an axle end. */
export interface Led {
  readonly x: number;
  readonly turn: number;
}

const MOST_STEPS = 30;
const SOLVED = 1e-10;

/**
 * An axle end led by an upper and a lower arm of fixed lengths: the place and the turn at which both reach, with the hub at a height, by
 * Newton's method from where it stood at the survey. `armDropMm` lowers the frame ends.
 * @throws ProblemError at a height that the arms do not reach.
 */
export function ledByArms(points: FourLinkPoints, height: number, armDropMm: number, path: string): Led {
  const arms = (['lower', 'upper'] as const).map((which) => {
    const frame = points[`${which}ArmFrame`];
    const axle = points[`${which}ArmAxle`];
    const [dx, dz] = [axle[0] - frame[0], axle[2] - frame[2]];
    return { fx: frame[0], fz: frame[2] - armDropMm, ax: axle[0], az: axle[2], square: dx * dx + dz * dz };
  });
  let [x, turn] = [0, 0];
  for (let step = 0; step < MOST_STEPS; step++) {
    const [c, s] = [Math.cos(turn), Math.sin(turn)];
    const rows = arms.map(({ fx, fz, ax, az, square }) => {
      const px = x + ax * c + az * s - fx;
      const pz = height - ax * s + az * c - fz;
      return {
        miss: px * px + pz * pz - square,
        byX: 2 * px,
        byTurn: 2 * (px * (-ax * s + az * c) + pz * (-ax * c - az * s)),
        length: Math.sqrt(square),
      };
    });
    const [a, b] = rows as [(typeof rows)[0], (typeof rows)[0]];
    const det = a.byX * b.byTurn - b.byX * a.byTurn;
    const dx = (a.miss * b.byTurn - b.miss * a.byTurn) / det;
    const dTurn = (a.byX * b.miss - b.byX * a.miss) / det;
    if (!Number.isFinite(dx) || !Number.isFinite(dTurn)) break;
    x -= dx;
    turn -= dTurn;
    if (Math.abs(dx) < SOLVED * a.length && Math.abs(dTurn) < SOLVED) return { x, turn };
  }
  throw new ProblemError({
    code: 'impossiblePosture',
    path,
    expected: `arms that lead the axle to ${height.toFixed(0)} mm of travel`,
    found: 'arms too short or standing in one line',
  });
}

/** The arms' ends where all of them are there; null for none. @throws ProblemError for some of them. */
export function fourLinkOf(points: Partial<FourLinkPoints>, path: string): FourLinkPoints | null {
  const { lowerArmFrame, lowerArmAxle, upperArmFrame, upperArmAxle } = points;
  if (lowerArmFrame && lowerArmAxle && upperArmFrame && upperArmAxle) {
    return { lowerArmFrame, lowerArmAxle, upperArmFrame, upperArmAxle };
  }
  const ends = { lowerArmFrame, lowerArmAxle, upperArmFrame, upperArmAxle };
  const missing = Object.entries(ends).find(([, end]) => !end)![0];
  if (Object.values(ends).every((end) => !end)) return null;
  throw new ProblemError({
    code: 'missing',
    path: `${path}.points.${missing}`,
    expected: 'both ends of the upper and of the lower arm, or none',
    found: 'nothing',
  });
}
