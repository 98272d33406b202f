import type { ClearSection } from '../../4-clearance/search/clear-section';
import { cornerVerdicts, type ObstacleVerdict } from '../../4-clearance/verdict/evaluate';
import { KeepOutPainter } from '../../4-clearance/pictures/keep-out-painter';
import { piecePlaces } from '../../3-survey/shape/piece-places';
import type { PlaneWindow } from '../../4-clearance/pictures/plane-raster';
import type { PreparedCorner } from '../../4-clearance/case/prepared-corner';
import type { Rotor } from '../../2-vehicle/setup/rotor';
import {
  materialStretches,
  type MaterialStretch,
  standardRegions,
  type Standard,
  wantedAs,
} from '../../4-clearance/case/standard';
import type { PreparedObstacle } from '../../3-survey/prepared/prepared-obstacle';
import { KEEP_OUT_PLACES_MM } from '../../1-base/tolerances';
import { marginCurve, obstacleOfDisc, type MarginField } from './margin-curve';
import type { Ladder } from './remedies';
import type { SectionDiscs } from './section-discs';

/** Obstacles for which the same can be done; what they leave is found together. */
export interface ObstacleGroup {
  readonly ladder: Ladder;
  /** Places in the corner's obstacles. */
  readonly members: readonly number[];
}

/** Centre planes that are looked at: mm outboard of the hub face. */
export interface PlaneSpan {
  readonly from: number;
  readonly to: number;
}

/** A tire mounted on a rim, whatever its offset. */
export interface MountedSection {
  /** `centrePlaneMm` is put in. */
  readonly rotor: Rotor;
  readonly free: SectionDiscs;
  /** With the sidewalls bulged. */
  readonly ground: SectionDiscs;
}

/**
 * mm by which a margin may be above, and below, what the table says (which leans to the careful side); nearer a limit than
 * that the exact search decides.
 */
export const TABLE_UNDER_MM = 3.6;
export const TABLE_OVER_MM = 0.7;

/** Margins and the nearest disc of a section by centre plane; discs of the bulged section are counted from `GROUND_DISCS`. */
interface Curve {
  readonly marginMm: Float32Array;
  readonly disc: Uint16Array;
}

const GROUND_DISCS = 1 << 15;

/** Pieces whose images are held at a time. */
const PIECES_AT_ONCE = 2000;

/** mm of side of a cell of the table. */
const CELL_MM = 1;

/** mm beyond the tire in which the table knows what is near. */
export const TABLE_REACH_MM = 48;

/**
 * One corner in the postures of one stance: the room each group of obstacles leaves to any tire on any wheel, from a table
 * of distances in the plane of axle line and radius, and from the exact search.
 */
export class Stage {
  readonly corner: PreparedCorner;
  readonly groups: readonly ObstacleGroup[];
  readonly window: PlaneWindow;
  readonly #span: PlaneSpan;
  readonly #standard: Standard;
  readonly #section: ClearSection;
  /** What is wanted of each obstacle, by stretch of travel. */
  readonly #stretches: readonly (readonly MaterialStretch[])[];
  #fields: readonly { readonly free: MarginField | null; readonly ground: MarginField | null }[] = [];
  readonly #curves = new Map<number, Curve>();
  /** Margins at which the answer on a group changes: nothing wanted, and the most that each rung gives. */
  readonly limits: readonly (readonly number[])[];
  exactCount = 0;

