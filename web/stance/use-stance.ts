import { computed } from 'vue';
import { asCase } from '@/contracts/as-case';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { setupForCorner, type CaseDescription } from '@/core/4-clearance/case/case-description';
import { type CornerKey, axleOf } from '@/core/2-vehicle/setup/corner-key';
import { halfShaftReport, propshaftReport } from '@/core/5-consequences/driveline/driveline-report';
import { attempt, type Result } from '@/core/1-base/problem';
import {
  calledForBySchool,
  type CalledForBySchool,
  type CornerFindings,
} from '@/core/5-consequences/stance/called-for';
import { dragLinkReport } from '@/core/5-consequences/stance/drag-link';
import { roadReport, type RoadMeasured } from '@/core/5-consequences/stance/road-report';
import { cornerStance, type AxleAbility, type CornerStance } from '@/core/5-consequences/stance/stance-report';
import { swayBarReport } from '@/core/5-consequences/stance/sway-bar';
import { useJobStore } from '../stores/job';
import { useShopRecord } from '../stores/shop-record';
import { dragLinkEntry, halfShaftEntry, propshaftEntry, swayBarEntry } from './link-entries';

/** One corner's stance with what it calls for, or why it cannot be worked out. */
export interface CornerReport {
  readonly key: CornerKey;
  readonly stance: Result<CornerStance>;
  readonly calls: readonly CalledForBySchool[];
}

export const abilityOf = (file: LowgapFile, key: CornerKey): AxleAbility => ({
  ...file.stance?.[axleOf(key)],
  // What the adjusters reach stands with the corner; older jobs have it with the axle.
  ...file.corners[key]?.adjusters,
});

/** What the measured links and shafts of a corner do; what is missing, or does not go together, is left out. */
function linksOf(file: LowgapFile, description: CaseDescription, key: CornerKey): Partial<CornerFindings> {
  const axle = axleOf(key);
  const found = <Measured, Report>(
    measured: Measured | null,
    work: (measured: Measured) => Report,
  ): Report | undefined => {
    const report = measured === null ? null : attempt(() => work(measured));
    return report?.ok ? report.value : undefined;
  };
  const isBeam = file.corners[key]!.motion.type === 'beamAxle';
  const drop = file.stance?.drive?.[axle]?.differentialDropMm ?? 0;
  return {
    swayBar: found(swayBarEntry(file, axle), (bar) => swayBarReport(description, key, bar)),
    dragLink: found(isBeam ? dragLinkEntry(file, axle) : null, (link) => dragLinkReport(description, key, link)),
    halfShaft: found(isBeam ? null : halfShaftEntry(file, axle), (shaft) =>
      halfShaftReport(description, key, shaft, drop),
    ),
    propshaft: found(isBeam ? propshaftEntry(file, axle) : null, (shaft) => propshaftReport(description, key, shaft)),
    slipJointLeastMm: file.underbody?.slipJointLeastMm,
  };
}

export const roadMeasured = ({ vehicle, stance }: LowgapFile): RoadMeasured => ({
  wheelbaseMm: vehicle.wheelbaseMm,
  trackFrontMm: vehicle.trackFrontMm,
  trackRearMm: vehicle.trackRearMm,
  ...stance?.road,
});

/** What the open job's setup does to height and linkage, corner by corner, and on the road. */
export function useStance() {
  const job = useJobStore();
  const record = useShopRecord();
  void record.load();
  const reports = computed<CornerReport[]>(() => {
    const file = job.document;
    if (!file) return [];
    const description = asCase(file);
    return job.corners.map((key) => {
      const corner = file.corners[key]!;
      const ability = abilityOf(file, key);
      const stance = attempt(() => cornerStance(description, key, corner.underbody, ability, record.bands));
      const calls = stance.ok
        ? calledForBySchool({
            stance: stance.value,
            corner,
            setup: setupForCorner(description, key),
            ability,
            ...linksOf(file, description, key),
          })
        : [];
      return { key, stance, calls };
    });
  });
  const road = computed(() => {
    const file = job.document;
    return file ? attempt(() => roadReport(asCase(file), roadMeasured(file))) : null;
  });
  return { reports, road };
}
