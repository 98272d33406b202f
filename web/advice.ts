/** What the engine found, said in a sentence: how sure, what would clear it, what to measure again. */
import { seenClock } from '@/core/1-base/units/clock';
import { cornerName, sideOf, type CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { Known, StartingValue, WantedFirst } from '@/core/3-survey/known/known';
import { marginWords, needsWords } from '@/core/4-clearance/case/standard';
import { ACROSS_NAMES, pastLockWords, postureWords } from './words';
import type { ObstacleVerdict } from '@/core/4-clearance/verdict/evaluate';
import type { Remeasure } from '@/core/5-consequences/spread/spread';
import type { LeverKind } from '@/core/6-decisions/levers/lever-kinds';
import type { Lever, ObstacleLevers } from '@/core/6-decisions/levers/levers';
import { formatMm, bothUnits } from '@/core/1-base/units/length';

/** `12 % likely too close`, and never a certainty that no draw can give. */
export function chanceWords(chance: number): string {
  const percent = Math.round(100 * chance);
  if (percent === 0) return chance > 0 ? 'under 1 % likely too close' : 'not likely too close';
  if (percent === 100) return 'nearly surely too close';
  return `${percent} % likely too close`;
}

/** A single change in the trade's words: `18 mm more offset`. */
export function leverWords(kind: LeverKind, amount: number): string {
  const mm = `${formatMm(amount)} mm`;
  const degrees = `${amount.toFixed(1)}°`;
  const inches = `${amount.toFixed(1)} in`;
  switch (kind) {
    case 'offsetMore':
      return `${mm} more offset`;
    case 'offsetLess':
      return `${mm} less offset`;
    case 'spacer':
      return `a spacer ${mm} thicker`;
    case 'diameterLess':
      return `${mm} less diameter`;
    case 'widthLess':
      return `a tire ${mm} narrower`;
    case 'rimNarrower':
      return `a rim ${inches} narrower`;
    case 'rimWider':
      return `a rim ${inches} wider`;
    case 'springLift':
      return `${mm} of lift on the spring`;
    case 'strutTopLift':
      return `${mm} of lift on top of the strut`;
    case 'blockLift':
      return `${mm} of block`;
    case 'linkageDrop':
      return `a linkage drop of ${mm}`;
    case 'bodyLift':
      return `${mm} of body lift`;
    case 'bumpStop':
      return `a bump stop ${mm} longer at the wheel`;
    case 'steerStopLeft':
      return `${degrees} less lock to the left`;
    case 'steerStopRight':
      return `${degrees} less lock to the right`;
    case 'axleForward':
      return `the axle ${mm} forward`;
    case 'axleBack':
      return `the axle ${mm} back`;
    case 'casterMore':
      return `${degrees} more caster`;
    case 'casterLess':
      return `${degrees} less caster`;
    case 'camberIn':
      return `${degrees} of camber, top inboard`;
  }
}

/** Changes by name, for a sentence that says they do nothing. */
export const LEVER_NAMES: Readonly<Record<LeverKind, string>> = {
  offsetMore: 'more offset',
  offsetLess: 'less offset',
  spacer: 'a spacer',
  diameterLess: 'less diameter',
  widthLess: 'a narrower tire',
  rimNarrower: 'a narrower rim',
  rimWider: 'a wider rim',
  springLift: 'lift on the spring',
  strutTopLift: 'lift on top of the strut',
  blockLift: 'blocks',
  linkageDrop: 'a linkage drop',
  bodyLift: 'a body lift',
  bumpStop: 'a longer bump stop',
  steerStopLeft: 'a steering stop to the left',
  steerStopRight: 'a steering stop to the right',
  axleForward: 'the axle forward',
  axleBack: 'the axle back',
  casterMore: 'more caster',
  casterLess: 'less caster',
  camberIn: 'camber',
};

export const SOURCE_WORDS: Readonly<Record<Exclude<Remeasure['source'], 'reading' | 'position'>, string>> = {
  fittedTire: "the fitted tire's diameter and width",
  fittedOffset: "the fitted wheel's offset",
  triedTire: "the tried tire's diameter and width",
  triedOffset: "the tried wheel's offset",
  bumpTravel: 'the travel to the bump stop',
  droopTravel: 'the travel to full droop',
  parkedHeight: 'the parked height',
  hubToLip: 'hub center to fender lip',
  locks: 'the steering locks',
  steerStops: 'where the steering stops are set',
  alignment: 'camber and toe',
  steeringAxis: 'inclination, caster and axis inboard',
  hardPoints: 'the suspension points',
  compliance: 'how far the bushings give',
  articulation: 'how far apart the axle’s bump stops stand',
};

/** What to measure again: `reading 2 of Fender lip`. */
export function remeasureWords({ source, obstacle, reading }: Remeasure, labelOf: (id: string) => string): string {
  if (source === 'reading') return `reading ${(reading ?? 0) + 1} of ${labelOf(obstacle ?? '')}`;
  if (source === 'position') return `the position of ${labelOf(obstacle ?? '')}`;
  return SOURCE_WORDS[source];
}

/** What a specialist would say aloud about one obstacle. */
export function verdictSentence(o: ObstacleVerdict, rideMm: number): string {
  const gap = o.gapMm >= 0 ? `comes down to ${bothUnits(o.gapMm)}` : `is overlapped by ${bothUnits(-o.gapMm)}`;
  const margin = `${needsWords(o.requiredMm)}, ${marginWords(o.marginMm)}`;
  const past = pastLockWords(o.pastLock);
  return `${o.label} ${gap} at ${seenClock(o.clock, sideOf(o.corner))} on the ${ACROSS_NAMES[o.across]}, ${postureWords(o.steerDeg, o.travelMm, rideMm, o.crossMm)}${past && ` (${past})`}: ${margin}.`;
}

/** A little more than just enough, so that what is read off the screen holds: the next tenth; rims come by halves. */
export function roundedLever({ amount, unit }: Lever): number {
  const perUnit = unit === 'in' ? 2 : 10;
  return Math.ceil(perUnit * amount) / perUnit;
}

/** Those that clear and upset nothing, one of a kind, in the order a counter would name them. */
const SAID_FIRST: readonly LeverKind[] = [
  'offsetMore',
  'offsetLess',
  'diameterLess',
  'widthLess',
  'bumpStop',
  'steerStopLeft',
  'steerStopRight',
  'rimNarrower',
];

const LIFTS: readonly LeverKind[] = ['springLift', 'strutTopLift', 'blockLift', 'bodyLift', 'linkageDrop'];

/**
 * What would clear an obstacle, as one would say it: "18 mm more offset, or 25 mm less diameter, or trim 12 mm here; lift on the
 * spring does nothing."
 */
export function leverSentence({ levers, trimMm, unbolts }: ObstacleLevers): string {
  const clearing = levers.filter(({ outcome, upsets }) => outcome === 'clears' && upsets.length === 0);
  const said = SAID_FIRST.flatMap((kind) => clearing.filter((lever) => lever.kind === kind)).slice(0, 3);
  const others = said.length ? [] : clearing.slice(0, 2);
  const ways = [
    ...(unbolts ? ['unbolt it'] : []),
    ...[...said, ...others].map((lever) => leverWords(lever.kind, roundedLever(lever))),
    ...(trimMm !== null ? [`trim ${formatMm(trimMm)} mm here`] : []),
  ];
  const lifts = LIFTS.filter((kind) => levers.some((lever) => lever.kind === kind));
  const idle = lifts.filter((kind) => levers.some((lever) => lever.kind === kind && lever.outcome === 'nothing'));
  const useless =
    idle.length === 0
      ? ''
      : idle.length === lifts.length
        ? '; lift does nothing'
        : `; ${LEVER_NAMES[idle[0]!]} does nothing`;
  if (ways.length === 0) {
    const upsetting = levers.some(({ outcome }) => outcome === 'clears');
    return upsetting
      ? `No single change clears it without upsetting something else${useless}.`
      : `No single change clears it${useless}.`;
  }
  const first = ways[0]!;
  return `${first[0]!.toUpperCase()}${first.slice(1)}${ways
    .slice(1)
    .map((way) => `, or ${way}`)
    .join('')}${useless}.`;
}

/** What stands in for a measurement until there is one. */
export const STARTING_WORDS: Readonly<Record<StartingValue, string>> = {
  tire: 'the size of the tire now fitted',
  wheel: 'the wheel now fitted',
  bumpMm: 'the travel to full squash of the bump stop',
  droopMm: 'the travel to full droop',
  lockLeftDeg: 'the full left lock',
  lockRightDeg: 'the full right lock',
  kingpinOffsetMm: 'how far inboard the steering axis stands',
  inclinationDeg: 'how the steering axis leans in',
  casterDeg: 'the caster',
  casterTrailMm: 'how far ahead the steering axis stands',
  staticCamberDeg: 'the camber',
  staticToeDeg: 'the toe',
  motion: 'how the wheel moves',
  stopSpacingMm: 'how far apart the bump stops of the axle stand, or both wheels on a ramp',
  shockSpacingMm: 'how far apart the shocks of the axle stand',
};

/** What to measure first, as something to do. */
export function firstWords(first: WantedFirst): string {
  switch (first.kind) {
    case 'value':
      return `measure ${STARTING_WORDS[first.value]}`;
    case 'thing':
      return `survey the ${first.label.toLowerCase()}`;
    case 'readings':
      return 'take more readings round what is there';
    case 'newArm':
      return `measure the ${first.label.toLowerCase()} on the new arm`;
    case 'contradiction':
      return `settle the readings of the ${first.label.toLowerCase()} that contradict each other`;
    case 'rub':
      return `settle whether the fitted tire rubs on the ${first.label.toLowerCase()}: its readings say otherwise`;
  }
}

/** Which corners are not known, how far they are, and what to do first: `front left is not known (3 of 7 parts): survey the body mount.` */
export function unknownWords(known: readonly ({ readonly corner: CornerKey } & Known)[]): string {
  return known
    .flatMap(({ corner, isEnough, first, things }) =>
      isEnough || !first
        ? []
        : [`${cornerName(corner)} is not known (${things.have} of ${things.of} parts): ${firstWords(first)}`],
    )
    .join('; ')
    .concat('.');
}
