import { ProblemError } from '../../1-base/problem';
import { samePattern, type BoltPattern } from '../../2-vehicle/wheel/bolt-pattern';

/** What is known of a spacer, the hub it goes on and the wheel that goes on it. Lengths mm. */
export interface SpacerFit {
  readonly thicknessMm: number;
  /** `slipOn`: the vehicle's studs run through it. `boltOn`: it is nutted to the hub and brings its own studs. */
  readonly type: 'slipOn' | 'boltOn';
  /** Vehicle's studs beyond the hub's face. */
  readonly studProtrusionMm?: number | undefined;
  /** Thread of the studs: pitch and diameter. */
  readonly studDiameterMm?: number | undefined;
  readonly threadPitchMm?: number | undefined;
  /** Thickness of the wheel's pad under the nut's seat. */
  readonly padMm?: number | undefined;
  /** Depth inside a closed (acorn) wheel nut, from its seat; 0: it is open. */
  readonly nutDepthMm?: number | undefined;
  /** Under a stud's head to the hub's face: flange and whatever sits on it, such as the disc's hat. */
  readonly flangeMm?: number | undefined;
  /** Bolt-on: what is left of it under the nuts that hold it, and its own studs beyond its face. */
  readonly underNutMm?: number | undefined;
  readonly ownStudMm?: number | undefined;
  /** Pocket in the wheel's pad that takes stud ends. */
  readonly studPocketMm?: number | undefined;
  /** Diameter of the hub's register, and of the spacer's bore on it. */
  readonly hubBoreMm?: number | undefined;
  readonly spacerBoreMm?: number | undefined;
  /** How far the hub's register stands out of its face. */
  readonly hubRegisterMm?: number | undefined;
  /** Diameter of the spacer's own register for the wheel; 0: it has none. */
  readonly spacerLipMm?: number | undefined;
  readonly wheelBoreMm?: number | undefined;
  readonly hubPattern?: BoltPattern | undefined;
  readonly wheelPattern?: BoltPattern | undefined;
  /** Hub, spacer and wheel faces were seen to be clean, bare and flat. */
  readonly facesBare?: boolean | undefined;
}

export const SPACER_CHECKS = [
  'pattern',
  'engagement',
  'hubNuts',
  'nutDepth',
  'thickness',
  'pocket',
  'register',
  'wheelRegister',
  'faces',
] as const;

/** One thing to be right. `unknown` names what has to be measured first: nothing is assumed. */
export interface SpacerFinding {
  readonly check: (typeof SPACER_CHECKS)[number];
  readonly verdict: 'right' | 'wrong' | 'unknown';
  /** What there is and what there has to be, mm; null where it is not known. */
  readonly haveMm: number | null;
  readonly needMm: number | null;
  /** The fields that are missing. */
  readonly missing: readonly (keyof SpacerFit)[];
}

/**
 * Least thread a nut must hold over stud diameter: as much as the stud is thick, and no fewer than eight turns (common
 * practice, no source); the part's maker has the last word.
 */
const ENGAGEMENT_DIAMETERS = 1;
const LEAST_TURNS = 8;

/** mm by which a bore may be larger than the hub for the spacer to be centered by it. */
const REGISTER_MM = 0.3;

/** mm of the hub's register that must reach into the wheel to centre it (common practice, no source). */
const LEAST_REGISTER_MM = 3;

/** mm between a stud's end and the floor of a pocket, or of a closed nut. */
const POCKET_CLEAR_MM = 1;

/** mm: a bolt-on spacer thinner than this has no room for nuts below its face (common practice, no source). */
const LEAST_BOLT_ON_MM = 20;

/** @throws ProblemError for a spacer without a thickness. */
export function checkSpacerFit(fit: SpacerFit): SpacerFinding[] {
  if (!(fit.thicknessMm > 0)) {
    throw new ProblemError({
      code: 'outOfRange',
      path: 'spacer.thicknessMm',
      expected: 'a thickness above 0 mm',
      found: String(fit.thicknessMm),
    });
  }
  const studs =
    fit.type === 'slipOn'
      ? [engagement(fit), nutDepth(fit)]
      : [thickness(fit), hubNuts(fit), engagement(fit), nutDepth(fit), pocket(fit)];
  return [pattern(fit), ...studs, register(fit), wheelRegister(fit), faces(fit)];
}

