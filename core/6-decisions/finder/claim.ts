import { cornerKnown } from '../../3-survey/known/known';
import { describedCorner, describedCorners } from '../../4-clearance/case/described-corner';
import { type CaseDescription, enteredSetupFor } from '../../4-clearance/case/case-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { DrawnRow } from '../../4-clearance/envelope/envelope-kind';
import { type Setup, countParts } from '../../2-vehicle/setup/setup';
import type { LeastGap } from '../../4-clearance/oracle/posture-gap';
import { prepareCorner } from '../../4-clearance/case/prepared-corner';
import { SectionCache } from '../../4-clearance/search/section-cache';
import { materialStretches, STANDARD_IDS, STANDARDS, type StandardId, wantedAs } from '../../4-clearance/case/standard';
import { attempt, ProblemError } from '../../1-base/problem';
import { commonSizes } from '../../2-vehicle/tire/common-sizes';
import { tireSection } from '../../2-vehicle/tire/section';
import { parseTireSize } from '../../2-vehicle/tire/size';
import { toDegrees } from '../../1-base/units/angle';
import { MM_PER_IN } from '../../1-base/units/length';
import { wheelOffsetMm } from '../../2-vehicle/wheel/rim';
import { withOffset } from '../../2-vehicle/wheel/with-offset';

/** What a claim says, as far as it says it. */
export interface Claim {
  readonly text: string;
  /** A whole size, or ... */
  readonly size: string | null;
  /** ... a diameter, and a width where one is named, in. */
  readonly diameterIn: number | null;
  readonly widthIn: number | null;
  /** At the wheel, mm; null: nothing is said, so as the vehicle stands now. */
  readonly liftMm: number | null;
  readonly offsetMm: number | null;
}

/** Postures a claim may hold in, from easy to all. */
export const CLAIM_POSTURES = ['rolling', 'lockAtRide', 'straightTravel', 'street', 'trail'] as const;
export type ClaimPosture = (typeof CLAIM_POSTURES)[number];

export interface ClaimFinding {
  readonly posture: ClaimPosture;
  readonly standard: StandardId;
  readonly holds: boolean;
  /** Least margin over all corners and where; null where nothing is surveyed. */
  readonly marginMm: number | null;
  readonly corner: CornerKey | null;
  readonly obstacle: string | null;
  readonly steerDeg: number;
  readonly travelMm: number;
}

/** One tire that a claim may mean, and what becomes of it. */
export interface ClaimedTire {
  readonly size: string;
  readonly diameterMm: number;
  readonly widthMm: number;
  readonly findings: readonly ClaimFinding[];
}

export interface ClaimCheck {
  readonly claim: Claim;
  readonly tires: readonly ClaimedTire[];
  /** Height at which it was looked at, mm of lift at the wheel. */
  readonly liftMm: number;
  readonly offsetMm: number;
  /** Corners of which too little was measured to say that it holds there. */
  readonly notKnown: readonly CornerKey[];
}

const NUMBER = String.raw`\d+(?:[.,]\d+)?`;
const toNumber = (text: string): number => Number(text.replace(',', '.'));

