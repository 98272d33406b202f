import { type CaseDescription, enteredSetupFor } from '../../4-clearance/case/case-description';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { type SetupDescription, countParts } from '../../2-vehicle/setup/setup';
import { describedCorner, describedCorners } from '../../4-clearance/case/described-corner';
import {
  cornerVerdicts,
  leastMargin,
  marginComesBelow,
  marginMet,
  type ObstacleVerdict,
} from '../../4-clearance/verdict/evaluate';
import type { PreparedObstacle } from '../../3-survey/prepared/prepared-obstacle';
import { type PreparedCorner, prepareCorner } from '../../4-clearance/case/prepared-corner';
import type { ClearSection } from '../../4-clearance/search/clear-section';
import { SectionCache } from '../../4-clearance/search/section-cache';
import { fallsShort, STANDARDS, type Allowed, type Standard } from '../../4-clearance/case/standard';
import type { Material } from '../../3-survey/shape/material';
import { isProtected } from '../../3-survey/shape/part-kind';
import { attempt } from '../../1-base/problem';
import { remembered } from '../../1-base/remembered';
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
 * half or all of it brings the tire nearer.
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

/** mm of margin to which the least amount is found, never below zero, and which is not worth being called better. */
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
    return bench.leversFor(bench.failing);
  });
}

/** The corner with so much of a change. */
interface Trial {
  readonly prepared: PreparedCorner;
  readonly section: ClearSection;
}

/** Trials of one kind kept for the next thing: all steps, and some of what lies between them. */
const KEPT_TRIALS = STEPS + 8;

/** Tries changes on one corner of a description. */
export class LeverBench {
  readonly #description: CaseDescription;
  readonly #key: CornerKey;
  readonly #corner: CornerDescription;
  readonly #setup: SetupDescription;
  readonly #standard: Standard;
  readonly #cache: SectionCache;
  readonly #verdicts: readonly ObstacleVerdict[];
  /** Of one kind, by amount; null where so much of it cannot be had. */
  readonly #trials = new Map<number, Trial | null>();

  constructor(description: CaseDescription, key: CornerKey, cache = new SectionCache()) {
    this.#description = description;
    this.#key = key;
    this.#corner = describedCorner(description, key);
    this.#setup = enteredSetupFor(description, key);
    this.#standard = STANDARDS[description.standard];
    this.#cache = cache;
    const { prepared, section } = this.#with(this.#setup, cache);
    this.#verdicts = cornerVerdicts(prepared, this.#standard, {}, section);
  }

  get failing(): ObstacleVerdict[] {
    return this.#verdicts.filter(({ verdict }) => fallsShort(verdict));
  }