/** Another pattern takes an adapter, which is bolted on. */
function pattern({ type, hubPattern, wheelPattern }: SpacerFit): SpacerFinding {
  const missing = [
    ...(hubPattern ? [] : (['hubPattern'] as const)),
    ...(wheelPattern ? [] : (['wheelPattern'] as const)),
  ];
  if (!hubPattern || !wheelPattern) return unknown('pattern', missing);
  const right = type === 'boltOn' || samePattern(hubPattern, wheelPattern);
  return {
    check: 'pattern',
    verdict: right ? 'right' : 'wrong',
    haveMm: wheelPattern.circleMm,
    needMm: hubPattern.circleMm,
    missing: [],
  };
}

/** The wheel centered by what is left of the hub's register, or by the spacer's own. */
function wheelRegister(fit: SpacerFit): SpacerFinding {
  if (fit.spacerLipMm === undefined) return unknown('wheelRegister', ['spacerLipMm']);
  if (fit.spacerLipMm > 0) {
    if (fit.wheelBoreMm === undefined) return unknown('wheelRegister', ['wheelBoreMm']);
    return fitting('wheelRegister', fit.wheelBoreMm, fit.spacerLipMm);
  }
  if (fit.hubRegisterMm === undefined) return unknown('wheelRegister', ['hubRegisterMm']);
  return finding('wheelRegister', fit.hubRegisterMm - fit.thicknessMm, LEAST_REGISTER_MM);
}

function faces({ facesBare }: SpacerFit): SpacerFinding {
  if (facesBare === undefined) return unknown('faces', ['facesBare']);
  return { check: 'faces', verdict: facesBare ? 'right' : 'wrong', haveMm: null, needMm: null, missing: [] };
}

/** A bore over a register: no smaller, and larger by no more than centres. */
function fitting(check: SpacerFinding['check'], boreMm: number, registerMm: number): SpacerFinding {
  const loose = boreMm - registerMm;
  const verdict = loose >= 0 && loose <= REGISTER_MM ? 'right' : 'wrong';
  return { check, verdict, haveMm: boreMm, needMm: registerMm, missing: [] };
}

type NumberKey = Exclude<keyof SpacerFit, 'type' | 'hubPattern' | 'wheelPattern' | 'facesBare'>;
type Known<K extends NumberKey> = Readonly<Record<K, number>>;

/** The numbers of some fields, or which of them are missing. */
function numbersOf<K extends NumberKey>(fit: SpacerFit, keys: readonly K[]): Known<K> | readonly K[] {
  const missing = keys.filter((key) => fit[key] === undefined);
  if (missing.length > 0) return missing;
  return Object.fromEntries(keys.map((key) => [key, Number(fit[key])])) as Known<K>;
}

const unknown = (check: SpacerFinding['check'], missing: readonly (keyof SpacerFit)[]): SpacerFinding => ({
  check,
  verdict: 'unknown',
  haveMm: null,
  needMm: null,
  missing,
});

const finding = (check: SpacerFinding['check'], haveMm: number, needMm: number): SpacerFinding => ({
  check,
  verdict: haveMm >= needMm ? 'right' : 'wrong',
  haveMm,
  needMm,
  missing: [],
});

/** Thread a nut must hold, mm. */
const neededThreadMm = ({ studDiameterMm, threadPitchMm }: Known<'studDiameterMm' | 'threadPitchMm'>): number =>
  Math.max(ENGAGEMENT_DIAMETERS * studDiameterMm, LEAST_TURNS * threadPitchMm);

/** What of a stud stands beyond the seat of the wheel's nut: the vehicle's through a slip-on spacer, else the spacer's own. */
function beyondSeatMm(fit: SpacerFit): number | readonly NumberKey[] {
  const studKey = fit.type === 'slipOn' ? 'studProtrusionMm' : 'ownStudMm';
  const known = numbersOf(fit, [studKey, 'padMm']);
  if (isMissing(known)) return known;
  return known[studKey] - (fit.type === 'slipOn' ? fit.thicknessMm : 0) - known.padMm;
}

/** Thread left for the wheel's nut beyond spacer and pad. */
function engagement(fit: SpacerFit): SpacerFinding {
  const beyond = beyondSeatMm(fit);
  const thread = numbersOf(fit, ['studDiameterMm', 'threadPitchMm']);
  if (typeof beyond === 'number' && !isMissing(thread)) return finding('engagement', beyond, neededThreadMm(thread));
  return unknown('engagement', [...(typeof beyond === 'number' ? [] : beyond), ...(isMissing(thread) ? thread : [])]);
}