/** Reads "35s at 2 in", "33x12.5 no lift", "285/70R17 at 40 mm, +12 offset". @throws ProblemError where it names no tire. */
export function parseClaim(text: string): Claim {
  const plain = text.trim().toLowerCase().replace(/[“”″]/g, '"').replace(/×/g, 'x');
  const liftMm = liftIn(plain);
  const offset = new RegExp(
    String.raw`(?:offset\s*(?:of\s*)?([+-]?\s?${NUMBER})|([+-]\s?${NUMBER})(?:\s*mm)?\s*offset|\bet\s*(-?${NUMBER}))`,
  ).exec(plain);
  const offsetText = offset?.[1] ?? offset?.[2] ?? offset?.[3];
  const offsetMm = offsetText === undefined ? null : toNumber(offsetText.replace(/\s/g, ''));
  const common = { text: text.trim(), liftMm, offsetMm };
  const size = text.split(/\s+(?:at|with|on|no|stock)\b|[,;]/i).flatMap((part) => wholeSize(part))[0];
  if (size) return { ...common, size, diameterIn: null, widthIn: null };
  const printed = new RegExp(String.raw`\b(${NUMBER})\s*x\s*(${NUMBER})`).exec(plain);
  const alone = new RegExp(String.raw`\b(\d{2}(?:[.,]\d+)?)\s*(?:'?s\b|"|in\b|inch)`).exec(plain);
  const diameterIn = toNumber(printed?.[1] ?? alone?.[1] ?? 'NaN');
  if (!(diameterIn >= LEAST_IN && diameterIn <= MOST_IN)) {
    throw new ProblemError({
      code: 'unreadableSize',
      path: 'claim',
      expected: 'a tire and a height, such as "35s at 2 in", "33x12.5 no lift" or "285/70R17 at 40 mm"',
      found: text.trim() === '' ? 'nothing' : text.trim(),
    });
  }
  return { ...common, size: null, diameterIn, widthIn: printed ? toNumber(printed[2]!) : null };
}

const LEAST_IN = 14;
const MOST_IN = 60;

const wholeSize = (part: string): string[] => {
  const words = part.trim().split(/\s+/);
  return words.filter((word) => attempt(() => parseTireSize(word)).ok);
};

/** mm of lift named; null where none is. */
function liftIn(plain: string): number | null {
  if (/\b(?:no|zero|without(?: a)?)\s+lift\b|\bstock\b|\bunlifted\b/.test(plain)) return 0;
  const named =
    new RegExp(String.raw`(?:\bat|\bwith|\bon)\s+(?:a\s+)?(${NUMBER})\s*(mm|cm|"|in\b|inch(?:es)?)`).exec(plain) ??
    new RegExp(String.raw`(${NUMBER})\s*(mm|cm|"|in\b|inch(?:es)?)(?:\s+of)?\s+(?:lift|level)`).exec(plain);
  if (!named) return null;
  const unit = named[2] === 'mm' ? 1 : named[2] === 'cm' ? 10 : MM_PER_IN;
  return toNumber(named[1]!) * unit;
}

/** in by which a size sold as so many inches may measure otherwise (common practice, no source). */
const SOLD_AS_IN = 0.6;
const WIDTH_AS_IN = 0.4;

/** Sizes looked at where a claim names a diameter alone: the narrowest, the middle and the widest. */
const MOST_SIZES = 3;

function sizesMeant(claim: Claim, rimIn: number, rimWidthIn: number): string[] {
  if (claim.size) return [claim.size];
  const alike = commonSizes().filter(
    ({ rimDiameterIn, diameterMm, widthMm, measuringRimIn }) =>
      rimDiameterIn === rimIn &&
      Math.abs(diameterMm / MM_PER_IN - claim.diameterIn!) <= SOLD_AS_IN &&
      Math.abs(measuringRimIn - rimWidthIn) <= RIM_OFF_IN &&
      (claim.widthIn === null || Math.abs(widthMm / MM_PER_IN - claim.widthIn) <= WIDTH_AS_IN),
  );
  const byWidth = [...alike].sort((a, b) => a.widthMm - b.widthMm);
  if (byWidth.length <= MOST_SIZES) return byWidth.map(({ size }) => size);
  return [byWidth[0]!, byWidth[Math.floor(byWidth.length / 2)]!, byWidth.at(-1)!].map(({ size }) => size);
}

const RIM_OFF_IN = 2.5;

/**
 * In which postures and by which standard a claim holds on this vehicle, on the wheel of its setup (or the fitted one).
 * @throws ProblemError for a claim that names no tire, or one that does not go on the wheel.
 */
