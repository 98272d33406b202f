import { computed } from 'vue';
import { asCase } from '@/contracts/as-case';
import type { LowgapFile } from '@/contracts/lowgap-file';
import type { CornerKey } from '@/core/clearance/description';
import { setupForCorner } from '@/core/clearance/description';
import { attempt, type Result } from '@/core/problem';
import { calledFor, type CalledFor } from '@/core/stance/called-for';
import { roadReport, type RoadMeasured } from '@/core/stance/road-report';
import { cornerStance, type AxleAbility, type CornerStance } from '@/core/stance/stance-report';
import { useJobStore } from '../stores/job';

/** One corner's stance with what it calls for, or why it cannot be worked out. */
export interface CornerReport {
  readonly key: CornerKey;
  readonly stance: Result<CornerStance>;
  readonly calls: readonly CalledFor[];
}

export const abilityOf = (file: LowgapFile, key: CornerKey): AxleAbility =>
  file.stance?.[key.startsWith('front') ? 'front' : 'rear'] ?? {};

export const roadMeasured = ({ vehicle, stance }: LowgapFile): RoadMeasured => ({
  wheelbaseMm: vehicle.wheelbaseMm,
  trackFrontMm: vehicle.trackFrontMm,
  trackRearMm: vehicle.trackRearMm,
  ...stance?.road,
});

/** What the open job's setup does to height and linkage, corner by corner, and on the road. */
export function useStance() {
  const job = useJobStore();
  const reports = computed<CornerReport[]>(() => {
    const file = job.document;
    if (!file) return [];
    const description = asCase(file);
    return job.corners.map((key) => {
      const corner = file.corners[key]!;
      const ability = abilityOf(file, key);
      const stance = attempt(() => cornerStance(description, key, corner.underbody, ability));
      const calls = stance.ok ? calledFor(stance.value, corner, setupForCorner(description, key), ability) : [];
      return { key, stance, calls };
    });
  });
  const road = computed(() => {
    const file = job.document;
    return file ? attempt(() => roadReport(asCase(file), roadMeasured(file))) : null;
  });
  return { reports, road };
}
