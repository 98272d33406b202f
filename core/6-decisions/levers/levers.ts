import { type CaseDescription, enteredSetupFor } from '../../4-clearance/case/case-description';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { type SetupDescription, countParts } from '../../2-vehicle/setup/setup';
import { describedCorner, describedCorners } from '../../4-clearance/case/described-corner';
import { cornerVerdicts, type ObstacleVerdict } from '../../4-clearance/verdict/evaluate';
import { prepareCorner } from '../../4-clearance/case/prepared-corner';
import { SectionCache } from '../../4-clearance/search/section-cache';
import { fallsShort, STANDARDS, type Allowed, type Standard } from '../../4-clearance/case/standard';
import type { Material } from '../../3-survey/shape/material';
import { isProtected } from '../../3-survey/shape/part-kind';
import { attempt } from '../../1-base/problem';
import { searchToleranceMm } from '../../1-base/tolerances';
import { LEVER_KINDS, LEVERS, type LeverKind } from './lever-kinds';

/** Another obstacle that a change brings below what is wanted, or further below it. Margins in mm. */
export interface Upset {
  readonly id: string;
  readonly label: string;
  readonly beforeMm: number;
  readonly afterMm: number;
}

/**
 * What a change does for one obstacle. `clears`: `amount` is the least of it that leaves what the standard wants.
 * `helps`: never enough, the best margin being `bestMarginMm` at `amount`. `nothing`: it does not matter. `worsens`:
 * any of it brings the tire nearer.
 */
export interface Lever {
  readonly kind: LeverKind;
  readonly unit: 'mm' | 'degrees' | 'in';
  readonly outcome: 'clears' | 'helps' | 'nothing' | 'worsens';
  readonly amount: number;
  readonly bestMarginMm: number;
  /** With so much of it; for `clears` only. */
  readonly upsets: readonly Upset[];
}

export interface ObstacleLevers {
  readonly corner: CornerKey;
  readonly id: string;
  readonly label: string;
  readonly marginMm: number;
  /** In the order of `LEVER_KINDS`. */
  readonly levers: readonly Lever[];
  /** How far its surface would have to be taken back, mm; null where the standard does not allow it. */
  readonly trimMm: number | null;
  /** It can be unbolted. */
  readonly unbolts: boolean;
}

/** Steps in which a change's range is looked through; fewer where each asks for new images. */
const STEPS = 16;
const FEW_STEPS = 6;

/** mm of margin to which the least amount is found, never below zero. */
const ENOUGH_MM = 0.05;

/** mm by which a margin must differ from another to be another: no less than the search leaves open. */
const feltMm = (marginMm: number): number => 1.5 * searchToleranceMm(marginMm);

const TRIMMED_BY: Readonly<Partial<Record<Material, Allowed>>> = {
  sheetMetal: 'cutSheetMetal',
  bodyMount: 'cutSheetMetal',
  plastic: 'trimPlastic',
  liner: 'trimPlastic',
};

/** Levers for every failing obstacle of every described corner. @throws ProblemError as `evaluateCase`. */
export function leversCase(description: CaseDescription, cache = new SectionCache()): ObstacleLevers[] {
  return describedCorners(description).flatMap((key) => {
    const bench = new LeverBench(description, key, cache);
    return bench.failing.map((verdict) => bench.leversFor(verdict));
  });
}

/** Tries changes on one corner of a description. */
export class LeverBench {
  readonly #description: CaseDescription;
  readonly #key: CornerKey;
  readonly #corner: CornerDescription;
  readonly #setup: SetupDescription;
  readonly #standard: Standard;
  readonly #cache: SectionCache;
  readonly #verdicts: readonly ObstacleVerdict[];

  constructor(description: CaseDescription, key: CornerKey, cache = new SectionCache()) {
    this.#description = description;
    this.#key = key;
    this.#corner = describedCorner(description, key);
    this.#setup = enteredSetupFor(description, key);
    this.#standard = STANDARDS[description.standard];
    this.#cache = cache;
    this.#verdicts = this.#verdictsWith(this.#setup, null, cache);
  }

  get failing(): ObstacleVerdict[] {
    return this.#verdicts.filter(({ verdict }) => fallsShort(verdict));
  }

