import { bodyRiseMm } from '../../2-vehicle/setup/setup';
import { setupForCorner, type CaseDescription } from '../../4-clearance/case/case-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { describedCorner, prepareDescribed } from '../../4-clearance/case/described-corner';
import { motionUnder } from '../../2-vehicle/setup/motion-under';
import { prepareRotor } from '../../2-vehicle/setup/rotor';
import { covers, edgeAtTop, fenderEdge, outerAt, outerSide } from './fender-edge';
import { standingRadiusMm } from '../../2-vehicle/setup/loaded-radius';
import { wheelStandAt } from './alignment-curve';

/** How a parked tire stands to its fender. */
export interface FenderStand {
  /** Outer sidewall beyond the fender's edge at the top, mm; - = tucked. null: the edge was not surveyed there. */
  readonly pokeMm: number | null;
  /** Whether the guard covers it from 30 degrees ahead of the wheel's centre to 50 behind (78/549/EEC, from memory); null: too little surveyed. */
  readonly covered: boolean | null;
}

/**
 * The parked tire and its fender with the setup: the tire's middle at the new height, half its width leaning with the camber, the fender raised over the hub by
 * suspension, linkage and body. @throws ProblemError for a setup that cannot be.
 */
export function fenderStand(description: CaseDescription, key: CornerKey): FenderStand {
  const corner = describedCorner(description, key);
  const setup = setupForCorner(description, key);
  const rotor = prepareRotor(setup, 'setup');
  const tire = { centrePlaneMm: rotor.centrePlaneMm, loadedRadiusMm: standingRadiusMm(corner, rotor.section) };
  const { outboardMm, forwardMm, camberDeg } = wheelStandAt(
    motionUnder(key, corner, setup),
    -setup.suspensionLiftMm,
    tire,
  );
  const side = outerSide(rotor.section, outboardMm, camberDeg);
  const raisedMm = bodyRiseMm(setup);
  const edge = fenderEdge(prepareDescribed(description, key), { raisedMm, forwardMm: -forwardMm });
  const top = edgeAtTop(edge);
  return { pokeMm: top === null ? null : outerAt(side) - top, covered: covers(edge, side) };
}
