import { asCase } from '@/contracts/as-case';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { attempt } from '@/core/1-base/problem';
import { bothUnits } from '@/core/1-base/units/length';
import { driveshaftReport } from '@/core/5-consequences/driveline/driveline-report';
import { slipJointShort } from '@/core/5-consequences/driveline/driveshaft';
import { cornersOf } from './axle-parts';
import { driveshaftEntry } from './link-entries';
import { PLACE_WORDS } from './stance-words';

/** Where the setup leaves a slip joint engaged by less than its maker wants: said in every room that may ask for such a setup. */
export function slipJointWords(file: LowgapFile): string[] {
  return (['front', 'rear'] as const).flatMap((axle) => {
    const shaft = driveshaftEntry(file, axle);
    const [key] = cornersOf(file, axle);
    if (!shaft || !key) return [];
    const found = attempt(() => slipJointShort(driveshaftReport(asCase(file), key, shaft).after, shaft.leastMm));
    if (!found.ok) return [];
    return found.value.map(
      ({ place, engagedMm, leastMm }) =>
        `Slip joint, ${axle} axle: ${bothUnits(engagedMm)} engaged at ${PLACE_WORDS[place].toLowerCase()}, ${bothUnits(leastMm)} is wanted.`,
    );
  });
}
