import type { CaseDescription } from '../../4-clearance/case/case-description';
import { setupForCorner } from '../../4-clearance/case/case-description';
import { describedCorner } from '../../4-clearance/case/described-corner';
import type { BeforeAndAfter } from '../../4-clearance/case/travel-places';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { Setup } from '../../2-vehicle/setup/setup';
import { attempt } from '../../1-base/problem';
import { halfShaftReport, driveshaftReport } from '../driveline/driveline-report';
import type { HalfShaft, HalfShaftState } from '../driveline/half-shaft';
import type { Driveshaft, DriveshaftState } from '../driveline/driveshaft';
import { dragLinkReport, type DragLink, type DragLinkState } from './drag-link';
import type { HeightBands } from './expected-height';
import { cornerStance, type AxleAbility, type CornerStance, type CornerUnderside } from './stance-report';
import { swayBarReport, type SwayBar, type SwayBarState } from './sway-bar';

/** What was measured of an axle beside its linkage; each may be missing, and then what depends on it is not answered. */
export interface AxleMeasured {
  readonly underside?: CornerUnderside | undefined;
  readonly ability?: AxleAbility | undefined;
  readonly swayBar?: SwayBar | undefined;
  readonly dragLink?: DragLink | undefined;
  readonly halfShaft?: HalfShaft | undefined;
  readonly differentialDropMm?: number | undefined;
  readonly driveshaft?: Driveshaft | undefined;
  readonly slipJointLeastMm?: number | undefined;
}

/** What is known of a corner at its new height; what was not measured, or does not go together, is left out. */
export interface CornerFindings {
  readonly stance: CornerStance;
  readonly corner: CornerDescription;
  readonly setup: Setup;
  readonly underside: CornerUnderside;
  readonly ability: AxleAbility;
  readonly swayBar?: BeforeAndAfter<SwayBarState> | undefined;
  readonly dragLink?: BeforeAndAfter<DragLinkState> | undefined;
  readonly halfShaft?: BeforeAndAfter<HalfShaftState> | undefined;
  readonly driveshaft?: BeforeAndAfter<DriveshaftState> | undefined;
  readonly slipJointLeastMm?: number | undefined;
}

/** @throws ProblemError as `cornerStance`. */
export function cornerFindings(
  description: CaseDescription,
  key: CornerKey,
  measured: AxleMeasured,
  bands?: HeightBands,
): CornerFindings {
  const { underside = {}, ability = {}, swayBar, dragLink, halfShaft, driveshaft, slipJointLeastMm } = measured;
  const corner = describedCorner(description, key);
  const isBeam = corner.motion.type === 'beamAxle';
  const found = <Measured, Report>(
    link: Measured | undefined,
    work: (link: Measured) => Report,
  ): Report | undefined => {
    const report = link === undefined ? null : attempt(() => work(link));
    return report?.ok ? report.value : undefined;
  };
  return {
    stance: cornerStance(description, key, underside, ability, bands),
    corner,
    setup: setupForCorner(description, key),
    underside,
    ability,
    swayBar: found(swayBar, (bar) => swayBarReport(description, key, bar)),
    dragLink: found(isBeam ? dragLink : undefined, (link) => dragLinkReport(description, key, link)),
    halfShaft: found(isBeam ? undefined : halfShaft, (shaft) =>
      halfShaftReport(description, key, shaft, measured.differentialDropMm ?? 0),
    ),
    driveshaft: found(isBeam ? driveshaft : undefined, (shaft) => driveshaftReport(description, key, shaft)),
    slipJointLeastMm,
  };
}
