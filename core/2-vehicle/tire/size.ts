import { ProblemError } from '../../1-base/problem';

/**
 * Tire size text to numbers. Notations read:
 * - metric `265/70R17`, `P265/70R17`, `LT265/70R17`, `235/65R16C`, `225/45ZR17 94W`, `205/50-10`
 * - metric without an aspect ratio `195R14C` (section height 80 % of width: the older "full" profile)
 * - flotation and small-cart, diameter x width: `35x12.50R17LT`, `31x10.50-15`, `18x8.50-8`
 * - older numeric, width in inches: `7.50R16LT`, `6.00-16`, `4.80-8` (no diameter in the text: estimated)
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
  readonly loadIndex?: number;
  readonly speedSymbol?: string;
}

const SERVICE = String.raw`(?:\s+(?<load>\d{2,3})(?:\/\d{2,3})?\s*(?<speed>[A-HJ-NP-Z]\d?)(?:\s*XL)?)?(?:\s*(?:LT|C|NHS|ST|XL|[A-H]|\d{1,2}\s?PR))*`;
const METRIC = new RegExp(
  String.raw`^(?:P|LT|ST|C)?\s?(?<width>\d{3})\s?(?:\/\s?(?<aspect>\d{2,3}))?\s?(?:(?:Z|H|V|S)?[RDB]|-)F?\s?(?<rim>\d{1,2}(?:\.\d)?)${SERVICE}$`,
);
const FLOTATION = new RegExp(
  String.raw`^(?:AT|LT)?\s?(?<diameter>\d{2}(?:[.,]\d{1,2})?)\s?[X×]\s?(?<width>\d{1,2}(?:[.,]\d{1,2})?)\s?(?:Z?[RDB]|-|X)\s?(?<rim>\d{1,2}(?:\.\d)?)${SERVICE}$`,
);
const NUMERIC = new RegExp(
  String.raw`^(?<width>\d{1,2}[.,]\d{1,2})\s?(?:[RDB]|-)\s?(?<rim>\d{1,2}(?:\.\d)?)${SERVICE}$`,
);

/**
 * Reads a tire size in any of the notations above.
 * @throws ProblemError `unreadableSize` at `path`; `outOfRange` when the numbers make no tire.
 */
export function parseTireSize(text: string, path = ''): TireSize {
  const trimmed = text.trim().replace(/\s+/g, ' ');
  const upper = trimmed.toUpperCase();
  const flotation = FLOTATION.exec(upper)?.groups;
  const metric = flotation ? undefined : METRIC.exec(upper)?.groups;
  const numeric = flotation || metric ? undefined : NUMERIC.exec(upper)?.groups;
  const groups = flotation ?? metric ?? numeric;
  if (!groups) {
    throw new ProblemError({
      code: 'unreadableSize',
      path,
      expected: 'a tire size such as 265/70R17, 35x12.50R17LT, 7.50R16 or 18x8.50-8',
      found: trimmed === '' ? 'nothing' : trimmed,
    });
  }
  const number = (name: string): number => Number((groups[name] ?? 'NaN').replace(',', '.'));
  const service = {
    ...(groups['load'] === undefined ? {} : { loadIndex: Number(groups['load']) }),
    ...(groups['speed'] === undefined ? {} : { speedSymbol: groups['speed'] }),
  };
  const rimDiameterIn = number('rim');
  if (metric) {
    const size: TireSize = {
      notation: 'metric',
      text: trimmed,
      rimDiameterIn,
      nominalWidthMm: number('width'),
      aspect: groups['aspect'] === undefined ? FULL_PROFILE_ASPECT : number('aspect'),
      heightIsEstimated: groups['aspect'] === undefined,
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
