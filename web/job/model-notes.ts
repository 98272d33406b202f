import { asCase } from '@/contracts/as-case';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { enteredSetupFor } from '@/core/4-clearance/case/case-description';
import { CORNER_KEYS, cornerName } from '@/core/2-vehicle/setup/corner-key';
import { PART_WORDS } from '../stance/part-fields';
import { cornerLimits } from './corner-limits';

/** What beside the measurements makes the verdict kinder or other than the vehicle: older models, and parts that are not counted. */
export function modelNotes(file: LowgapFile): string[] {
  const keys = CORNER_KEYS.filter((key) => file.corners[key]);
  const named = (corners: readonly (typeof keys)[number][]): string => corners.map(cornerName).join(', ');
  const stopsAtHubs = keys.filter(
    (key) => file.corners[key]!.motion.type === 'beamAxle' && cornerLimits(file, key)?.stops === null,
  );
  const partsAt = (key: (typeof keys)[number]) => (file.setup ? (enteredSetupFor(asCase(file), key).parts ?? []) : []);
  const open = new Map<string, (typeof keys)[number][]>();
  for (const key of keys) {
    for (const part of partsAt(key)) {
      if (part.starting?.length) open.set(PART_WORDS[part.kind], [...(open.get(PART_WORDS[part.kind]) ?? []), key]);
    }
  }
  const olderStruts = keys.filter((key) =>
    partsAt(key).some((part) => part.kind === 'strutTopSpacer' && part.stops === undefined),
  );
  return [
    ...[...open].map(
      ([part, corners]) =>
        `Not counted, as its numbers were not typed (Stance): ${part.toLowerCase()}, ${named(corners)}.`,
    ),
    ...(stopsAtHubs.length > 0
      ? [
          `Each wheel of the beam axle is stopped for itself, as in older jobs, which is too kind: measure how far apart its bump stops stand, or read both wheels on a ramp (Baseline): ${named(stopsAtHubs)}.`,
        ]
      : []),
    ...(olderStruts.length > 0
      ? [
          `The spacer on the strut is counted as in older jobs, its stop inside and its mount where it was: say where the stop is (Stance): ${named(olderStruts)}.`,
        ]
      : []),
  ];
}
