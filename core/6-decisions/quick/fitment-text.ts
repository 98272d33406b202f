import { attempt, ProblemError } from '../../1-base/problem';
import { formatFraction, formatMm, parseLength, signedMm } from '../../1-base/units/length';
import type { WheelAndTire } from '../../2-vehicle/setup/wheel-and-tire';
import { parseTireSize } from '../../2-vehicle/tire/size';

const EXAMPLE = '265/70R17 on 17x8 +30';

const WHEEL = /(\d{1,2}(?:[.,]\d{1,2})?)x(\d{1,2}(?:[.,]\d{1,2})?)\s*j?j?(?=[\s,;]|et|$)/i;
const LENGTH = String.raw`[-+−]?\s*(?:\d+[\s-]+\d+\/\d+|\d+\/\d+|\d+(?:[.,]\d+)?)\s*(?:mm|cm|inch(?:es)?|in\b|["″”])?`;
const BEFORE_OR_AFTER = (word: string): readonly RegExp[] => [
  new RegExp(String.raw`(?:${word})\s*(?:of\s*)?(${LENGTH})`, 'i'),
  new RegExp(String.raw`(${LENGTH})\s*(?:${word})(?![a-z])`, 'i'),
];
const SPACER = BEFORE_OR_AFTER('spacers?');
const BACKSPACING = [...BEFORE_OR_AFTER(String.raw`backspac(?:e|ing)|\bbs`)].reverse();
const OFFSET = /(?:offset|et)?\s*([-+−]?)\s*(\d{1,3}(?:[.,]\d+)?)\s*(?:mm)?\s*(?:offset|et)?/i;

const asNumber = (text: string): number => Number(text.replace(',', '.'));

/** Bare below this is inches: nobody has 6 mm of backspacing or a spacer of 2 mm and a wheel of 150 in. */
const BARE_IN = 12;

function lengthMm(text: string, path: string): number {
  const plain = text
    .trim()
    .replace('−', '-')
    .replace(/^\+\s*/, '');
  const inUnit = Math.abs(Number(plain.replace(',', '.'))) < BARE_IN ? 'in' : 'mm';
  return parseLength(plain, inUnit, path).mm;
}

/**
 * Tire, wheel and spacer as they are said over the counter: `265/70R17 on 17x8 +30`, `35x12.50R17 17x9 -12 spacer 1 1/4`,
 * `285/70R17, 9x17, 4 1/2 bs`. The wheel's numbers may stand either way round: the tire says which is the diameter.
 * @throws ProblemError at `path` for what cannot be read, saying what of it.
 */
export function parseFitmentText(text: string, path = ''): WheelAndTire {
  const words = text
    .trim()
    .replace(/(\d)\s*[x×*]\s*(?=\d)/gi, '$1x')
    .split(/\s+/);
  const refuse = (expected: string, found: string, code: 'missing' | 'contradiction' = 'missing'): never => {
    throw new ProblemError({ code, path, expected, found: found === '' ? 'nothing' : found });
  };
  if (text.trim() === '') return refuse(`tire, wheel and offset, as in ${EXAMPLE}`, '');
  // The most words that are one size: `225/45R17 94Y` is, `225/45R17 17x8` is not.
  const wheelAt = words.findIndex((word, i) => i > 0 && /^\d{1,2}(?:[.,]\d+)?x\d/i.test(word));
  const most = wheelAt < 0 ? words.length : wheelAt;
  const counts = words.slice(0, most).map((_, i) => most - i);
  const taken = counts.find((count) => attempt(() => parseTireSize(sizeIn(words.slice(0, count)))).ok);
  if (taken === undefined) return refuse(`a tire size first, as in ${EXAMPLE}`, words[0]!);
  const size = parseTireSize(sizeIn(words.slice(0, taken)));
  let rest = ` ${words.slice(taken).join(' ')} `.replace(/^\s*(?:on|,|;|with)\s/i, ' ');

  const wheel = WHEEL.exec(rest);
  if (!wheel) return refuse(`the wheel after the tire, as in ${EXAMPLE}`, rest.trim());
  const [first, second] = [asNumber(wheel[1]!), asNumber(wheel[2]!)];
  const isAsSaid = first === size.rimDiameterIn;
  if (!isAsSaid && second !== size.rimDiameterIn)
    return refuse(
      `a wheel of ${size.rimDiameterIn} in, which ${size.text} is made for`,
      wheel[0].trim(),
      'contradiction',
    );
  rest = rest.replace(wheel[0], ' ');

  const named = (patterns: readonly RegExp[]): RegExpExecArray | null =>
    patterns.map((one) => one.exec(rest)).find((found) => found !== null) ?? null;
  const spacer = named(SPACER);
  if (spacer) rest = rest.replace(spacer[0], ' ');
  const backspacing = named(BACKSPACING);
  if (backspacing) rest = rest.replace(backspacing[0], ' ');
  const offset = backspacing ? null : OFFSET.exec(rest);
  if (offset) rest = rest.replace(offset[0], ' ');
  if (!backspacing && !offset)
    return refuse(`its offset or backspacing after the wheel, as in ${EXAMPLE} or 4 1/2 bs`, '');
  const left = rest.replace(/[\s,;()]|\b(?:with|and|a|mm)\b/gi, '');
  if (left !== '') return refuse(`nothing more than ${EXAMPLE}, backspacing (4 1/2 bs) and a spacer`, rest.trim());

  const sizes = { diameterIn: size.rimDiameterIn, widthIn: isAsSaid ? second : first };
  return {
    tire: { size: size.text },
    wheel: backspacing
      ? { ...sizes, backspacingMm: lengthMm(backspacing[1]!, path), backspacingSchool: 'lipToPad' }
      : { ...sizes, offsetMm: (/[-−]/.test(offset![1]!) ? -1 : 1) * asNumber(offset![2]!) },
    spacerMm: spacer ? lengthMm(spacer[1]!, path) : 0,
  };
}

const sizeIn = (words: readonly string[]): string => words.join(' ').replace(/[,;]$/, '');

/** The same written out: `265/70R17 on 17x8 +30, spacer 30 mm`. */
export function fitmentText({ tire, wheel, spacerMm }: WheelAndTire): string {
  const stands =
    wheel.offsetMm === undefined ? `${formatFraction(wheel.backspacingMm ?? 0)} bs` : signedMm(wheel.offsetMm);
  return `${tire.size} on ${wheel.diameterIn}x${wheel.widthIn} ${stands}${spacerMm ? `, spacer ${formatMm(spacerMm)} mm` : ''}`;
}