/** A closed nut that meets the stud's end before its seat feels tight and holds nothing. */
function nutDepth(fit: SpacerFit): SpacerFinding {
  const { nutDepthMm } = fit;
  if (nutDepthMm === undefined) return unknown('nutDepth', ['nutDepthMm']);
  if (nutDepthMm === 0) return { check: 'nutDepth', verdict: 'right', haveMm: null, needMm: null, missing: [] };
  const beyond = beyondSeatMm(fit);
  if (typeof beyond !== 'number') return unknown('nutDepth', beyond);
  return finding('nutDepth', nutDepthMm, beyond + POCKET_CLEAR_MM);
}

/** Thread in the nuts that hold a bolt-on spacer to the hub. */
function hubNuts(fit: SpacerFit): SpacerFinding {
  const known = numbersOf(fit, ['studProtrusionMm', 'underNutMm', 'studDiameterMm', 'threadPitchMm']);
  if (isMissing(known)) return unknown('hubNuts', known);
  return finding('hubNuts', known.studProtrusionMm - known.underNutMm, neededThreadMm(known));
}

/** What of the vehicle's studs stands out of a bolt-on spacer ends in the wheel's pocket. */
function pocket(fit: SpacerFit): SpacerFinding {
  const studs = numbersOf(fit, ['studProtrusionMm']);
  if (isMissing(studs)) return unknown('pocket', studs);
  const out = studs.studProtrusionMm - fit.thicknessMm;
  if (out <= 0) return finding('pocket', fit.studPocketMm ?? 0, 0);
  const depth = numbersOf(fit, ['studPocketMm']);
  if (isMissing(depth)) return unknown('pocket', depth);
  return finding('pocket', depth.studPocketMm, out + POCKET_CLEAR_MM);
}

/** Centered by the hub: the bore no more than a little larger. */
function register(fit: SpacerFit): SpacerFinding {
  const known = numbersOf(fit, ['hubBoreMm', 'spacerBoreMm']);
  if (isMissing(known)) return unknown('register', known);
  return fitting('register', known.spacerBoreMm, known.hubBoreMm);
}

const thickness = ({ thicknessMm }: SpacerFit): SpacerFinding => finding('thickness', thicknessMm, LEAST_BOLT_ON_MM);

const isMissing = <K extends NumberKey>(known: Known<K> | readonly K[]): known is readonly K[] => Array.isArray(known);

/** Pieces of one kind that the job takes. Lengths mm. */
export interface Hardware {
  readonly what: 'spacer' | 'longerStud' | 'spacerNut' | 'wheelNut' | 'hubRing';
  readonly quantity: number;
  /** Of a stud: under its head to its end; null: the flange was not measured. Of a ring: its outside diameter. */
  readonly lengthMm: number | null;
  /** Of a stud: beyond the hub's face. */
  readonly beyondFaceMm?: number;
}

/** What has to be on the bench for so many wheels; studs are counted where the hub's pattern is known. */
export function spacerHardware(fit: SpacerFit, wheels: number): Hardware[] {
  const findings = checkSpacerFit(fit);
  const isWrong = (check: SpacerFinding['check']): SpacerFinding | undefined =>
    findings.find((one) => one.check === check && one.verdict === 'wrong');
  const studs = (fit.hubPattern?.studs ?? 0) * wheels;
  // A stud is ordered by its length under the head, which begins behind the hub's flange.
  const short = isWrong(fit.type === 'slipOn' ? 'engagement' : 'hubNuts');
  const clampedMm = fit.type === 'slipOn' ? fit.thicknessMm + (fit.padMm ?? 0) : (fit.underNutMm ?? 0);
  const loose = isWrong('register');
  const large = loose && (loose.haveMm ?? 0) > (loose.needMm ?? 0);
  return [
    { what: 'spacer', quantity: wheels, lengthMm: fit.thicknessMm },
    ...(short
      ? [
          {
            what: 'longerStud' as const,
            quantity: studs,
            lengthMm: fit.flangeMm === undefined ? null : fit.flangeMm + clampedMm + short.needMm!,
            beyondFaceMm: clampedMm + short.needMm!,
          },
        ]
      : []),
    ...(fit.type === 'boltOn'
      ? [
          { what: 'spacerNut' as const, quantity: studs, lengthMm: null },
          { what: 'wheelNut' as const, quantity: (fit.wheelPattern?.studs ?? 0) * wheels, lengthMm: null },
        ]
      : []),
    ...(large ? [{ what: 'hubRing' as const, quantity: wheels, lengthMm: loose.haveMm }] : []),
  ];
}
