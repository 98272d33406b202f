import type { CornerDescription } from '../../3-survey/description/corner-description';
import { attempt } from '../../1-base/problem';
import { loadOfIndexKg, SPEED_SYMBOLS, speedOfSymbolKmh } from '../../5-consequences/road/load-and-speed';
import { lawfulDiameterRatios } from '../../5-consequences/road/speedometer';
import { cornerDeflectionMm } from '../../2-vehicle/setup/loaded-radius';
import { loadedRadiusMm, rollingMm } from '../../2-vehicle/tire/loaded-tire';
import { designRimIn } from '../../2-vehicle/tire/dimensions';
import { parseBoltPattern, samePattern } from '../../2-vehicle/wheel/bolt-pattern';
import { tireSection, type TireSection } from '../../2-vehicle/tire/section';
import { parseTireSize } from '../../2-vehicle/tire/size';
import type { KnownWheel, Stance } from './candidates';
import { covers, edgeAtTop, outerAt, outerSide, type FenderEdge } from '../../5-consequences/stance/fender-edge';
import type { Constraints, SpacerChoice, TireChoice } from './question';

/** What a combination has to meet beside clearing; each is one bit of a mask. */
export const CONSTRAINTS = [
  'loadIndex',
  'speedSymbol',
  'rimWidth',
  'overBrake',
  'wheelLoad',
  'boltPattern',
  'bore',
  'poke',
  'coverage',
  'groundClearance',
  'speedometer',
  'spare',
  'budget',
] as const;
export type Constraint = (typeof CONSTRAINTS)[number];

export const bitOf = (constraint: Constraint): number => 1 << CONSTRAINTS.indexOf(constraint);

export const constraintsIn = (mask: number): Constraint[] =>
  CONSTRAINTS.filter((constraint) => (mask & bitOf(constraint)) !== 0);

/** Bits of what is not met, and of what could not be checked because nobody said. */
export interface Checked {
  readonly refused: number;
  readonly unchecked: number;
}

class Check {
  refused = 0;
  unchecked = 0;

  /** `met` null: not known. */
  add(constraint: Constraint, met: boolean | null): this {
    if (met === null) this.unchecked |= bitOf(constraint);
    else if (!met) this.refused |= bitOf(constraint);
    return this;
  }
}

/** How wide a rim a tire was measured on, in. */
function measuringRimIn(tire: TireChoice): number {
  if (tire.measuringRimIn !== undefined) return tire.measuringRimIn;
  const size = parseTireSize(tire.size);
  return designRimIn(size);
}

/** Load index and speed symbol; a tire carries those of its own text where the catalog has none. */
export function checkTire(tire: TireChoice, { loadIndexLeast, speedSymbolLeast }: Constraints): Checked {
  const size = parseTireSize(tire.size);
  const loadIndex = tire.loadIndex ?? size.loadIndex;
  const symbol = tire.speedSymbol ?? size.speedSymbol;
  const check = new Check();
  if (loadIndexLeast !== undefined)
    check.add('loadIndex', loadIndex === undefined ? null : loadIndex >= loadIndexLeast);
  if (speedSymbolLeast !== undefined) {
    const known = SPEED_SYMBOLS.find((one) => one === symbol);
    const least = SPEED_SYMBOLS.find((one) => one === speedSymbolLeast);
    check.add(
      'speedSymbol',
      known === undefined || least === undefined ? null : speedOfSymbolKmh(known) >= speedOfSymbolKmh(least),
    );
  }
  return check;
}

/** Whether two patterns are the same as numbers (6x5.5 in is 6x139.7 mm); null where one cannot be read. */
function matches(own: string, wanted: string): boolean | null {
  const both = attempt(() => samePattern(parseBoltPattern(own), parseBoltPattern(wanted)));
  return both.ok ? both.value : null;
}

/** Bolt pattern and bore of a wheel on a hub, its size over the brake, and what it carries. */
export function checkWheel(wheel: KnownWheel, constraints: Constraints): Checked {
  const { rimDiameterLeastIn, boltPattern, hubBoreMm, loadIndexLeast } = constraints;
  const check = new Check();
  if (rimDiameterLeastIn !== undefined) check.add('overBrake', wheel.diameterIn >= rimDiameterLeastIn);
  if (loadIndexLeast !== undefined && wheel.loadKg !== undefined) {
    const needed = attempt(() => loadOfIndexKg(loadIndexLeast));
    check.add('wheelLoad', needed.ok ? wheel.loadKg >= needed.value : null);
  }
  if (boltPattern !== undefined) {
    const { boltPattern: own } = wheel;
    check.add('boltPattern', own === undefined ? null : matches(own, boltPattern));
  }
  if (hubBoreMm !== undefined) {
    check.add('bore', wheel.boreMm === undefined ? null : wheel.boreMm >= hubBoreMm - SAME_BORE_MM);
  }
  return check;
}

