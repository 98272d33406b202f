import { bodyRiseMm } from '../../2-vehicle/setup/setup';
import { setupForCorner, type CaseDescription } from '../../4-clearance/case/case-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { describedCorner } from '../../4-clearance/case/described-corner';
import { prepareRotor } from '../../2-vehicle/setup/rotor';
import { standingRadiusMm } from '../../2-vehicle/setup/loaded-radius';
import type { WheelChange } from './side-photo';

/**
 * What a setup changes at one parked wheel, seen from the side; `loadedShare`: loaded over free radius of the fitted tire.
 * @throws ProblemError for a tire or wheel that cannot be.
 */
export function wheelChange(
  description: CaseDescription,
  key: CornerKey,
): WheelChange & { readonly loadedShare: number } {
  const corner = describedCorner(description, key);
  const setup = setupForCorner(description, key);
  const before = prepareRotor(corner.fitted, `corners.${key}.fitted`).section;
  const after = prepareRotor(setup, 'setup').section;
  const hubDropMm = bodyRiseMm(setup);
  const loadedBeforeMm = standingRadiusMm(corner, before);
  return {
    diameterBeforeMm: before.diameterMm,
    diameterAfterMm: after.diameterMm,
    hubDropMm,
    bodyRiseMm: hubDropMm + standingRadiusMm(corner, after) - loadedBeforeMm,
    loadedShare: loadedBeforeMm / (before.diameterMm / 2),
  };
}