  /**
   * @param groups leaves out what stands inside the wheel
   * @param span centre planes that will be asked about
   * @param most of the tires that will be asked about: half width and radius, mm
   */
  constructor(
    corner: PreparedCorner,
    standard: Standard,
    section: ClearSection,
    groups: readonly ObstacleGroup[],
    span: PlaneSpan,
    most: { readonly halfWidthMm: number; readonly radiusMm: number },
  ) {
    this.corner = corner;
    this.groups = groups;
    this.limits = groups.map(({ ladder }) => [0, ...ladder.map(({ mostMm }) => -mostMm)]);
    this.#standard = standard;
    this.#section = section;
    this.#stretches = corner.obstacles.map((obstacle) =>
      materialStretches(standard, corner.envelope.limits, wantedAs(obstacle)),
    );
    this.#span = span;
    const side = most.halfWidthMm + TABLE_REACH_MM;
    this.window = {
      fromAMm: span.from - side,
      fromRMm: 0,
      stepMm: CELL_MM,
      columns: Math.ceil((span.to - span.from + 2 * side) / CELL_MM),
      rows: Math.ceil((most.radiusMm + TABLE_REACH_MM) / CELL_MM),
    };
  }

  /** Draws the table; until then only the exact search answers. */
  draw(): void {
    const { corner } = this;
    const painter = new KeepOutPainter(corner, this.window);
    const regions = standardRegions(this.#standard, corner.envelope.limits);
    this.groups.forEach(({ members }, group) => {
      for (const index of members) {
        const obstacle = corner.obstacles[index] as PreparedObstacle;
        const count = obstacle.pieces.corners.length;
        // All of them, a scan's too, but not all at once: each has an image in every posture.
        for (let from = 0; from < count; from += PIECES_AT_ONCE) {
          const range = { from, to: Math.min(count, from + PIECES_AT_ONCE) };
          const places = piecePlaces(obstacle.pieces, KEEP_OUT_PLACES_MM, Infinity, range);
          for (const region of regions) {
            painter.paint(obstacle, index, places, region, region.requiredMm[wantedAs(obstacle)], group);
          }
        }
      }
    });
    this.#fields = this.groups.map((_, group) => ({
      free: painter.wanted('free', group),
      ground: painter.wanted('ground', group),
    }));
  }

  /** Lets go of the table, which is large; the exact search goes on answering. */
  release(): void {
    this.#fields = [];
    this.#curves.clear();
  }

  /** Least margin of a group for a section at every whole mm of centre plane from the span's start, by the table. */
  #curve(index: number, section: MountedSection, group: number): Curve {
    const key = index * this.groups.length + group;
    const known = this.#curves.get(key);
    if (known) return known;
    const { from, to } = this.#span;
    const count = Math.ceil((to - from) / CELL_MM) + 1;
    const marginMm = new Float32Array(count).fill(Infinity);
    const disc = new Uint16Array(count);
    const { free, ground } = this.#fields[group]!;
    if (free) marginCurve(free, this.window, section.free, from, marginMm, disc, 0);
    if (ground) marginCurve(ground, this.window, section.ground, from, marginMm, disc, GROUND_DISCS);
    const curve = { marginMm, disc };
    this.#curves.set(key, curve);
    return curve;
  }

  /** Least margin of a group at a centre plane, by the table. */
  tabled(index: number, section: MountedSection, group: number, planeMm: number): number {
    const curve = this.#curve(index, section, group).marginMm;
    const place = (planeMm - this.#span.from) / CELL_MM;
    const below = Math.min(curve.length - 1, Math.floor(place));
    const above = Math.min(curve.length - 1, below + 1);
    const part = place - below;
    // Between whole mm a gap is no less than straight between them by more than rounding of the table.
    return part === 0 ? curve[below]! : curve[below]! * (1 - part) + curve[above]! * part;
  }

  /** The obstacle of a group that leaves least at a centre plane, by the table; -1 where none is near. */
  tabledObstacle(index: number, section: MountedSection, group: number, planeMm: number): number {
    const { marginMm, disc } = this.#curve(index, section, group);
    const place = Math.min(disc.length - 1, Math.round((planeMm - this.#span.from) / CELL_MM));
    if (marginMm[place] === Infinity) return -1;
    const { free, ground } = this.#fields[group]!;
    const nearest = disc[place]!;
    if (nearest >= GROUND_DISCS) {
      return obstacleOfDisc(ground!, this.window, section.ground, nearest - GROUND_DISCS, planeMm);
    }
    return obstacleOfDisc(free!, this.window, section.free, nearest, planeMm);
  }

  /** Whether a group leaves at least `limitMm` at a centre plane, by the exact search. */
  leaves(index: number, section: MountedSection, group: number, planeMm: number, limitMm: number): boolean {
    this.exactCount++;
    const corner = this.#with(section.rotor, planeMm);
    const { members } = this.groups[group]!;
    // What the table calls nearest most often settles it.
    const suspect = this.tabledObstacle(index, section, group, planeMm);
    return (
      !this.#comesBelow(corner, suspect, limitMm) &&
      !members.some((o) => o !== suspect && this.#comesBelow(corner, o, limitMm))
    );
  }

  /** The verdict on one obstacle at a centre plane. */
  verdict(rotor: Rotor, planeMm: number, member: number): ObstacleVerdict | null {
    const obstacle = this.corner.obstacles[member];
    if (!obstacle) return null;
    const corner = { ...this.#with(rotor, planeMm), obstacles: [obstacle] };
    return cornerVerdicts(corner, this.#standard, {}, this.#section)[0] ?? null;
  }

  #comesBelow(corner: PreparedCorner, member: number, limitMm: number): boolean {
    const obstacle = corner.obstacles[member];
    if (!obstacle) return false;
    return this.#stretches[member]!.some((stretch) =>
      this.#section.comesBelow(corner, obstacle, stretch, limitMm + stretch.requiredMm),
    );
  }

  readonly #with = (rotor: Rotor, centrePlaneMm: number): PreparedCorner => ({
    ...this.corner,
    rotor: { ...rotor, centrePlaneMm },
  });

  /** Least margin of obstacles at a centre plane, and whose it is, where it is under `ceilingMm`. */
  leastOf(
    rotor: Rotor,
    members: readonly number[],
    planeMm: number,
    ceilingMm: number,
  ): { readonly marginMm: number; readonly requiredMm: number; readonly member: number } | null {
    const corner = this.#with(rotor, planeMm);
    let marginMm = ceilingMm;
    let nearest = -1;
    let requiredMm = 0;
    for (const member of members) {
      const obstacle = corner.obstacles[member] as PreparedObstacle;
      for (const stretch of this.#stretches[member]!) {
        const gap = this.#section.gapBelow(corner, obstacle, stretch, marginMm + stretch.requiredMm);
        if (gap === null) continue;
        marginMm = gap - stretch.requiredMm;
        requiredMm = stretch.requiredMm;
        nearest = member;
      }
    }
    return nearest < 0 ? null : { marginMm, requiredMm, member: nearest };
  }
}
