/** What hangs and stretches below a corner, in the order it is measured with the wheel hanging. */
import type { LowgapCorner } from '@/contracts/lowgap-file';
import type { CornerUnderbody } from '@/contracts/job-record';
import { LIMITS } from '@/core/1-base/limits';
import type { Entry } from './baseline-entries';

const entry = (field: keyof CornerUnderbody, label: string): Entry => ({
  label,
  range: LIMITS.underbodyMm,
  optional: true,
  typedAs: `underbody.${field}`,
  read: (c) => c.underbody?.[field],
  write: (c, v) => {
    const { [field]: _old, ...rest } = c.underbody ?? {};
    c.underbody = v === undefined ? rest : { ...rest, [field]: v };
  },
});

export const UNDERBODY: readonly Entry[] = [
  entry('shockNowMm', 'Shock, eye to eye, at ride height'),
  entry('shockOpenMm', 'Shock fully open'),
  entry('shockClosedMm', 'Shock fully closed'),
  entry('brakeHoseSpareMm', 'Brake hose spare, hanging'),
  entry('sensorWireSpareMm', 'Sensor wire spare, hanging'),
  entry('parkingCableSpareMm', 'Parking cable spare, hanging'),
  entry('stopGapMm', 'Bump stop gap at ride height'),
  {
    label: 'Studs beyond the hub face',
    range: LIMITS.studMm,
    optional: true,
    typedAs: 'studProtrusionMm',
    read: (c: LowgapCorner) => c.studProtrusionMm,
    write: (c, v) => (v === undefined ? delete c.studProtrusionMm : (c.studProtrusionMm = v)),
  },
  {
    label: 'Pockets in the wheel pad, depth',
    range: LIMITS.studMm,
    optional: true,
    typedAs: 'studPocketMm',
    read: (c: LowgapCorner) => c.fitted.wheel.studPocketMm,
    write: (c, v) => (v === undefined ? delete c.fitted.wheel.studPocketMm : (c.fitted.wheel.studPocketMm = v)),
  },
];

/** What the shock's numbers say together; null while they say nothing. */
export function shockProblem({ shockOpenMm, shockClosedMm, shockNowMm }: CornerUnderbody): string | null {
  if (shockOpenMm !== undefined && shockClosedMm !== undefined && shockOpenMm <= shockClosedMm)
    return `Open (${shockOpenMm} mm) must be longer than closed (${shockClosedMm} mm).`;
  if (shockNowMm !== undefined && shockOpenMm !== undefined && shockNowMm > shockOpenMm)
    return `At ride height it reads ${shockNowMm} mm, longer than fully open (${shockOpenMm} mm).`;
  if (shockNowMm !== undefined && shockClosedMm !== undefined && shockNowMm < shockClosedMm)
    return `At ride height it reads ${shockNowMm} mm, shorter than fully closed (${shockClosedMm} mm).`;
  return null;
}
