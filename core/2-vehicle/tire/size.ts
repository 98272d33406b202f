import { ProblemError } from '../../1-base/problem';

/**
 * Tire size text to numbers. Notations read:
 * - metric `265/70R17`, `P265/70R17`, `LT265/70R17`, `235/65R16C 112/110R`, `225/45ZR17 (94Y)`, `205/50-10`, the spare `T125/70D17`
 * - metric without an aspect ratio `195R14C` (section height 80 % of width: the older "full" profile)
 * - flotation and small-cart, diameter x width: `35x12.50R17LT`, `31x10.50-15`, `18x8.50-8`
 * - older numeric, width in inches: `7.50R16LT`, `6.00-16`, `4.80/4.00-8`, `10-16.5` (no diameter in the text: estimated)
 * Load range, service description, dual index, XL, SL, HL, M+S and the snow mark may follow.
 */
export type TireNotation = 'metric' | 'flotation' | 'numeric';

export interface TireSize {
  readonly notation: TireNotation;
  /** The text, trimmed, as it was written. */
  readonly text: string;
  readonly rimDiameterIn: number;
  /** Metric: nominal section width, mm. Flotation and numeric: printed width, mm. */
  readonly nominalWidthMm: number;
  /** Metric: aspect ratio in %. Absent for flotation and numeric. */
  readonly aspect?: number;
  /** Flotation: printed outside diameter, mm. */
  readonly printedDiameterMm?: number;
  /** True when the text does not carry the height and a default ratio stands in: measure the tire. */
  readonly heightIsEstimated: boolean;
  /** Passenger tires are rated for cars; LT, C, ST, load range C and up, flotation and older numeric sizes for trucks and trailers. */
  readonly madeFor: 'passenger' | 'truck';
  readonly loadIndex?: number;
  /** On twin wheels. */
  readonly dualLoadIndex?: number;
  readonly speedSymbol?: string;
}

const METRIC =
  /^(?:P|LT|ST|HL|C|T)?\s?(?<width>\d{3})\s?(?:[/-]\s?(?<aspect>\d{2,3}))?\s?(?:(?:Z|H|V|S)?[RDB]|-|\/)F?\s?(?<rim>\d{1,2}(?:\.\d)?)(?<tail>\D.*)?$/;
const FLOTATION =
  /^(?:AT|LT)?\s?(?<diameter>\d{2}(?:[.,]\d{1,2})?)\s?[X×*]\s?(?<width>\d{1,2}(?:[.,]\d{1,2})?)\s?(?:Z?[RDB]|-|X|\*)\s?(?<rim>\d{1,2}(?:\.\d)?)(?<tail>\D.*)?$/;
/** A second width (`4.80/4.00-8`) is the older name of the same tire. */
const NUMERIC =
  /^(?<width>\d{1,2}[.,]\d{1,2})(?:\/\d{1,2}[.,]\d{1,2})?\s?(?:[RDB]|-)\s?(?<rim>\d{1,2}(?:\.\d)?)(?<tail>\D.*)?$/;
/** Truck sizes on rims with a half inch carry whole inches: `10-16.5`, `11R22.5`. */
const TRUCK = /^(?<width>\d{1,2})\s?(?:[RDB]|-)\s?(?<rim>\d{1,2}\.5)(?<tail>\D.*)?$/;
/** Inches with the point left out, as in `560-15` or `750R16`: no metric width ends in 0 without an aspect ratio. */
const POINTLESS = /^(?<width>\d{2,3}0)\s?(?:[RDB]|-)\s?(?<rim>\d{1,2}(?:\.\d)?)(?:\D.*)?$/;

/** What may follow the rim, in any order: kind of tire, plies, load range, mud-and-snow and snow marks, service description. */
const MARKS =
  /^\s*\/?\s*(?:LT|NHS|ST|SL|XL|HL|RF|TR|TL|TT|M\+S|M\/S|M&S|MS|3PMSF|\d{1,2}\s?PR|[A-H](?![A-Z0-9])|C(?![A-Z0-9]))/;
/** Of a metric size: before it, or among what follows the rim. */
const TRUCK_MARK = /^(?:LT|ST|C)\s?\d/;
const TRUCK_TAIL = /(?<![A-Z])(?:LT|ST|\d{1,2}\s?PR|[C-H](?![A-Z0-9]))/;
const SERVICE = /^\s*\(?(?<load>\d{2,3})(?:\/(?<dual>\d{2,3}))?\s*(?<speed>[A-HJ-NP-Z]\d?)(?![A-Z0-9])\)?/;