  leversFor({ id, label, marginMm, gapMm, requiredMm, material }: ObstacleVerdict): ObstacleLevers {
    const listed = this.#corner.obstacles.find((o) => o.id === id);
    const allowed = isProtected(listed?.part) ? undefined : TRIMMED_BY[material];
    const trims = allowed !== undefined && this.#standard.allows.includes(allowed);
    return {
      corner: this.#key,
      id,
      label,
      marginMm,
      levers: LEVER_KINDS.flatMap((kind) => {
        if (!LEVERS[kind].applies(this.#corner)) return [];
        const lever = this.#lever(kind, id, marginMm);
        return lever ? [lever] : [];
      }),
      trimMm: trims ? Math.max(0, requiredMm - gapMm) : null,
      unbolts: listed?.removable === true && !isProtected(listed.part),
    };
  }

  /** null where none of it can be had: the wheel would hang beyond its stops, the tire would have no sidewall. */
  #lever(kind: LeverKind, id: string, marginMm: number): Lever | null {
    const { unit, most, apply, lifts, realigns: always } = LEVERS[kind];
    const realigns = always ?? (lifts && this.#setup.alignment === 'aligned');
    // Images of one obstacle under a changing alignment are not to take the place of the corner's.
    const cache = realigns ? new SectionCache() : this.#cache;
    const steps = realigns ? FEW_STEPS : STEPS;
    const marginAt = (amount: number): number | null => {
      const tried = attempt(() => this.#verdictsWith(apply(this.#setup, amount, this.#corner), id, cache));
      return tried.ok ? (tried.value[0]?.marginMm ?? null) : null;
    };
    let best = { amount: 0, marginMm };
    let least = marginMm;
    let before = 0;
    let last = marginMm;
    for (let step = 1; step <= steps; step++) {
      const amount = (most * step) / steps;
      const margin = marginAt(amount);
      if (margin === null) {
        if (step === 1) return null;
        break;
      }
      if (margin >= 0) {
        const enough = leastAmount(marginAt, { amount: before, marginMm: last }, { amount, marginMm: margin });
        const upsets = this.#upsets(apply(this.#setup, enough.amount, this.#corner), id, realigns === true);
        return { kind, unit, outcome: 'clears', amount: enough.amount, bestMarginMm: enough.marginMm, upsets };
      }
      if (margin > best.marginMm) best = { amount, marginMm: margin };
      least = Math.min(least, margin);
      before = amount;
      last = margin;
    }
    const gained = best.marginMm - marginMm > feltMm(marginMm);
    const outcome = gained ? 'helps' : marginMm - least > feltMm(least) ? 'worsens' : 'nothing';
    return { kind, unit, outcome, amount: gained ? best.amount : 0, bestMarginMm: best.marginMm, upsets: [] };
  }

  #upsets(setup: SetupDescription, id: string, realigned: boolean): Upset[] {
    const cache = realigned ? new SectionCache() : this.#cache;
    return this.#verdictsWith(setup, null, cache).flatMap((after) => {
      const before = this.#verdicts.find((v) => v.id === after.id);
      if (!before || after.id === id || after.marginMm >= 0) return [];
      if (before.marginMm < 0 && before.marginMm - after.marginMm < feltMm(after.marginMm)) return [];
      return [{ id: after.id, label: after.label, beforeMm: before.marginMm, afterMm: after.marginMm }];
    });
  }

  /** Verdicts under another setup; of all obstacles, or of one. */
  #verdictsWith(entered: SetupDescription, only: string | null, cache: SectionCache): ObstacleVerdict[] {
    const setup = countParts(entered);
    const { envelope, drawnEnvelope } = this.#description;
    const survey = (key: CornerKey, corner: CornerDescription) => this.#cache.survey(key, corner);
    const prepared = prepareCorner(this.#key, this.#corner, setup, envelope, drawnEnvelope, survey);
    const section = cache.section(prepared, this.#corner, setup);
    const obstacles = only === null ? prepared.obstacles : prepared.obstacles.filter((o) => o.id === only);
    return cornerVerdicts({ ...prepared, obstacles }, this.#standard, {}, section);
  }
}

interface Tried {
  readonly amount: number;
  readonly marginMm: number;
}

/**
 * Between too little and enough, the least that is enough, to `ENOUGH_MM` of margin: false position, halving whenever an
 * end stays (Illinois).
 */
function leastAmount(marginAt: (amount: number) => number | null, tooLittle: Tried, enough: Tried): Tried {
  let low = tooLittle.amount;
  let below = tooLittle.marginMm - ENOUGH_MM / 2;
  let found = enough;
  let above = enough.marginMm - ENOUGH_MM / 2;
  let moved: 'low' | 'high' | null = null;
  for (let round = 0; round < 40 && found.marginMm > ENOUGH_MM; round++) {
    const part = Math.min(0.95, Math.max(0.05, below / (below - above)));
    const amount = low + part * (found.amount - low);
    const margin = marginAt(amount);
    if (margin !== null && margin >= 0) {
      found = { amount, marginMm: margin };
      above = margin - ENOUGH_MM / 2;
      if (moved === 'high') below /= 2;
      moved = 'high';
    } else {
      low = amount;
      below = (margin ?? -found.marginMm) - ENOUGH_MM / 2;
      if (moved === 'low') above /= 2;
      moved = 'low';
    }
  }
  return found;
}
