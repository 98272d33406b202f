import { ProblemError } from '../../1-base/problem';
import { ClearSection, CornerImages, type MetPlaces } from './clear-section';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import { alignmentKey, type Setup } from '../../2-vehicle/setup/setup';
import type { PostureRange } from './posture-table';
import { motionUnder } from '../../2-vehicle/setup/motion-under';
import { ObstacleCache } from '../../3-survey/prepared/obstacle-cache';
import type { PreparedCorner } from '../case/prepared-corner';

/** The images of a corner, what they depend on, and the locks they reach to. */
interface CachedImages {
  readonly of: string;
  readonly images: CornerImages;
  readonly leftDeg: number;
  readonly rightDeg: number;
}

/**
 * Keeps what was worked out for a corner for as long as what it depends on stays the same: the places of the survey,
 * and their images under an alignment. One for each conversation (a browser's worker, a command).
 */
export class SectionCache {
  readonly #places = new ObstacleCache();
  readonly #cached = new Map<CornerKey, CachedImages>();
  readonly #met: MetPlaces;
  #besides: SectionCache | null = null;

  /** `other`: one that asks about the same things, if under another alignment. */
  constructor(other?: SectionCache) {
    this.#met = other ? other.#met : new WeakMap();
  }

  /** As `surveyedObstacles`, obstacle by obstacle remembered. */
  readonly survey = this.#places.survey;

  /** A second one, for what is asked beside the first under another alignment: neither takes the other's place. */
  get besides(): SectionCache {
    return (this.#besides ??= new SectionCache(this));
  }

  /** The clear section of a prepared corner; only its alignment, not its tire, height or stops, asks for new images. */
  section(prepared: PreparedCorner, corner: CornerDescription, setup: Setup): ClearSection {
    return new ClearSection(prepared.motion, prepared.envelope, this.#imagesFor(prepared, corner, setup));
  }

  #imagesFor({ key, envelope }: PreparedCorner, corner: CornerDescription, setup: Setup): CornerImages {
    const { motion, steering, staticCamberDeg, staticToeDeg } = corner;
    const { camberChangeDeg, casterChangeDeg, axleShiftMm, linkageDropMm, bodyLiftMm } = setup;
    const { strutTopDropMm, hubDropMm, armDropMm } = setup;
    const of = JSON.stringify([
      [motion, steering, staticCamberDeg, staticToeDeg],
      [camberChangeDeg, casterChangeDeg, axleShiftMm, linkageDropMm, bodyLiftMm],
      [strutTopDropMm, hubDropMm, armDropMm],
      [alignmentKey(setup), corner.alignTo, corner.adjusters],
    ]);
    const { lowest, highest } = envelope.limits;
    const cached = this.#cached.get(key);
    const known = cached?.of === of ? cached : undefined;
    const leftDeg = Math.max(known?.leftDeg ?? 0, steering?.lockLeftDeg ?? 0, setup.steerStopLeftDeg ?? 0);
    const rightDeg = Math.max(known?.rightDeg ?? 0, steering?.lockRightDeg ?? 0, setup.steerStopRightDeg ?? 0);
    if (known && leftDeg <= known.leftDeg && rightDeg <= known.rightDeg) {
      const { from, to } = known.images.range;
      if (from <= lowest && to >= highest) return known.images;
    }
    const range: PostureRange = {
      from: Math.min(lowest, -corner.travel.droopMm, known?.images.range.from ?? lowest),
      to: Math.max(highest, corner.travel.bumpMm, known?.images.range.to ?? highest),
    };
    const widest = motionUnder(key, corner, { ...setup, steerStopLeftDeg: leftDeg, steerStopRightDeg: rightDeg });
    const images =
      imagesOver(widest, range, this.#met) ?? new CornerImages(widest, { from: lowest, to: highest }, this.#met);
    this.#cached.set(key, { of, images, leftDeg, rightDeg });
    return images;
  }
}

/** Images over a range; null where the changed linkage does not reach all of the surveyed travel. */
function imagesOver(motion: PreparedCorner['motion'], range: PostureRange, met: MetPlaces): CornerImages | null {
  try {
    motion.carrierAt(range.from, 0);
    motion.carrierAt(range.to, 0);
    if (motion.crossArticulates) {
      motion.carrierAt(range.from, range.to - range.from);
      motion.carrierAt(range.to, range.from - range.to);
    }
    return new CornerImages(motion, range, met);
  } catch (error) {
    if (error instanceof ProblemError) return null;
    throw error;
  }
}
