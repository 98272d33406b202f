import { computed } from 'vue';
import { asCase } from '@/contracts/as-case';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { type CornerKey, axleOf } from '@/core/2-vehicle/setup/corner-key';
import { attempt, type Result } from '@/core/1-base/problem';
import {
  calledForBySchool,
  notAnswered,
  type CalledForBySchool,
  type NotAnswered,
} from '@/core/5-consequences/stance/called-for';
import { cornerFindings, type AxleMeasured } from '@/core/5-consequences/stance/findings';
import { heightTable, type HeightTable } from '@/core/5-consequences/stance/height-table';
import type { HeightSchool } from '@/core/5-consequences/stance/height-schools';
import { roadReport, type RoadMeasured } from '@/core/5-consequences/stance/road-report';
import type { AxleAbility, CornerStance } from '@/core/5-consequences/stance/stance-report';
import { useJobStore } from '../stores/job';
import { useShopRecord } from '../stores/shop-record';
import { dragLinkEntry, halfShaftEntry, driveshaftEntry, swayBarEntry } from './link-entries';

/** One corner's stance with what it calls for, or why it cannot be worked out. */
export interface CornerReport {
  readonly key: CornerKey;
  readonly stance: Result<CornerStance>;
  readonly calls: readonly CalledForBySchool[];
  readonly open: readonly NotAnswered[];
}

export const abilityOf = (file: LowgapFile, key: CornerKey): AxleAbility => ({
  ...file.stance?.[axleOf(key)],
  // What the adjusters reach stands with the corner; older jobs have it with the axle.
  ...file.corners[key]?.adjusters,
});

/** What was measured of a corner's axle beside its linkage. */
function axleMeasured(file: LowgapFile, key: CornerKey): AxleMeasured {
  const axle = axleOf(key);
  return {
    underside: file.corners[key]?.underbody,
    ability: abilityOf(file, key),
    swayBar: swayBarEntry(file, axle) ?? undefined,
    dragLink: dragLinkEntry(file, axle) ?? undefined,
    halfShaft: halfShaftEntry(file, axle) ?? undefined,
    differentialDropMm: file.stance?.drive?.[axle]?.differentialDropMm,
    driveshaft: driveshaftEntry(file, axle) ?? undefined,
    slipJointLeastMm: file.underbody?.slipJointLeastMm,
  };
}

/** What heights call for at a corner of the job; @throws ProblemError where it stands in no posture. */
export const heightTableOf = (
  file: LowgapFile,
  key: CornerKey,
  liftsMm: readonly number[],
  school: HeightSchool,
): HeightTable => heightTable(asCase(file), key, axleMeasured(file, key), liftsMm, school);

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
      const found = attempt(() => cornerFindings(description, key, axleMeasured(file, key), record.bands));
      if (!found.ok) return { key, stance: found, calls: [], open: [] };
      const { value } = found;
      return {
        key,
        stance: { ok: true as const, value: value.stance },
        calls: calledForBySchool(value),
        open: notAnswered(value),
      };
    });
  });
  const road = computed(() => {
    const file = job.document;
    return file ? attempt(() => roadReport(asCase(file), roadMeasured(file))) : null;
  });
  return { reports, road };
}