/** mm by which bores that are made alike are written down differently. */
const SAME_BORE_MM = 0.15;

/** A spacer has to fit the hub as a wheel does; without one there is nothing to check. */
export function checkSpacer(spacer: SpacerChoice, { boltPattern, hubBoreMm }: Constraints): Checked {
  const check = new Check();
  if (spacer.thicknessMm === 0) return check;
  if (boltPattern !== undefined) {
    const { boltPattern: own } = spacer;
    check.add('boltPattern', own === undefined ? null : matches(own, boltPattern));
  }
  if (hubBoreMm !== undefined) {
    check.add('bore', spacer.boreMm === undefined ? null : spacer.boreMm >= hubBoreMm - SAME_BORE_MM);
  }
  return check;
}

/** What a tire on a rim has to meet wherever it stands. `fitted` is what the speedometer is set for. */
export function checkMounted(
  tire: TireChoice,
  section: TireSection,
  rimWidthIn: number,
  fitted: FittedTire,
  constraints: Constraints,
  drawn: boolean,
): Checked {
  const { rimOffMostIn, speedometerErrorShare, spare } = constraints;
  const check = new Check();
  // A tire drawn by its mounted width goes on any rim.
  if (rimOffMostIn !== undefined && !drawn) {
    check.add('rimWidth', Math.abs(measuringRimIn(tire) - rimWidthIn) <= rimOffMostIn);
  }
  if (speedometerErrorShare !== undefined) {
    const [least, most] = lawfulDiameterRatios(speedometerErrorShare);
    const ratio = rollingMm(section) / rollingMm(fitted.section);
    check.add('speedometer', ratio >= least && ratio <= most + RATIO_SLACK);
  }
  if (spare) check.add('spare', section.diameterMm <= spare.mostDiameterMm && section.widthMm <= spare.mostWidthMm);
  return check;
}

const RATIO_SLACK = 1e-9;

/** What a corner has on now, and how flat tires stand on it. */
export interface FittedTire {
  readonly section: TireSection;
  readonly deflectionMm: number;
}

/** Clearance under the vehicle with another tire in a stance, mm; null where nobody said what it is now. */
export function groundClearanceMm(
  { groundClearance }: Constraints,
  section: TireSection,
  fitted: FittedTire,
  { liftKind, liftMm }: Stance,
): number | null {
  if (!groundClearance) return null;
  const raised = groundClearance.at === 'frame' && liftKind !== 'body' ? liftMm : 0;
  const radius = (of: TireSection): number => loadedRadiusMm(of, fitted.deflectionMm);
  return groundClearance.nowMm + radius(section) - radius(fitted.section) + raised;
}

/** Outer sidewall beyond the fender's edge at the top, mm; null where that edge was not surveyed. */
export const pokeMm = (edge: LeaningEdge, section: TireSection, planeMm: number): number | null => {
  const top = edgeAtTop(edge);
  return top === null ? null : outerAt(outerSide(section, planeMm, edge.camberDeg)) - top;
};

/** A fender's edge, and the camber with which the wheel stands in it. */
export interface LeaningEdge extends FenderEdge {
  readonly camberDeg: number;
}

/** Poke and coverage of a tire at a centre plane of a corner. */
export function checkPlane(
  edge: LeaningEdge,
  section: TireSection,
  planeMm: number,
  constraints: Constraints,
): Checked {
  const { pokeLeastMm, pokeMostMm, covered } = constraints;
  const check = new Check();
  if (pokeLeastMm !== undefined || pokeMostMm !== undefined) {
    const poke = pokeMm(edge, section, planeMm);
    check.add('poke', poke === null ? null : poke >= (pokeLeastMm ?? -Infinity) && poke <= (pokeMostMm ?? Infinity));
  }
  if (covered) check.add('coverage', covers(edge, outerSide(section, planeMm, edge.camberDeg)));
  return check;
}

/** @throws ProblemError for a fitted tire that cannot be. */
export const fittedTire = (corner: CornerDescription): FittedTire => ({
  section: tireSection(corner.fitted.tire, corner.fitted.wheel.widthIn, 'fitted.tire'),
  deflectionMm: cornerDeflectionMm(corner),
});