  /** Kind by kind, so that all things share what a change makes of the corner. */
  leversFor(things: readonly ObstacleVerdict[]): ObstacleLevers[] {
    const found = things.map((): Lever[] => []);
    for (const kind of LEVER_KINDS) {
      if (!LEVERS[kind].applies(this.#corner)) continue;
      this.#trials.clear();
      things.forEach((thing, i) => {
        const lever = this.#lever(kind, thing);
        if (lever) found[i]!.push(lever);
      });
    }
    this.#trials.clear();
    return things.map((thing, i) => this.#leversOf(thing, found[i]!));
  }

  #leversOf({ id, label, marginMm, gapMm, requiredMm, material }: ObstacleVerdict, levers: Lever[]): ObstacleLevers {
    const listed = this.#corner.obstacles.find((o) => o.id === id);
    const allowed = isProtected(listed?.part) ? undefined : TRIMMED_BY[material];
    const trims = allowed !== undefined && this.#standard.allows.includes(allowed);
    return {
      corner: this.#key,
      id,
      label,
      marginMm,
      levers,
      trimMm: trims ? Math.max(0, requiredMm - gapMm) : null,
      unbolts: listed?.removable === true && !isProtected(listed.part),
    };
  }

  /** null where none of it can be had: the wheel would hang beyond its stops, the tire would have no sidewall. */
  #lever(kind: LeverKind, { id, marginMm }: ObstacleVerdict): Lever | null {
    const { unit, most } = LEVERS[kind];
    const steps = this.#realigns(kind) ? FEW_STEPS : STEPS;
    const marginAt = (amount: number): number | null => {
      const trial = this.#trial(kind, amount);
      return trial && this.#marginUnlessShort(trial, id);
    };
    /** Steps that do not clear, each with what its margin is not above. */
    const short: Step[] = [];
    for (let step = 1; step <= steps; step++) {
      const amount = (most * step) / steps;
      const trial = this.#trial(kind, amount);
      if (!trial) {
        if (step === 1) return null;
        break;
      }
      const margin = this.#marginUnlessShort(trial, id);
      if (margin < 0) {
        short.push({ amount, trial, atMost: margin });
        continue;
      }
      const before = short.at(-1);
      const tooLittle = before ? { ...before, marginMm: this.#margin(before.trial, id) } : { amount: 0, marginMm };
      const enough = leastAmount(marginAt, tooLittle, { amount, marginMm: margin });
      const upsets = this.#upsets(this.#trial(kind, enough.amount)!, id);
      return { kind, unit, outcome: 'clears', amount: enough.amount, bestMarginMm: enough.marginMm, upsets };
    }
    const best = this.#bestOf(short, id, { amount: 0, marginMm });
    if (best.marginMm - marginMm > feltMm(marginMm)) {
      return { kind, unit, outcome: 'helps', amount: best.amount, bestMarginMm: best.marginMm, upsets: [] };
    }
    const worse = feltBelow(marginMm);
    const looked = [short.at(-1)!, short[short.length >> 1]!];
    const worsens =
      short.some(({ atMost }) => atMost < worse) || looked.some(({ trial }) => this.#fallsBelow(trial, id, worse));
    return { kind, unit, outcome: worsens ? 'worsens' : 'nothing', amount: 0, bestMarginMm: marginMm, upsets: [] };
  }

  /** The best of steps that do not clear, or none of it: only those are searched that could be better. */
  #bestOf(steps: readonly Step[], id: string, none: Tried): Tried {
    let best = none;
    for (const { amount, trial } of [...steps].sort((a, b) => b.atMost - a.atMost)) {
      // What was met meanwhile may tell more.
      if (this.#marginMet(trial, id) <= best.marginMm + ENOUGH_MM) continue;
      const marginMm = this.#margin(trial, id);
      if (marginMm > best.marginMm) best = { amount, marginMm };
    }
    return best;
  }

  #upsets(trial: Trial, id: string): Upset[] {
    return trial.prepared.obstacles.flatMap((after) => {
      const before = this.#verdicts.find((v) => v.id === after.id);
      if (!before || after.id === id || !this.#fallsBelow(trial, after.id, 0)) return [];
      const afterMm = this.#margin(trial, after.id);
      if (before.marginMm < 0 && before.marginMm - afterMm < feltMm(afterMm)) return [];
      return [{ id: after.id, label: after.label, beforeMm: before.marginMm, afterMm }];
    });
  }

  #margin({ prepared, section }: Trial, id: string): number {
    const { least, requiredMm } = leastMargin(prepared, obstacleOf(prepared, id), this.#standard, section);
    return least.gapMm - requiredMm;
  }

  /** What the margin is not above. */
  #marginMet({ prepared, section }: Trial, id: string): number {
    return marginMet(prepared, obstacleOf(prepared, id), this.#standard, section);
  }

  /** The margin, or where that is short already what it is not above. */
  #marginUnlessShort(trial: Trial, id: string): number {
    const atMost = this.#marginMet(trial, id);
    return atMost < 0 ? atMost : this.#margin(trial, id);
  }

  /** Whether a thing has less than a margin: cheaper than how much it has. */
  #fallsBelow({ prepared, section }: Trial, id: string, marginMm: number): boolean {
    return marginComesBelow(prepared, obstacleOf(prepared, id), this.#standard, section, marginMm);
  }

  /** Everything has to be imaged anew. */
  #realigns(kind: LeverKind): boolean {
    const { realigns, lifts } = LEVERS[kind];
    return realigns ?? (lifts === true && this.#setup.alignment === 'aligned');
  }

  /** The corner with so much of a change; null where it cannot be had. */
  #trial(kind: LeverKind, amount: number): Trial | null {
    return remembered(this.#trials, KEPT_TRIALS, amount, () => {
      // Images under a changed alignment are not to take the place of the corner's.
      const cache = this.#realigns(kind) ? new SectionCache(this.#cache) : this.#cache;
      const tried = attempt(() => this.#with(LEVERS[kind].apply(this.#setup, amount, this.#corner), cache));
      return tried.ok ? tried.value : null;
    });
  }

  #with(entered: SetupDescription, cache: SectionCache): Trial {
    const setup = countParts(entered);
    const { envelope, drawnEnvelope } = this.#description;
    const survey = (key: CornerKey, corner: CornerDescription) => this.#cache.survey(key, corner);
    const prepared = prepareCorner(this.#key, this.#corner, setup, envelope, drawnEnvelope, survey);
    return { prepared, section: cache.section(prepared, this.#corner, setup) };
  }
}

const obstacleOf = ({ obstacles }: PreparedCorner, id: string): PreparedObstacle => obstacles.find((o) => o.id === id)!;

/** mm: the margin below which another one is felt to be worse. */
function feltBelow(marginMm: number): number {
  let below = marginMm;
  // What is felt grows by far less than what it is felt of.
  for (let round = 0; round < 4; round++) below = marginMm - feltMm(below);
  return below;
}

/** A step of a change that leaves too little, and what is left at most. */
interface Step {
  readonly amount: number;
  readonly trial: Trial;
  readonly atMost: number;
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