export function checkClaim(description: CaseDescription, text: string, cache = new SectionCache()): ClaimCheck {
  const claim = parseClaim(text);
  const keys = describedCorners(description);
  const first = enteredSetupFor(description, keys[0]!);
  const { diameterIn, widthIn } = first.wheel;
  const sizes = sizesMeant(claim, diameterIn, widthIn);
  const wrongRim = claim.size !== null && parseTireSize(claim.size).rimDiameterIn !== diameterIn;
  if (sizes.length === 0 || wrongRim) {
    throw new ProblemError({
      code: 'notFound',
      path: 'claim',
      expected: `a tire that goes on the wheel of this setup, ${diameterIn} x ${widthIn} in`,
      found: claim.text,
    });
  }
  const offsetMm = claim.offsetMm ?? wheelOffsetMm(first.wheel);
  const setupOn = (key: CornerKey, size: string): Setup => {
    const setup = enteredSetupFor(description, key);
    return countParts({
      ...setup,
      tire: { size },
      wheel: claim.offsetMm === null ? setup.wheel : withOffset(setup.wheel, claim.offsetMm),
      ...(claim.liftMm === null ? {} : { suspensionLiftMm: claim.liftMm, parts: [] }),
    });
  };
  return {
    claim,
    liftMm: claim.liftMm ?? first.suspensionLiftMm,
    offsetMm,
    notKnown: keys.filter((key) => !cornerKnown(describedCorner(description, key)).isEnough),
    tires: sizes.map((size) => {
      const section = tireSection({ size }, widthIn, 'claim');
      return {
        size,
        diameterMm: section.diameterMm,
        widthMm: section.widthMm,
        findings: findings(description, keys, (key) => setupOn(key, size), cache),
      };
    }),
  };
}

/** mm about the parked height that count as at ride. */
const AT_RIDE_MM = 3;

function findings(
  description: CaseDescription,
  keys: readonly CornerKey[],
  setupOn: (key: CornerKey) => Setup,
  cache: SectionCache,
): ClaimFinding[] {
  return CLAIM_POSTURES.flatMap((posture) => {
    const corners = keys.map((key) => {
      const corner = describedCorner(description, key);
      const setup = setupOn(key);
      const kind =
        posture === 'street' ? 'street' : posture === 'trail' || posture === 'lockAtRide' ? 'trail' : 'drawn';
      const straight: readonly DrawnRow[] = [{ travelMm: 0, leftDeg: 0, rightDeg: 0 }];
      const prepared = prepareCorner(key, corner, setup, kind, kind === 'drawn' ? straight : undefined, cache.survey);
      const { lowest, ride, highest } = prepared.envelope.limits;
      const atRide = posture === 'rolling' || posture === 'lockAtRide';
      const from = atRide ? Math.max(lowest, ride - AT_RIDE_MM) : lowest;
      const to = atRide ? Math.min(highest, ride + AT_RIDE_MM) : highest;
      return { key, prepared, section: cache.section(prepared, corner, setup), from, to };
    });
    return STANDARD_IDS.map((standard): ClaimFinding => {
      let worst: { marginMm: number; key: CornerKey; label: string; least: LeastGap } | null = null;
      for (const { key, prepared, section, from, to } of corners) {
        for (const obstacle of prepared.obstacles) {
          for (const stretch of materialStretches(STANDARDS[standard], prepared.envelope.limits, wantedAs(obstacle))) {
            const over = { from: Math.max(from, stretch.from), to: Math.min(to, stretch.to) };
            if (!(over.to > over.from)) continue;
            const least = section.leastGap(prepared, obstacle, over);
            const marginMm = least.gapMm - stretch.requiredMm;
            if (!worst || marginMm < worst.marginMm) worst = { marginMm, key, label: obstacle.label, least };
          }
        }
      }
      const found = worst as { marginMm: number; key: CornerKey; label: string; least: LeastGap } | null;
      return {
        posture,
        standard,
        holds: found === null || found.marginMm >= 0,
        marginMm: found?.marginMm ?? null,
        corner: found?.key ?? null,
        obstacle: found?.label ?? null,
        steerDeg: toDegrees(found?.least.posture.steer ?? 0),
        travelMm: found?.least.posture.travel ?? 0,
      };
    });
  });
}
