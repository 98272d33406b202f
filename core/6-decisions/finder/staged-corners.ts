import { countParts, alignmentKey } from '../../2-vehicle/setup/setup';
import { describedCorner } from '../../4-clearance/case/described-corner';
import type { CaseDescription } from '../../4-clearance/case/case-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { prepareCorner, type PreparedCorner } from '../../4-clearance/case/prepared-corner';
import type { SectionCache } from '../../4-clearance/search/section-cache';
import type { Standard } from '../../4-clearance/case/standard';
import { stanceSetup, type Stance } from './candidates';
import type { AllowedChanges } from './question';
import { ladderOf } from './remedies';
import { Stage, type ObstacleGroup, type PlaneSpan } from './stage';

/** Keeps stages: stances with the same postures, alignment and wishes share one. */
export class StageCache {
  readonly #stages = new Map<string, Stage>();
  readonly #description: CaseDescription;
  readonly #standard: Standard;
  readonly #allowed: AllowedChanges;
  readonly #cache: SectionCache;
  readonly #span: PlaneSpan;
  readonly #most: { readonly halfWidthMm: number; readonly radiusMm: number };

  constructor(
    description: CaseDescription,
    standard: Standard,
    allowed: AllowedChanges,
    cache: SectionCache,
    span: PlaneSpan,
    most: { readonly halfWidthMm: number; readonly radiusMm: number },
  ) {
    this.#description = description;
    this.#standard = standard;
    this.#allowed = allowed;
    this.#cache = cache;
    this.#span = span;
    this.#most = most;
  }

  /** The key of a corner's stage in a stance, and the stage when it is asked for. @throws ProblemError where it cannot stand so. */
  prepare(
    key: CornerKey,
    stance: Stance,
  ): { readonly id: string; readonly stage: () => Stage; readonly corner: PreparedCorner } {
    const corner = describedCorner(this.#description, key);
    const setup = {
      ...countParts(stanceSetup(this.#description, key, stance)),
      ...corner.fitted,
      allowances: undefined,
    };
    const { envelope, drawnEnvelope } = this.#description;
    const prepared = prepareCorner(key, corner, setup, envelope, drawnEnvelope, this.#cache.survey);
    const { lowest, highest, bump, ride } = prepared.envelope.limits;
    // All postures the stops allow, wanted alike in all of them: then the parked height does not matter.
    const anyHeight = envelope === 'trail' && !this.#standard.nearFullBump;
    const id = JSON.stringify([
      [key, lowest, highest, bump, anyHeight ? null : ride, setup.steerStopLeftDeg, setup.steerStopRightDeg],
      [setup.axleShiftMm, setup.linkageDropMm, setup.bodyLiftMm, setup.camberChangeDeg, setup.casterChangeDeg],
      [setup.strutTopDropMm, setup.hubDropMm, setup.armDropMm, alignmentKey(setup)],
    ]);
    const stage = (): Stage => {
      const known = this.#stages.get(id);
      if (known) return known;
      const made = new Stage(
        prepared,
        this.#standard,
        this.#cache.section(prepared, corner, setup),
        this.#groups(key, prepared),
        this.#span,
        this.#most,
      );
      this.#stages.set(id, made);
      return made;
    };
    return { id, stage, corner: prepared };
  }

  /** Stages are large; those of other stances are let go of. */
  keepOnly(ids: readonly string[]): void {
    for (const id of this.#stages.keys()) if (!ids.includes(id)) this.#stages.delete(id);
  }

  #groups(key: CornerKey, { obstacles }: PreparedCorner): ObstacleGroup[] {
    const described = describedCorner(this.#description, key).obstacles;
    const groups = new Map<string, { ladder: ObstacleGroup['ladder']; members: number[] }>();
    obstacles.forEach(({ id, insideWheel }, member) => {
      if (insideWheel) return;
      const entry = described.find((o) => o.id === id);
      const ladder = entry ? ladderOf(entry, this.#standard, this.#allowed) : [];
      const name = JSON.stringify(ladder);
      const group = groups.get(name) ?? { ladder, members: [] };
      group.members.push(member);
      groups.set(name, group);
    });
    return [...groups.values()];
  }
}
