import { bothUnits, formatFraction, formatMm } from '@/core/1-base/units/length';
import type { HeightSaying } from '@/core/5-consequences/stance/wanted-height';
import type { KitGot } from '@/core/7-job/test-fit/kit-got';
import { PARTS } from './setup-work-words';

const axleWords = { front: 'Front', rear: 'Rear' } as const;

/** `Front: overshoots what is wanted by 12.7 mm (1/2 in); order 3/4 in blocks instead of 1 1/4 in.` */
export function heightWords(said: HeightSaying): string {
  switch (said.is) {
    case 'asWanted':
      return `${axleWords[said.axle]}: as wanted.`;
    case 'noseHigh':
    case 'tailHigh':
      return `${said.is === 'noseHigh' ? 'Nose-high' : 'Tail-high'} by ${bothUnits(said.byMm)} against the rake wanted.`;
    case 'overshoots':
    case 'fallsShort': {
      const by = `${said.is === 'overshoots' ? 'overshoots' : 'falls short of'} what is wanted by ${bothUnits(said.byMm)}`;
      const { instead } = said;
      const order = instead
        ? `; order ${formatFraction(instead.toMm)} in ${PARTS[instead.kind]} instead of ${formatFraction(instead.fromMm)} in`
        : '';
      return `${axleWords[said.axle]}: ${by}${order}.`;
    }
  }
}

/** mm of lift that a tape at the lip does not tell from what was promised. */
const SAME_MM = 3;

/** `promised 40 mm (1 9/16 in), got 33 mm (1 5/16 in): 7 mm less`. */
export function kitWords({ promisedMm, gotMm }: KitGot): string {
  const off = gotMm - promisedMm;
  const more =
    Math.abs(off) <= SAME_MM ? 'as promised' : `${formatMm(Math.abs(off), 0)} mm ${off > 0 ? 'more' : 'less'}`;
  return `promised ${bothUnits(promisedMm)}, got ${bothUnits(gotMm)}: ${more}`;
}
