import { bodyRiseMm } from '../../2-vehicle/setup/setup';
import { setupForCorner, type CaseDescription, enteredSetupFor } from '../../4-clearance/case/case-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { describedCorner } from '../../4-clearance/case/described-corner';
import { prepareRotor } from '../../2-vehicle/setup/rotor';
import { standingRadiusMm } from '../../2-vehicle/setup/loaded-radius';
import type { BandShares } from './learned-band';
import type { LiftPart } from '../../2-vehicle/setup/lift-part';
import { liftPartShift } from '../../2-vehicle/setup/part-shift';

/** A length and the band it is expected in, mm. */
export interface Expected {
  readonly mm: number;
  readonly lowMm: number;
  readonly highMm: number;
}

/** What stands where a corner's heights are expected once the parts are on; null where the baseline has no such height. */
export interface ExpectedHeights {
  readonly corner: CornerKey;
  /** Rise of the hub against the fender, and of the fender against the ground, by parts and tire. */
  readonly rise: Expected;
  readonly tireShareMm: number;
  readonly hubToLip: Expected | null;
  readonly groundToLip: Expected | null;
  /** More than one part that lifts on the spring's side. */
  readonly stacked: readonly LiftPart['kind'][];
}

/** By kind of part, how far below and above what is claimed it may come out, as shares of it. */
export type HeightBands = Readonly<Record<LiftPart['kind'], BandShares>>;

/**
 * By how much a part's lift comes out otherwise than its label says, as a share below and above, and mm of the tape. Working values of this
 * project, no published source: springs by claim spread most, cut metal least.
 */
export const USUAL_BANDS: HeightBands = {
  ride: { below: 0.2, above: 0.1 },
  springSpacer: { below: 0.08, above: 0.08 },
  strutTopSpacer: { below: 0.08, above: 0.08 },
  coilSpring: { below: 0.1, above: 0.1 },
  collar: { below: 0.05, above: 0.05 },
  torsionBar: { below: 0.15, above: 0.15 },
  addedLeaf: { below: 0.2, above: 0.2 },
  load: { below: 0.15, above: 0.15 },
  block: { below: 0.03, above: 0.03 },
  shackle: { below: 0.1, above: 0.1 },
  bumpStop: { below: 0, above: 0 },
  longerShock: { below: 0, above: 0 },
  coilOver: { below: 0.15, above: 0.1 },
  upperArm: { below: 0, above: 0 },
  swayBarDrop: { below: 0, above: 0 },
  drop: { below: 0.03, above: 0.03 },
  liftSpindle: { below: 0.03, above: 0.03 },
  armBracket: { below: 0, above: 0 },
  body: { below: 0.03, above: 0.03 },
};

/** mm to which a height is read, either way. */
const TAPE_MM = 2;

/** Parts that press or lengthen the same spring. */
const ON_SPRING: readonly LiftPart['kind'][] = [
  'ride',
  'springSpacer',
  'coilSpring',
  'collar',
  'torsionBar',
  'addedLeaf',
  'coilOver',
];

/** `bands`: the shop's own where it has a record. @throws ProblemError for a tire or wheel that cannot be. */
export function expectedHeights(
  description: CaseDescription,
  key: CornerKey,
  bands: HeightBands = USUAL_BANDS,
): ExpectedHeights {
  const corner = describedCorner(description, key);
  const setup = setupForCorner(description, key);
  const radius = (of: Parameters<typeof prepareRotor>[0], path: string): number =>
    standingRadiusMm(corner, prepareRotor(of, path).section);
  const tireShareMm = radius(setup, 'setup') - radius(corner.fitted, `corners.${key}.fitted`);
  const lift = bodyRiseMm(setup);
  const entered = enteredSetupFor(description, key);
  const band = bandOf(bands, entered.parts ?? [], {
    ride: entered.suspensionLiftMm,
    fixed: entered.linkageDropMm + entered.bodyLiftMm,
  });
  const about = (base: number, more: number): Expected => ({
    mm: base + more,
    lowMm: base + more - band.below - TAPE_MM,
    highMm: base + more + band.above + TAPE_MM,
  });
  const { hubToLipMm, groundToLipMm } = corner;
  return {
    corner: key,
    rise: about(0, lift + tireShareMm),
    tireShareMm,
    hubToLip: hubToLipMm === undefined ? null : about(hubToLipMm, lift),
    groundToLip: groundToLipMm === undefined ? null : about(groundToLipMm, lift + tireShareMm),
    stacked: stackedOn(entered.parts ?? [], entered.suspensionLiftMm),
  };
}

/** mm below and above: each part's own, added up, as they err together when one maker measures otherwise. */
function bandOf(
  bands: HeightBands,
  parts: readonly LiftPart[],
  { ride, fixed }: { readonly ride: number; readonly fixed: number },
): { readonly below: number; readonly above: number } {
  const entries = [
    ...parts.map((part) => ({ lift: liftOf(part), ...bands[part.kind] })),
    { lift: ride, ...bands.ride },
    { lift: fixed, ...bands.body },
  ];
  const sum = (side: 'below' | 'above'): number =>
    entries.reduce((total, entry) => {
      // What lowers errs the other way round.
      const share = entry.lift >= 0 ? entry[side] : entry[side === 'below' ? 'above' : 'below'];
      return total + Math.abs(entry.lift) * share;
    }, 0);
  return { below: sum('below'), above: sum('above') };
}

/** Lift at the fender against the hub that a part is said to give, mm. */
export const liftOf = (part: LiftPart): number => {
  const { suspensionLiftMm, linkageDropMm, hubDropMm, bodyLiftMm } = liftPartShift(part);
  return suspensionLiftMm + linkageDropMm + hubDropMm + bodyLiftMm;
};

function stackedOn(parts: readonly LiftPart[], rideMm: number): LiftPart['kind'][] {
  const lifting = parts.filter((part) => ON_SPRING.includes(part.kind) && liftOf(part) > 0).map(({ kind }) => kind);
  const all = [...(rideMm > 0 ? (['ride'] as const) : []), ...lifting];
  return all.length > 1 ? all : [];
}