interface Service {
  readonly loadIndex?: number;
  readonly dualLoadIndex?: number;
  readonly speedSymbol?: string;
}

/** Reads what follows the rim; null where something of it is none of these marks. */
function serviceOf(tail: string): Service | null {
  let [rest, service]: [string, Service] = [tail, {}];
  while (rest.trim() !== '') {
    const mark = MARKS.exec(rest);
    const found = mark ? null : SERVICE.exec(rest);
    if (!mark && (!found || service.loadIndex !== undefined)) return null;
    if (found?.groups) {
      const { load, dual, speed } = found.groups;
      service = {
        loadIndex: Number(load),
        ...(dual === undefined ? {} : { dualLoadIndex: Number(dual) }),
        speedSymbol: speed!,
      };
    }
    rest = rest.slice((mark ?? found)![0].length);
  }
  return service;
}

/**
 * Reads a tire size in any of the notations above.
 * @throws ProblemError `unreadableSize` at `path`; `outOfRange` when the numbers make no tire.
 */
export function parseTireSize(text: string, path = ''): TireSize {
  const trimmed = text.trim().replace(/\s+/g, ' ');
  const upper = trimmed.toUpperCase();
  const flotation = FLOTATION.exec(upper)?.groups;
  const pointless = flotation ? undefined : POINTLESS.exec(upper)?.groups;
  const metric = flotation || pointless ? undefined : METRIC.exec(upper)?.groups;
  const numeric = flotation || metric ? undefined : (NUMERIC.exec(upper) ?? TRUCK.exec(upper))?.groups;
  const groups = flotation ?? metric ?? numeric;
  const service = groups && serviceOf(groups['tail'] ?? '');
  if (pointless && !numeric) {
    const { width, rim } = pointless;
    const inches = `${width!.slice(0, -2)}.${width!.slice(-2)}`;
    throw new ProblemError({
      code: 'unreadableSize',
      path,
      expected: `${inches}-${rim} with its point, if inches are meant, or a metric size with its aspect ratio, such as 265/70R17`,
      found: trimmed,
    });
  }
  if (!groups || !service) {
    throw new ProblemError({
      code: 'unreadableSize',
      path,
      expected: 'a tire size such as 265/70R17, 35x12.50R17LT, 7.50R16 or 18x8.50-8',
      found: trimmed === '' ? 'nothing' : trimmed,
    });
  }
  const number = (name: string): number => Number((groups[name] ?? 'NaN').replace(',', '.'));
  const rimDiameterIn = number('rim');
  if (metric) {
    const size: TireSize = {
      notation: 'metric',
      text: trimmed,
      rimDiameterIn,
      nominalWidthMm: number('width'),
      aspect: groups['aspect'] === undefined ? FULL_PROFILE_ASPECT : number('aspect'),
      heightIsEstimated: groups['aspect'] === undefined,
      madeFor: TRUCK_MARK.test(upper) || TRUCK_TAIL.test(groups['tail'] ?? '') ? 'truck' : 'passenger',
      ...service,
    };
    return checkSize(size, path);
  }
  const size: TireSize = {
    notation: flotation ? 'flotation' : 'numeric',
    text: trimmed,
    rimDiameterIn,
    nominalWidthMm: number('width') * 25.4,
    heightIsEstimated: !flotation,
    madeFor: 'truck',
    ...(flotation ? { printedDiameterMm: number('diameter') * 25.4 } : {}),
    ...service,
  };
  return checkSize(size, path);
}

/** Section height in % of width where metric text gives none (`195R14C`). Value from memory. */
const FULL_PROFILE_ASPECT = 80;

function checkSize(size: TireSize, path: string): TireSize {
  const refuse = (expected: string): never => {
    throw new ProblemError({ code: 'outOfRange', path, expected, found: size.text });
  };
  if (!(size.rimDiameterIn >= 4 && size.rimDiameterIn <= 30)) refuse('a rim diameter of 4 to 30 in');
  if (!(size.nominalWidthMm >= 60 && size.nominalWidthMm <= 600)) refuse('a width of 60 to 600 mm');
  if (size.aspect !== undefined && !(size.aspect >= 20 && size.aspect <= 105)) {
    refuse('an aspect ratio of 20 to 105 %');
  }
  if (size.printedDiameterMm !== undefined && !(size.printedDiameterMm > (size.rimDiameterIn + 1) * 25.4)) {
    refuse('an outside diameter at least 1 in more than the rim');
  }
  return size;
}
