import { cornerName } from '@/core/2-vehicle/setup/corner-key';
import type { RefusedTire } from '@/core/6-decisions/finder/refusals';
import type { FoundRow } from '@/core/6-decisions/finder/rows';
import type { ClaimPosture } from '@/core/6-decisions/finder/claim';
import type { Constraint } from '@/core/6-decisions/finder/constraints';
import type { Contradiction } from '@/core/6-decisions/finder/contradiction';
import type { PokePosture } from '@/core/6-decisions/finder/need-gap';
import type { Fit, LiftKind } from '@/core/6-decisions/finder/question';
import type { Remedy } from '@/core/6-decisions/finder/remedies';
import type { FoundOn } from '@/core/6-decisions/finder/session';
import { formatMoney } from '@/core/1-base/units/money';
import { formatFraction, formatMm, signedMm } from '@/core/1-base/units/length';
import { marginWords, needsWords } from '@/core/4-clearance/case/standard';
import { postureWords } from '../words';

export const REMEDY_WORDS: Readonly<Record<Remedy, string>> = {
  unbolt: 'Unbolt',
  reroute: 'Reroute hose or wire',
  tuckLiner: 'Tuck the liner',
  trimPlastic: 'Trim plastic',
  foldLip: 'Fold the lip',
  cutSheetMetal: 'Cut sheet metal',
  bodyMount: 'Chop and plate the body mount',
};

export const CONSTRAINT_WORDS: Readonly<Record<Constraint, string>> = {
  loadIndex: 'load index',
  speedSymbol: 'speed symbol',
  rimWidth: 'rim width for the tire',
  overBrake: 'wheel over the brake',
  wheelLoad: 'load rating of the wheel',
  boltPattern: 'bolt pattern',
  bore: 'bore',
  poke: 'poke',
  coverage: 'coverage by the fender',
  groundClearance: 'ground clearance',
  speedometer: 'speedometer law',
  spare: 'room for the spare',
  budget: 'budget',
};

export const FIT_WORDS: Readonly<Record<Fit, string>> = {
  allRound: 'One size all round',
  front: 'Front only',
  rear: 'Rear only',
  staggered: 'Staggered',
};

export const LIFT_WORDS: Readonly<Record<LiftKind, string>> = {
  spring: 'on the spring (stops stay)',
  strutTop: 'on top of the strut',
  linkageDrop: 'linkage drop',
  body: 'body lift',
};

export const AXLE_WORDS: Readonly<Record<FoundOn, string>> = { all: 'All round', front: 'Front', rear: 'Rear' };

/** By how hard a change is to take back. */
export const PERMANENCE_WORDS = [
  'nothing changed',
  'undone with a wrench',
  'undone in the shop',
  'plastic trimmed',
  'metal folded',
  'metal cut',
  'body mount chopped',
] as const;

export const POKE_POSTURE_WORDS: Readonly<Record<PokePosture, string>> = {
  straight: 'straight ahead',
  left: 'full left lock',
  right: 'full right lock',
  bump: 'straight, on the bump stop',
};

export const CLAIM_POSTURE_WORDS: Readonly<Record<ClaimPosture, string>> = {
  rolling: 'Rolling straight at ride height',
  lockAtRide: 'Lock to lock at ride height',
  straightTravel: 'Straight, droop to full bump',
  street: 'Street: less lock away from ride height',
  trail: 'Trail: everything the stops allow',
};

export const wheelWords = (row: Pick<FoundRow, 'wheelDiameterIn' | 'wheelWidthIn' | 'offsetMm' | 'spacerMm'>): string =>
  `${row.wheelDiameterIn} x ${row.wheelWidthIn}, offset ${signedMm(row.offsetMm)}${row.spacerMm ? `, ${formatMm(row.spacerMm)} mm spacer` : ''}`;

