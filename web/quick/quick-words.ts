import { bothUnits, formatFraction, formatFractionUp, formatMm, type LengthUnit } from '@/core/1-base/units/length';
import type { VehicleKind } from '@/core/2-vehicle/setup/vehicle-kind';
import type { QuickChange, SaidLoad } from '@/core/6-decisions/quick/quick-change';
import type { LikelyRoom } from '@/core/3-survey/well/starter-well';
import type { QuickLikely } from '@/core/6-decisions/quick/quick-likely';
import type { QuickPlace, SaidVerdict } from '@/core/6-decisions/quick/quick-places';
import { ENOUGH_WELLS, type QuickRecord } from '@/core/6-decisions/quick/quick-record';
import { aboutWords, usualWords } from '../kit/usual-words';
import { ACROSS_NAMES, VEHICLE_KIND_NAMES } from '../words';

/** A length with the shop's unit first. */
export const lengthWords = (mm: number, unit: LengthUnit): string =>
  unit === 'mm' ? bothUnits(mm) : `${formatFraction(mm)} in (${formatMm(mm, 0)} mm)`;

/** `22 to 31 mm`, in the shop's unit first; one number where both are the same on a tape. */
export function rangeWords(leastMm: number, mostMm: number, unit: LengthUnit): string {
  const [least, most] = [up(leastMm), up(mostMm)];
  const inches = [formatFractionUp(leastMm), formatFractionUp(mostMm)];
  const mm = least === most ? `${least} mm` : `${least} to ${most} mm`;
  if (unit === 'mm') return mm;
  return `${inches[0] === inches[1] ? inches[0] : `${inches[0]} to ${inches[1]}`} in (${mm})`;
}

/** A needed gap is never rounded down. */
const up = (mm: number): number => Math.ceil(mm - 1e-9);

const LEAST_MM = 0.5;
const more = (mm: number, unit: LengthUnit, longer: string, shorter: string, same: string): string =>
  Math.abs(mm) < LEAST_MM ? same : `${lengthWords(Math.abs(mm), unit)} ${mm > 0 ? longer : shorter}`;

export interface SaidLine {
  readonly what: string;
  readonly says: string;
}

/** What the wanted setup changes, each in a few words. */
export function changeLines(change: QuickChange, unit: LengthUnit): SaidLine[] {
  const speed = change.trueSpeedAt100;
  return [
    { what: 'Outboard', says: more(change.pokeMm, unit, 'further out', 'further in', 'as far out as now') },
    { what: 'Inboard', says: more(change.inboardMm, unit, 'closer to the frame', 'further from the frame', 'as now') },
    { what: 'Diameter', says: more(change.diameterMm, unit, 'taller', 'shorter', 'as tall as now') },
    { what: 'Width', says: more(change.widthMm, unit, 'wider', 'narrower', 'as wide as now') },
    { what: 'Backspacing', says: more(change.backspacingMm, unit, 'more', 'less', 'as now') },
    { what: 'Fender height', says: more(change.fenderHeightMm, unit, 'higher', 'lower', 'as now') },
    {
      what: 'Speedometer',
      says:
        Math.abs(speed - 100) < 0.1
          ? 'as now'
          : `shows 100 at a true ${speed.toFixed(1)}: ${speed > 100 ? 'too little' : 'too much'}, if it was right`,
    },
    { what: 'Load index', says: loadWords(change.fittedLoad, change.wantedLoad) },
  ];
}

function loadWords(fitted: SaidLoad | null, wanted: SaidLoad | null): string {
  if (!fitted && !wanted) return 'not in the sizes: compare both sidewalls';
  if (!wanted) return `now ${fitted!.index}; the new size does not say`;
  if (!fitted) return `${wanted.index} (${wanted.kg} kg); today’s size does not say`;
  if (wanted.kg < fitted.kg) return `${wanted.index} carries less than ${fitted.index}: not without the maker’s word`;
  return `${wanted.index}, no less than ${fitted.index}`;
}

const STEER_WORDS = { straight: 'wheel straight', left: 'steered full left', right: 'steered full right' } as const;

/** A thing by the end of its label, where that says more: `pinch weld or rocker`. */
export function shortLabel({ label }: Pick<QuickPlace, 'label'>): string {
  const last = label.split(': ').at(-1)!;
  return `${last.charAt(0).toUpperCase()}${last.slice(1)}`;
}

/** Where to put the finger: `at 8:30, tread, wheel straight`. */
export const placeSays = ({ clock, across, steer }: Pick<QuickPlace, 'clock' | 'across' | 'steer'>): string =>
  `at ${clock}, ${ACROSS_NAMES[across]}, ${STEER_WORDS[steer]}`;

export const SAID_WORDS: Readonly<Record<SaidVerdict, string>> = {
  enough: 'room enough there',
  short: 'too little there',
  between: 'could be either: measure it',
};

/** All answers together. It is never said that it fits: only a survey says what clears. */
export function saidTogether(places: readonly QuickPlace[]): string {
  const by = (verdict: SaidVerdict): QuickPlace[] => places.filter(({ said }) => said === verdict);
  const names = (all: readonly QuickPlace[]): string =>
    [...new Set(all.map(({ label }) => shortLabel({ label }).toLowerCase()))].join(', ');
  const [short, between, enough] = [by('short'), by('between'), by('enough')];
  if (short.length > 0) return `By what was said it comes too close: ${names(short)}.`;
  if (between.length > 0) return `Not to be said yet: measure ${names(between)}.`;
  if (enough.length === 0) return '';
  const open = places.length - enough.length;
  return `Room enough where it was asked${open > 0 ? `; ${open} of ${places.length} places are open` : ''}. Only a survey says what clears.`;
}

const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** What the shop's own record says, as a chance with its count. */
export function recordWords(record: QuickRecord, kind: VehicleKind | null): string {
  const such = kind ? `${VEHICLE_KIND_NAMES[kind].toLowerCase()}s` : 'vehicles';
  const left = record.leftOut > 0 ? ` ${record.leftOut} more were not surveyed far enough to count.` : '';
  if (record.of === 0) return `No ${such} like it were surveyed here yet.${left}`;
  const count = `The wanted tire would clear on ${record.count} of ${record.of} such ${such} surveyed here`;
  if (record.of < ENOUGH_WELLS) return `${count}: too few for a chance.${left}`;
  return `${count}: ${percent(record.count / record.of)}, somewhere from ${percent(record.low)} to ${percent(record.high)}.${left}`;
}

/** A chance as it may be said of what nobody measured: to the nearest twentieth, and never as sure. */
function saidChance(chance: number): string {
  const twentieths = Math.round(20 * chance);
  return twentieths < 1 ? 'less than 5 %' : twentieths > 19 ? 'more than 95 %' : `about ${5 * twentieths} %`;
}

/** What is likely before the vehicle is there, and out of what. */
export function likelyWords({ chance, wells }: QuickLikely, kind: VehicleKind | null): string {
  const such = kind ? `usual ${VEHICLE_KIND_NAMES[kind].toLowerCase()}s` : 'usual vehicles';
  const own = wells === 0 ? 'none of the shop’s own is among them' : `${wells} of the shop’s own count in it`;
  return `Before anybody measures: ${saidChance(chance ?? 0)} that it clears at all these places, by ${such} (${own}). Every gap that is said makes that surer.`;
}

/** What is likely at a place: as usual, or as it was said. */
export const roomWords = ({ fromMm, toMm, meanMm, isRead }: LikelyRoom, unit: LengthUnit): string =>
  isRead ? `${aboutWords(meanMm, unit)}, as was said` : usualWords(fromMm, toMm, unit);
