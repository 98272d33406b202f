import { ProblemError } from '../../1-base/problem';
import { MM_PER_IN, parseLength, type LengthUnit } from '../../1-base/units/length';

/** A gap as somebody said it who has no tape, mm. */
export interface SaidGap {
  readonly fromMm: number;
  readonly toMm: number;
}

/**
 * Breadths of what is put into a gap, mm. A finger as a measure is 3/4 in, from 5/8 to 7/8 in from hand to hand; a thumb is an inch; a
 * palm is four fingers (old English measures; spread a working value of this project).
 */
const BREADTHS: Readonly<Record<string, SaidGap>> = {
  finger: { fromMm: 16, toMm: 22 },
  thumb: { fromMm: 20, toMm: 28 },
  palm: { fromMm: 70, toMm: 90 },
  hand: { fromMm: 70, toMm: 90 },
  fist: { fromMm: 80, toMm: 105 },
};

const COUNTS: Readonly<Record<string, number>> = { a: 1, an: 1, one: 1, two: 2, three: 3, four: 4, half: 0.5 };

/** mm by which a tape in an unpracticed hand is off. */
const TAPE_MM = 3;

/** What touches leaves at most so much, mm. */
const TOUCHES_MM = 2;

const IN_BREADTHS =
  /^(?:about |some )?(?:(\d+(?:[.,]5)?|a|an|one|two|three|four|half)(?: a)? )?(finger|thumb|palm|hand|fist)s?(?: widths?| breadths?)?$/;
const NONE = /^(?:0|none|nothing|no gap|touch(?:es|ing)?|rub(?:s|bing)?)$/;

/**
 * `two fingers`, `a thumb`, `a fist`, `touches`, or a length with what a tape is off. A bare number is in `unit`.
 * @throws ProblemError `unreadableLength` at `path`.
 */
export function parseSaidGap(text: string, unit: LengthUnit, path = ''): SaidGap {
  const plain = text.trim().toLowerCase().replace(/\s+/g, ' ');
  if (NONE.test(plain)) return { fromMm: 0, toMm: TOUCHES_MM };
  const said = IN_BREADTHS.exec(plain);
  if (said) {
    const breadth = BREADTHS[said[2]!]!;
    const count = said[1] === undefined ? 1 : (COUNTS[said[1]] ?? Number(said[1].replace(',', '.')));
    return { fromMm: count * breadth.fromMm, toMm: count * breadth.toMm };
  }
  try {
    const { mm } = parseLength(plain.replace(/^(?:about|some) /, ''), unit, path);
    if (mm >= 0 && mm <= MOST_MM) return { fromMm: Math.max(0, mm - TAPE_MM), toMm: mm + TAPE_MM };
  } catch (error) {
    if (!(error instanceof ProblemError)) throw error;
  }
  throw new ProblemError({
    code: 'unreadableLength',
    path,
    expected: `a gap of at most ${MOST_MM / MM_PER_IN} in, such as two fingers, a thumb, 3/4 or 20 mm`,
    found: text.trim() === '' ? 'nothing' : text.trim(),
  });
}

/** No wheel well is wider. */
const MOST_MM = 20 * MM_PER_IN;
