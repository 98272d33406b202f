import type { Suspect, TodayDoubt } from '@/core/5-consequences/today/fitted-today';
import { bothUnits } from '@/core/1-base/units/length';
import { STARTING_WORDS } from '../advice';
import { MOUNT_NAMES, postureWords } from '../words';

/** What the numbers say of the fitted tire, and what the vehicle says. */
export function doubtSentence({ kind, label, gapMm, steerDeg, travelMm }: TodayDoubt): string {
  const where = postureWords(steerDeg, travelMm);
  if (kind === 'rubUnfound')
    return `${label}: it is said to rub, and by the numbers the fitted tire stays ${bothUnits(gapMm)} off it, ${where}.`;
  const rubs = `${label}: by the numbers the fitted tire is ${bothUnits(-gapMm)} into it, ${where}`;
  return kind === 'saidNotTo' ? `${rubs}; it is said not to rub.` : `${rubs}; no mark and no word says so.`;
}

/** What may be wrong: `reading 3`, `the travel up to the bump stop, which nobody measured`. */
export function suspectWords(suspect: Suspect): string {
  switch (suspect.kind) {
    case 'reading':
      return `reading ${suspect.index + 1}`;
    case 'mount':
      return `what it is fixed to: ${MOUNT_NAMES[suspect.mount].toLowerCase()} would agree`;
    case 'starting':
      return `${STARTING_WORDS[suspect.value]}, which nobody measured`;
  }
}