/** What a stance adds: `50 mm lift, bump stop 20 mm longer`. */
export function stanceWords({ stand }: Pick<FoundRow, 'stand'>): string {
  const said = [
    ...(stand.liftMm ? [`${formatMm(stand.liftMm)} mm lift`] : []),
    ...(stand.bumpStopMm ? [`bump stop ${formatMm(stand.bumpStopMm)} mm longer`] : []),
    ...(stand.steeringStopDeg ? [`${stand.steeringStopDeg}° less lock`] : []),
    ...(stand.axleShiftMm
      ? [`axle ${formatMm(Math.abs(stand.axleShiftMm))} mm ${stand.axleShiftMm > 0 ? 'forward' : 'back'}`]
      : []),
  ];
  return said.join(', ');
}

/** What has to be done: `fold the lip, trim plastic, up to 12 mm`. */
export function changesWords({ remedies, depthMm }: Pick<FoundRow, 'remedies' | 'depthMm'>): string {
  if (remedies.length === 0) return 'nothing';
  const list = remedies.map((remedy) => REMEDY_WORDS[remedy].toLowerCase()).join(', ');
  return depthMm > 0 ? `${list}, up to ${formatMm(depthMm)} mm` : list;
}

/** The gap at the least margin with what is wanted there: `12.3, needs 8`; where only the margin is known, that. */
export function lowGapWords(row: Pick<FoundRow, 'lowGapMm' | 'requiredMm' | 'lowGapIsLeast'>): string {
  if (row.requiredMm !== null) return `${formatMm(row.lowGapMm + row.requiredMm)}, needs ${formatMm(row.requiredMm)}`;
  return row.lowGapIsLeast ? `over ${formatMm(row.lowGapMm, 0)} to spare` : marginWords(row.lowGapMm);
}

export const costWords = (costMinor: number | null): string =>
  costMinor === null ? 'no price' : formatMoney(costMinor);

export const tireWords = ({ size, label }: Pick<FoundRow, 'size' | 'label'>): string =>
  label?.includes(' mm on ') ? label : size;

/** A refusal in one sentence: what is in the way, where, by how much, and the nearest that would do. */
export function refusalSentence(tire: RefusedTire, rideMm: number): string {
  if (tire.refusedBy.length > 0) {
    return `Not measured: ${tire.refusedBy.map((one) => CONSTRAINT_WORDS[one]).join(' and ')} not met.`;
  }
  if (tire.insideMm !== null && tire.insideMm < 0) {
    return `Every wheel it goes on is too near what stands inside: ${marginWords(tire.insideMm)}.`;
  }
  if (!tire.verdict) return 'Cannot stand at any height asked for.';
  const { label, corner, marginMm, requiredMm, steerDeg, travelMm } = tire.verdict;
  const where = `${label}, ${cornerName(corner)}, ${postureWords(steerDeg, travelMm, rideMm)}`;
  const gap = `gap ${formatMm(marginMm + requiredMm)} mm, ${needsWords(requiredMm)}, ${marginWords(marginMm)}`;
  return `Closest it comes: ${where}: ${gap}. ${nearestWords(tire)}`;
}

function nearestWords({ nearest, diameterMm, size }: RefusedTire): string {
  if (!nearest) return 'Nothing that was asked about does; below stands what would clear it.';
  const stance = stanceWords(nearest);
  const by = diameterMm - nearest.diameterMm;
  const tire =
    nearest.size === size ? '' : `${tireWords(nearest)}${by > 0.5 ? `, ${formatMm(by, 0)} mm lower,` : ''} on `;
  return `Nearest that does: ${tire}${wheelWords(nearest)}${stance ? `, ${stance}` : ''}.`;
}

export function contradictionSentence(contradiction: Contradiction): string {
  const [one, other] = contradiction.map((constraint) => CONSTRAINT_WORDS[constraint]);
  return other
    ? `No combination meets both ${one} and ${other}: each one breaks one of the two. Loosen one of them.`
    : `No combination meets ${one}. Loosen it, or add tires and wheels that do.`;
}

export const bothIn = (mm: number): string => `${formatMm(mm, 0)} mm (${formatFraction(mm)} in)`;

/** What is said while the server has not begun: `ahead` searches of others come first. */
export const waitWords = (ahead: number): string =>
  ahead === 0
    ? 'Waits at the server: next to begin'
    : `Waits at the server behind ${ahead} ${ahead === 1 ? 'search' : 'searches'}`;
